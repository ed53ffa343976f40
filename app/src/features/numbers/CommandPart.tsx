import { changeWords, commandSentence, fromMph, missText } from '@wrightonic/core';
import type { Command, SpeedUnit } from '@wrightonic/core';
import { Text } from 'react-native-paper';
import { CommandChart } from '../../ui/CommandChart';
import { Figure } from '../../ui/controls';
import { Row, Section } from '../../ui/layout';
import { SPACE, usePalette } from '../../ui/theme';
import { useUnits } from '../../ui/units';
import { percent } from '../../ui/words';

/** Command: how near throws come to what they were aimed at, where misses go, and what that costs. */
export function CommandPart({ command, speedUnit }: { readonly command: Command; readonly speedUnit: SpeedUnit }) {
  const palette = usePalette();
  const units = useUnits();
  const { strikes, miss, throws, byPitch, byEffort, bySpeed, change, goes } = command;
  return (
    <Section title="Command" note={`${throws} ${throws === 1 ? 'throw' : 'throws'} of the last year`}>
      <CommandChart command={command} />
      <Row style={{ gap: SPACE.xl }}>
        <Figure value={percent(strikes.value)} label={`strikes, ${percent(strikes.low)} to ${percent(strikes.high)}`} />
        <Figure
          value={missText(miss.value, units)}
          label={`usual miss, ${missText(miss.low, units)} to ${missText(miss.high, units)}`}
        />
      </Row>
      {goes !== null ? <Text variant="bodyMedium">{goes}</Text> : null}
      <Text variant="bodyMedium">{changeWords(change)}</Text>
      {byPitch.length > 1
        ? byPitch.map((p) => (
            <Text key={p.pitch} variant="bodySmall">
              {commandSentence(p, units, p.pitch)}
            </Text>
          ))
        : null}
      {byEffort !== null ? (
        <Text variant="bodySmall">
          {byEffort.low > 0
            ? `Ten percent more effort costs ${missText(byEffort.value, units)} (${missText(byEffort.low, units)} to ${missText(byEffort.high, units)}).`
            : byEffort.high < 0
              ? `At more effort it is nearer: ${missText(-byEffort.value, units)} for ten percent.`
              : 'More effort costs no command that can be told.'}
        </Text>
      ) : null}
      {bySpeed !== null && (bySpeed.low > 0 || bySpeed.high < 0) ? (
        <Text variant="bodySmall">
          {bySpeed.low > 0
            ? `Each ${speedUnit} more costs ${missText(bySpeed.value / fromMph(1, speedUnit), units)}.`
            : `Faster throws are nearer: ${missText(-bySpeed.value / fromMph(1, speedUnit), units)} for each ${speedUnit}.`}
        </Text>
      ) : null}
      <Text variant="bodySmall" style={{ color: palette.soft }}>
        Each dot is a throw, seen from the pitcher, the target in the middle; half of the misses lie in the ring. 90 % intervals.
      </Text>
    </Section>
  );
}
