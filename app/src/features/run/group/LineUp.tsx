import { useState } from 'react';
import { Pressable, View } from 'react-native';
import { Text } from 'react-native-paper';
import { Action } from '../../../ui/controls';
import { Row } from '../../../ui/layout';
import { NUMBER_FONT, SPACE, TARGET, usePalette } from '../../../ui/theme';
import { useLibrary } from '../../../data/use-library';
import type { Member } from './use-group';

interface LineUpProps {
  readonly members: readonly Member[];
  readonly front: string | null;
  /** Names of the drill are shown where each does their own. */
  readonly ownWork: boolean;
  readonly onNow: (id: string) => void;
  readonly onLater: (id: string) => void;
  readonly onOut: (id: string) => void;
  readonly onHurts: (id: string) => void;
}

/** Who waits, in order; whoever is passed over says why. A tap on a name opens what can be done with them. */
export function LineUp({ members, front, ownWork, onNow, onLater, onOut, onHurts }: LineUpProps) {
  const palette = usePalette();
  const { drill } = useLibrary();
  const [open, setOpen] = useState<string | null>(null);
  return (
    <View role="list">
      {members
        .filter((m) => m.id !== front)
        .map((member) => (
          <View key={member.id} role="listitem" style={{ borderBottomWidth: 1, borderColor: palette.line }}>
            <Pressable
              role="button"
              aria-expanded={open === member.id}
              onPress={() => setOpen(open === member.id ? null : member.id)}
              testID={`line-${member.name}`}
              style={{ minHeight: TARGET, flexDirection: 'row', alignItems: 'center', gap: SPACE.s, paddingVertical: SPACE.xs }}
            >
              <View style={{ flex: 1 }}>
                <Text variant="bodyLarge" numberOfLines={1} style={{ color: member.passed ? palette.soft : palette.ink }}>
                  {member.name}
                </Text>
                {member.passed || (ownWork && member.item) ? (
                  <Text variant="bodySmall" style={{ color: member.passed ? palette.clay : palette.soft }}>
                    {member.passed ?? drill(member.item!.drill).name}
                  </Text>
                ) : null}
              </View>
              <Text style={{ fontFamily: NUMBER_FONT, fontSize: 20, fontVariant: ['tabular-nums'] }}>
                {member.item ? `${member.tally.reps}/${member.wanted}` : ''}
              </Text>
            </Pressable>
            {open === member.id ? (
              <Row>
                <Action kind="plain" label="Goes now" onPress={() => onNow(member.id)} testID={`now-${member.name}`} />
                <Action kind="plain" label="One later" onPress={() => onLater(member.id)} />
                <Action kind="plain" label="It hurts" onPress={() => onHurts(member.id)} testID={`pain-of-${member.name}`} />
                <Action kind="plain" label="Leaves" onPress={() => onOut(member.id)} testID={`out-${member.name}`} />
              </Row>
            ) : null}
          </View>
        ))}
    </View>
  );
}
