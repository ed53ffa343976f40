import { Choice } from '../ui/controls';
import { Row } from '../ui/layout';
import type { Answer, Look } from './use-answers';

const ANSWERS: readonly (readonly [Answer, string])[] = [
  ['yes', 'Yes'],
  ['no', 'No'],
  ['unsure', 'Can’t tell'],
];

/** One tap for what the eye saw. */
export function AnswerRow({ look, onAnswer }: { readonly look: Look; readonly onAnswer: (look: Look, given: Answer) => void }) {
  return (
    <Row>
      {ANSWERS.map(([value, label]) => (
        <Choice
          key={value}
          wide
          label={label}
          chosen={look.answer === value}
          onPress={() => onAnswer(look, value)}
          testID={`${look.finding.id}-${value}`}
        />
      ))}
    </Row>
  );
}
