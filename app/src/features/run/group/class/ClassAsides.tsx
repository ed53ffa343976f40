import type { Judgement } from '@wrightonic/contract';
import { findingById } from '@wrightonic/core';
import { View } from 'react-native';
import { Text } from 'react-native-paper';
import { Action, Blank, Choice } from '../../../../ui/controls';
import { Screen, Section } from '../../../../ui/layout';
import { SPACE, usePalette } from '../../../../ui/theme';
import { outcomes, questionsOf } from '../../../../parts/class';
import type { ClassWork } from '../../../../parts/class';
import type { Class } from './use-class';

/** What else can be looked for at the link that is taught. */
export function Questions({
  group,
  work,
  onDone,
}: {
  readonly group: Class;
  readonly work: ClassWork;
  readonly onDone: () => void;
}) {
  return (
    <Screen width={640} footer={<Action label="Back to the class" onPress={onDone} />}>
      <Text variant="headlineSmall" role="heading" aria-level={1}>
        What to look for
      </Text>
      <View style={{ gap: SPACE.xs }}>
        {questionsOf(work.link, group.disciplines).map((finding) => (
          <Choice
            key={finding.id}
            label={finding.eyeCheck}
            chosen={finding.id === work.finding}
            onPress={() => {
              group.ask(finding.id);
              onDone();
            }}
            testID={`ask-${finding.id}`}
          />
        ))}
      </View>
    </Screen>
  );
}

const RESULT: readonly (readonly [Judgement, string])[] = [
  ['off', 'Not yet'],
  ['close', 'Nearly'],
  ['good', 'Shown well'],
];

/** What came of it, question by question: what the next lesson begins with. No order among the children but that of the line. */
export function Result({
  group,
  work,
  onEnd,
  onBack,
}: {
  readonly group: Class;
  readonly work: ClassWork;
  readonly onEnd: () => void;
  readonly onBack: () => void;
}) {
  const palette = usePalette();
  const names = new Map(group.pupils.map((p) => [p.id, p.name]));
  const found = outcomes(work);
  return (
    <Screen
      width={640}
      footer={
        <>
          <Action label="End the class" onPress={onEnd} testID="class-end" />
          <Action kind="plain" label="Back to the class" onPress={onBack} />
        </>
      }
    >
      <Text variant="headlineSmall" role="heading" aria-level={1}>
        What was shown
      </Text>
      {found.length === 0 ? <Blank title="Nothing was marked">Nothing is kept of this class.</Blank> : null}
      {found.map(({ finding, by }) => (
        <Section key={finding} title={findingById(finding).eyeCheck}>
          {RESULT.filter(([judged]) => by[judged].length > 0).map(([judged, label]) => (
            <Text key={judged} variant="bodyMedium">
              <Text style={{ color: palette.soft }}>{`${label}: `}</Text>
              {by[judged].map((id) => names.get(id) ?? 'somebody who has left').join(', ')}
            </Text>
          ))}
        </Section>
      ))}
      {found.length > 0 ? (
        <Text variant="bodySmall" style={{ color: palette.soft }}>
          Each mark is a look of today in the athlete’s own judgement; “nearly” tells nothing there.
        </Text>
      ) : null}
    </Screen>
  );
}
