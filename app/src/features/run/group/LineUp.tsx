import { useState } from 'react';
import { Pressable, View } from 'react-native';
import { Text } from 'react-native-paper';
import { Action, Caution } from '../../../ui/controls';
import { Row } from '../../../ui/layout';
import { NUMBER_FONT, SPACE, TARGET, usePalette } from '../../../ui/theme';
import { MOST_IN_LINE } from './line';

/** One who waits. */
export interface InLine {
  readonly id: string;
  readonly name: string;
  /** Why they are passed over, or null. */
  readonly passed: string | null;
  /** What they do next, where that is not the same for all. */
  readonly does: string | null;
  /** How far they are. */
  readonly count: string;
}

interface LineUpProps {
  readonly members: readonly InLine[];
  readonly front: string | null;
  readonly onNow: (id: string) => void;
  readonly onLater: (id: string) => void;
  readonly onOut: (id: string) => void;
  /** Left out where nothing is thrown. */
  readonly onHurts?: (id: string) => void;
}

/** Who waits, in order; whoever is passed over says why. A tap on a name opens what can be done with them. */
export function LineUp({ members, front, onNow, onLater, onOut, onHurts }: LineUpProps) {
  const palette = usePalette();
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
                {member.passed || member.does ? (
                  <Text variant="bodySmall" style={{ color: member.passed ? palette.clay : palette.soft }}>
                    {member.passed ?? member.does}
                  </Text>
                ) : null}
              </View>
              <Text style={{ fontFamily: NUMBER_FONT, fontSize: 20, fontVariant: ['tabular-nums'] }}>{member.count}</Text>
            </Pressable>
            {open === member.id ? (
              <Row>
                <Action kind="plain" label="Goes now" onPress={() => onNow(member.id)} testID={`now-${member.name}`} />
                <Action kind="plain" label="One later" onPress={() => onLater(member.id)} />
                {onHurts ? (
                  <Action kind="plain" label="It hurts" onPress={() => onHurts(member.id)} testID={`pain-of-${member.name}`} />
                ) : null}
                <Action kind="plain" label="Leaves" onPress={() => onOut(member.id)} testID={`out-${member.name}`} />
              </Row>
            ) : null}
          </View>
        ))}
    </View>
  );
}

/** Who goes after the one in front. */
export function NextUp({ name }: { readonly name: string }) {
  const palette = usePalette();
  return (
    <Text variant="bodyLarge" testID="next-up">
      <Text style={{ color: palette.soft }}>Then </Text>
      {name}
    </Text>
  );
}

/** Below the line: how many this device does not know yet, and who comes late while there is room. */
export function MoreInLine({
  there,
  missing,
  onLate,
}: {
  readonly there: number;
  readonly missing: number;
  readonly onLate: () => void;
}) {
  return (
    <>
      {missing > 0 ? (
        <Caution>{`${missing} more: their work is not on this device. They come in when there is a connection.`}</Caution>
      ) : null}
      {there < MOST_IN_LINE ? <Action kind="quiet" label="Somebody comes late" onPress={onLate} testID="add-late" /> : null}
    </>
  );
}
