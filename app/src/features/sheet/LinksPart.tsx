import { LINK_DAYS } from '@wrightonic/contract';
import type { NewLink } from '@wrightonic/contract';
import { useState } from 'react';
import { View } from 'react-native';
import { Text } from 'react-native-paper';
import { api, problemOf } from '../../data/api';
import { newId } from '../../data/ids';
import { sharedAddress } from '../../parts/shared-address';
import { QrCode } from '../../ui/QrCode';
import { Action, Caution, Choice } from '../../ui/controls';
import { Row, Section } from '../../ui/layout';
import { SPACE, usePalette } from '../../ui/theme';
import { weekDay } from '../../ui/words';

const DAYS = [3, LINK_DAYS.usual, 30, LINK_DAYS.most] as const;

const STATES = { open: 'open', expired: 'over', revoked: 'closed' } as const;

/** A link to this sheet for the family: how long it is open, who has looked, and how it is closed. */
export function LinksPart({ athlete, sheet }: { readonly athlete: string; readonly sheet: Omit<NewLink, 'days'> }) {
  const palette = usePalette();
  const { data: links = [] } = api.useLinksQuery({ athlete }, { refetchOnMountOrArgChange: true });
  const [make, making] = api.usePutLinkMutation();
  const [close, closing] = api.useDropLinkMutation();
  const [days, setDays] = useState<number>(LINK_DAYS.usual);
  const [copied, setCopied] = useState(false);
  const address = making.data ? sharedAddress(making.data.token) : null;
  const error = making.error ?? closing.error;
  const copy = () =>
    void navigator.clipboard.writeText(address ?? '').then(
      () => setCopied(true),
      () => setCopied(false),
    );
  return (
    <Section title="For the family" note="leads nowhere else">
      <Row>
        {DAYS.map((n) => (
          <Choice key={n} label={`${n} days`} chosen={n === days} onPress={() => setDays(n)} testID={`days-${n}`} />
        ))}
        <Action
          label="Make the link"
          busy={making.isLoading}
          onPress={() => {
            setCopied(false);
            void make({ athlete, id: newId(), body: { ...sheet, days } });
          }}
          testID="make-link"
        />
      </Row>
      {error ? <Caution>{problemOf(error).detail}</Caution> : null}
      {address ? (
        <View style={{ gap: SPACE.s }}>
          <Text variant="bodySmall" selectable testID="link-address">
            {address}
          </Text>
          <Row>
            <Action kind="quiet" label={copied ? 'Copied' : 'Copy it'} onPress={copy} />
          </Row>
          <QrCode text={address} size={160} label="The link as a code" />
          <Text variant="bodySmall" style={{ color: palette.soft }}>
            It is shown this once. Whoever has it sees the sheet until it is over or closed.
          </Text>
        </View>
      ) : null}
      {links.map((l) => (
        <View
          key={l.id}
          style={{
            flexDirection: 'row',
            alignItems: 'center',
            gap: SPACE.s,
            borderTopWidth: 1,
            borderColor: palette.line,
            paddingTop: 4,
          }}
          testID="link-row"
        >
          <Text variant="bodySmall" style={{ flex: 1 }}>
            {`${l.camp === null ? '' : `Report of ${l.camp}: `}${STATES[l.state]}, until ${weekDay(l.expiresAt.slice(0, 10))}, by ${l.by}; ${l.views === 0 ? 'not opened yet' : l.views === 1 ? 'opened once' : `opened ${l.views} times`}`}
          </Text>
          {l.state === 'open' ? (
            <Action kind="plain" label="Close it" onPress={() => void close({ athlete, id: l.id })} testID="close-link" />
          ) : null}
        </View>
      ))}
    </Section>
  );
}
