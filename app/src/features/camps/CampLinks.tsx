import { LINK_DAYS } from '@wrightonic/contract';
import type { CampLink, NamedId } from '@wrightonic/contract';
import { useState } from 'react';
import { View } from 'react-native';
import { Text } from 'react-native-paper';
import { api, problemOf } from '../../data/api';
import { newId } from '../../data/ids';
import { sharedAddress } from '../../parts/shared-address';
import { Action, Caution } from '../../ui/controls';
import { Row } from '../../ui/layout';
import { SPACE, usePalette } from '../../ui/theme';

const addressOf = ({ token }: CampLink): string => sharedAddress(token);

/** A link of each athlete’s own for families who do not sign in: told once, to be sent on. */
export function CampLinks({ id, athletes }: { readonly id: string; readonly athletes: readonly NamedId[] }) {
  const palette = usePalette();
  const [make, { data: links, isLoading, error }] = api.useCampLinksMutation();
  const [copied, setCopied] = useState<string | null>(null);
  const copy = (of: string, text: string) =>
    void navigator.clipboard.writeText(text).then(
      () => setCopied(of),
      () => setCopied(null),
    );
  return (
    <View style={{ gap: SPACE.s }}>
      {error ? <Caution>{problemOf(error).detail}</Caution> : null}
      <Row>
        <Action
          kind="quiet"
          label={links ? 'Make other links' : 'Links for families without a sign-in'}
          busy={isLoading}
          onPress={() => {
            setCopied(null);
            const body = { days: LINK_DAYS.usual, links: athletes.map((a) => ({ id: newId(), athlete: a.id })) };
            void make({ id, body });
          }}
          testID="camp-links"
        />
        {links ? (
          <Action
            kind="plain"
            label={copied === 'all' ? 'Copied' : 'Copy all with names'}
            onPress={() => copy('all', links.map((link) => `${link.athlete.name}\t${addressOf(link)}`).join('\n'))}
            testID="copy-all-links"
          />
        ) : null}
      </Row>
      {links ? (
        <Text variant="bodySmall" style={{ color: palette.soft }}>
          {`Shown this once. Whoever has one sees that report for ${LINK_DAYS.usual} days, or until it is closed on the athlete’s sheet.`}
        </Text>
      ) : null}
      {(links ?? []).map((link) => (
        <View
          key={link.athlete.id}
          style={{ flexDirection: 'row', alignItems: 'center', gap: SPACE.s, borderTopWidth: 1, borderColor: palette.line }}
        >
          <View style={{ flex: 1, paddingVertical: SPACE.xs }}>
            <Text variant="bodyMedium">{link.athlete.name}</Text>
            <Text variant="bodySmall" selectable numberOfLines={1} style={{ color: palette.soft }} testID="camp-link">
              {addressOf(link)}
            </Text>
          </View>
          <Action
            kind="plain"
            label={copied === link.athlete.id ? 'Copied' : 'Copy'}
            onPress={() => copy(link.athlete.id, addressOf(link))}
          />
        </View>
      ))}
    </View>
  );
}
