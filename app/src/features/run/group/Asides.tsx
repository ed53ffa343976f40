import type { NamedId } from '@wrightonic/contract';
import { Text } from 'react-native-paper';
import { AthletePicker } from '../../../parts/AthletePicker';
import { PainCheck } from '../../../parts/PainCheck';
import { Action, Choice } from '../../../ui/controls';
import { Screen } from '../../../ui/layout';
import { MOST_IN_LINE } from './line';
import type { Group, Member } from './use-group';

/** Pain told in the middle of the work. */
export function Hurts({
  member,
  group,
  onDone,
}: {
  readonly member: Member;
  readonly group: Group;
  readonly onDone: () => void;
}) {
  return (
    <Screen width={640}>
      <PainCheck
        question={`What hurts, ${member.name}?`}
        fine="Back to the line"
        onFine={onDone}
        onPain={(pain) => {
          group.actions(member).pain('during', pain);
          onDone();
        }}
      />
    </Screen>
  );
}

export function ComesLate({
  there,
  onJoin,
  onDone,
}: {
  readonly there: readonly NamedId[];
  readonly onJoin: (id: string) => void;
  readonly onDone: () => void;
}) {
  return (
    <Screen width={640} footer={<Action label="Back to the line" onPress={onDone} />}>
      <Text variant="titleLarge" role="heading" aria-level={1}>
        Who comes late?
      </Text>
      <AthletePicker
        label="Name"
        chosen={there}
        most={MOST_IN_LINE}
        onChange={(chosen) => {
          const late = chosen.find((c) => !there.some((t) => t.id === c.id));
          if (late) onJoin(late.id);
          onDone();
        }}
      />
    </Screen>
  );
}

/** The pain check after the work, for all at once: tap whoever hurts. */
export function Ending({
  members,
  onHurts,
  onEnd,
  onBack,
}: {
  readonly members: readonly Member[];
  readonly onHurts: (id: string) => void;
  readonly onEnd: () => void;
  readonly onBack: () => void;
}) {
  return (
    <Screen
      width={640}
      footer={
        <>
          <Action label="Nobody else hurts. End for all" onPress={onEnd} testID="group-end" />
          <Action kind="plain" label="Back to the line" onPress={onBack} />
        </>
      }
    >
      <Text variant="headlineSmall" role="heading" aria-level={1}>
        Does anybody hurt now?
      </Text>
      {members.map((member) => (
        <Choice
          key={member.id}
          label={`${member.name}: ${member.state.reps.length} reps${member.state.hurt ? ', pain noted' : ''}`}
          chosen={member.state.hurt}
          onPress={() => onHurts(member.id)}
        />
      ))}
    </Screen>
  );
}
