import { addDays } from '@wrightonic/core';
import type { IsoDate } from '@wrightonic/core';
import { useRouter } from 'expo-router';
import { View } from 'react-native';
import { Text } from 'react-native-paper';
import { api } from '../../data/api';
import { CampNow } from '../../parts/CampNow';
import { LinkRow } from '../../ui/controls';
import { SPACE, usePalette } from '../../ui/theme';

/** Camps that run today or begin tomorrow, and one’s own stations there. */
export function CampsNow({ today }: { readonly today: IsoDate }) {
  const { data: me } = api.useMeQuery();
  const palette = usePalette();
  const router = useRouter();
  const { data = [] } = api.useCampsQuery();
  return data
    .filter((camp) => camp.from <= addDays(today, 1) && camp.to >= today)
    .map((camp) => (
      <View key={camp.id} style={{ gap: SPACE.m }}>
        <LinkRow
          onPress={() =>
            router.push(camp.from <= today && camp.state === 'published' ? `/camps/${camp.id}/board` : `/camps/${camp.id}`)
          }
          testID={`today-camp-${camp.name}`}
        >
          <Text variant="bodyMedium">{camp.name}</Text>
          <Text variant="bodySmall" style={{ color: palette.soft }}>
            {`Camp of ${camp.athletes}, ${camp.from > today ? 'begins tomorrow' : 'today'}${camp.state === 'published' ? '' : ', not published yet'}`}
          </Text>
        </LinkRow>
        {me && camp.runsStation && camp.state === 'published' && camp.from <= today ? <CampNow row={camp} me={me} /> : null}
      </View>
    ));
}
