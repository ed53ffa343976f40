import type { BodyPicture, Me } from '@wrightonic/contract';
import { asymmetryOf, bandFor, bodyTestById, movedBy, peakPower, slouchLoss, valueOf } from '@wrightonic/core';
import type { AthleteProfile, TestSide, TestStep } from '@wrightonic/core';
import { View } from 'react-native';
import { Text } from 'react-native-paper';
import { GRADE_WORDS, GradeMark } from '../../ui/GradeMark';
import { Caution, Choice } from '../../ui/controls';
import { Row } from '../../ui/layout';
import { SPACE, usePalette } from '../../ui/theme';
import { useUnits } from '../../ui/units';
import { useVocabulary } from '../../ui/vocabulary';
import { sideText } from '../../ui/words';
import { isAt } from './check-state';
import type { CheckState } from './check-state';

/** What a step has come to so far, in lines: value, sides, posture, what a hold changed, what it limits. */
export function Findings({
  step,
  state,
  athlete,
  me,
  picture,
  onTakeBack,
}: {
  readonly step: TestStep;
  readonly state: CheckState;
  readonly athlete: AthleteProfile;
  readonly me: Me;
  readonly picture: BodyPicture | undefined;
  readonly onTakeBack: (id: string) => void;
}) {
  const say = useVocabulary();
  const units = useUnits();
  const palette = usePalette();
  const test = bodyTestById(step.test);
  const band = bandFor(test, athlete, state.on, me.academy.numbers.tests);
  const valuesOf = (side: TestSide, moment: 'first' | 'after' = 'first', of = step.test) =>
    state.readings.filter((r) => r.test === of && r.side === side && r.moment === moment).map((r) => r.value);
  const first = valuesOf(step.side);
  const here = state.readings.filter(isAt(step));
  const pain = state.notes.find((n) => isAt(step)(n) && n.pain !== null)?.pain;
  if (pain) return <Caution>{`Ended: it hurt (${pain.site}, ${pain.score}). No more of this side today.`}</Caution>;
  if (first.length === 0) return null;
  const value = valueOf(test, first, band);
  const sides = new Map(
    test.sides.flatMap((side) => (valuesOf(side).length > 0 ? [[side, valueOf(test, valuesOf(side), band).value] as const] : [])),
  );
  const uneven = asymmetryOf(test, sides);
  const moved = movedBy(test, first, valuesOf(step.side, 'after'));
  const tall = valuesOf(step.side, 'first', 'trunk-rotation');
  const slouch =
    step.test === 'trunk-rotation-slouched' && tall.length > 0
      ? slouchLoss(valueOf(bodyTestById('trunk-rotation'), tall, band).value, value.value)
      : null;
  const finding = test.speaksOf[step.side];
  const limits = picture?.insight.limits.find((l) => l.finding === finding);
  const power = step.test === 'vertical-jump' ? peakPower(value.value, athlete.massKg) : null;
  return (
    <View style={{ gap: SPACE.xs }} testID="step-value">
      <Row>
        <GradeMark grade={value.grade} size={20} />
        <Text variant="titleMedium">{`${units.text(value.value, test.unit)} ± ${units.amount(value.sd, test.unit, 1)}: ${GRADE_WORDS[value.grade]}`}</Text>
      </Row>
      <Row>
        {here.map((r) => (
          <Choice
            key={r.id}
            label={`${units.text(r.value, test.unit)}${r.moment === 'after' ? ' after' : ''} ×`}
            chosen={false}
            onPress={() => onTakeBack(r.id)}
          />
        ))}
      </Row>
      {value.again ? (
        <Text variant="bodySmall">{`${units.text(value.spread, test.unit)} apart: one more reading would settle it.`}</Text>
      ) : null}
      {uneven ? (
        <Text variant="bodySmall">{`The sides differ by ${units.text(Math.abs(uneven.difference), test.unit)}; less on the ${sideText(uneven.weaker)}.`}</Text>
      ) : null}
      {slouch ? (
        <Text variant="bodySmall">
          {slouch.finding
            ? `Slouching takes ${slouch.lost}° away: posture is a finding of its own.`
            : `Slouching takes ${slouch.lost}° away.`}
        </Text>
      ) : null}
      {moved ? (
        <Text variant="bodySmall" testID="moved">
          {`After the hold ${moved.change >= 0 ? '+' : '−'}${Math.abs(moved.change)} ± ${moved.sd}: ${moved.real ? 'it changes' : 'no more than two readings differ by chance'}.`}
        </Text>
      ) : null}
      {power ? (
        <Text variant="bodySmall">{`About ${power.watts} W at take-off, ${power.perKg} W per kg: a jump is judged with the mass it lifts.`}</Text>
      ) : null}
      {limits && value.grade !== 'pass' ? (
        <Text variant="bodySmall" style={{ color: palette.soft }} testID="limits">
          {limits.eases.length > 0
            ? `What it holds back in this delivery: ${limits.eases
                .slice(0, 3)
                .map((e) => `${say.title(e.finding).toLowerCase()} (${Math.round(100 * e.probability)} %)`)
                .join('; ')}.`
            : 'Nothing seen so far hangs on it.'}
        </Text>
      ) : null}
    </View>
  );
}
