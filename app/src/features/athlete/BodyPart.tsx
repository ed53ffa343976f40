import { may } from '@wrightonic/contract';
import type { AthleteOverview, Role } from '@wrightonic/contract';
import { bodyTestById } from '@wrightonic/core';
import { useRouter } from 'expo-router';
import { View } from 'react-native';
import { Text } from 'react-native-paper';
import { GradeMark } from '../../ui/GradeMark';
import { Action } from '../../ui/controls';
import { Row } from '../../ui/layout';
import { SPACE, usePalette } from '../../ui/theme';
import { useUnits } from '../../ui/units';
import { sideName } from '../../ui/words';

const BODY_SHOWN = 5;

/** The body at a glance: the newest of each test, the limits first. */
export function BodyPart({ data, role }: { readonly data: AthleteOverview; readonly role: Role }) {
  const units = useUnits();
  const palette = usePalette();
  const router = useRouter();
  const { body, athlete, id } = data;
  const mayTest = may(role, 'judge');
  const rank = { limit: 0, watch: 1, pass: 2 } as const;
  const shown = [...body].sort((a, b) => rank[a.grade] - rank[b.grade]).slice(0, BODY_SHOWN);
  const free = body.filter((b) => b.grade === 'pass').length;
  return (
    <View style={{ gap: SPACE.xs }}>
      {body.length === 0 ? <Text style={{ color: palette.soft }}>Not tested yet.</Text> : null}
      {shown.map((b) => (
        <View key={`${b.test}-${b.side}`} style={{ flexDirection: 'row', gap: SPACE.s, alignItems: 'center' }}>
          <GradeMark grade={b.grade} />
          <Text variant="bodyMedium" style={{ flex: 1, minWidth: 0 }} numberOfLines={1}>
            {`${bodyTestById(b.test).name}${b.side === 'none' ? '' : `, ${sideName(b.side, athlete.throws)}`}`}
          </Text>
          <Text variant="bodyMedium" style={{ fontVariant: ['tabular-nums'] }}>
            {`${units.text(b.value, bodyTestById(b.test).unit)} ± ${units.amount(b.sd, bodyTestById(b.test).unit, 1)}`}
          </Text>
        </View>
      ))}
      {body.length > shown.length ? (
        <Text
          variant="bodySmall"
          style={{ color: palette.soft }}
        >{`${body.length} tests and sides in all, ${free} of them free.`}</Text>
      ) : null}
      {mayTest ? (
        <Row>
          <Action
            kind="quiet"
            label={body.length === 0 ? 'Check the body' : 'Body and its history'}
            onPress={() => router.push(`/athletes/${id}/body`)}
            testID="check-body"
          />
        </Row>
      ) : null}
    </View>
  );
}
