import type { OtherSpeeds, Progress } from '@wrightonic/contract';
import { View } from 'react-native';
import { Text } from 'react-native-paper';
import { LevelChart } from '../../ui/LevelChart';
import { Blank, Figure } from '../../ui/controls';
import { Row, Section } from '../../ui/layout';
import { SPACE, usePalette } from '../../ui/theme';
import { percent, weekDay } from '../../ui/words';

/** The line is the level at full effort: a day of easy throws has no place beside it. */
const FULL_THROWS_FOR_A_DOT = 3;

const signed = (n: number) => `${n >= 0 ? '+' : '−'}${Math.abs(n).toFixed(1)}`;

/** Other pitches, balls and distances: each for itself. */
function OtherThrows({ others, unit }: { readonly others: readonly OtherSpeeds[]; readonly unit: string }) {
  if (others.length === 0) return null;
  return (
    <View style={{ gap: 4 }} testID="other-speeds">
      <Text variant="bodyMedium" style={{ fontWeight: '600' }}>
        Other throws
      </Text>
      {others.map(({ label, throws, days, last, top, median, gain }) => (
        <Text key={label} variant="bodySmall">
          {`${label[0]!.toUpperCase()}${label.slice(1)}: ${median.toFixed(1)} ${unit} in the middle, top ${top.toFixed(1)}, ${throws} on ${days} ${days === 1 ? 'day' : 'days'}, the last ${weekDay(last)}.${gain ? ` ${signed(gain.mean)} (${signed(gain.low)} to ${signed(gain.high)}) in ${gain.weeks} weeks.` : ''}`}
        </Text>
      ))}
    </View>
  );
}

/** Speed: is it real, and what the newest day says. */
export function SpeedPart({ data, unit }: { readonly data: Progress; readonly unit: string }) {
  const palette = usePalette();
  const { trend, days, ownBest } = data;
  const newest = days[days.length - 1];
  return (
    <Section title="Speed">
      {trend.series.length > 1 ? (
        <LevelChart
          points={trend.series}
          unit={unit}
          sentence={trend.sentence}
          dots={days
            .filter((d) => d.summary.fullEffort >= FULL_THROWS_FOR_A_DOT)
            .map((d) => ({ date: d.on, value: d.summary.bestThree }))}
          height={210}
        />
      ) : (
        <Blank title={trend.sentence}>Log speeds in a session; two days make a trend.</Blank>
      )}
      {trend.gain ? (
        <Row style={{ gap: SPACE.xl }}>
          <Figure value={signed(trend.gain.mean)} label={`${unit}, ${signed(trend.gain.low)} to ${signed(trend.gain.high)}`} />
          <Figure value={signed(trend.expectedGrowth)} label="expected from growth" />
          <Figure
            value={trend.beyondGrowth ? percent(Math.min(0.99, trend.beyondGrowth.probability)) : '–'}
            label="sure of more than growth"
          />
        </Row>
      ) : null}
      {newest ? (
        <View style={{ gap: 4 }}>
          <Text variant="bodyMedium" style={{ fontWeight: '600' }}>{`Newest day, ${weekDay(newest.on)}`}</Text>
          <Row style={{ gap: SPACE.xl }}>
            <Figure value={newest.summary.top.toFixed(1)} label="top" />
            <Figure value={newest.summary.bestThree.toFixed(1)} label="best three" />
            <Figure value={newest.summary.median.toFixed(1)} label={`middle of ${newest.summary.n}`} />
            {newest.summary.fade !== null ? (
              <Figure value={signed(newest.summary.fade)} label="last third against first" />
            ) : null}
            {ownBest !== null ? <Figure value={percent(ownBest)} label="of full throws near the best" /> : null}
          </Row>
          {newest.summary.spike?.outlying ? (
            <Text variant="bodySmall">{`One throw stands ${percent(newest.summary.spike.gap)} above the rest: the speed is there, the sequence is not steady yet.`}</Text>
          ) : null}
          {trend.effort.flatAbove80 ? <Text variant="bodySmall">Full effort buys no speed over four fifths.</Text> : null}
          {trend.effort.pctPerPct !== null && trend.effort.flatAbove80 === false ? (
            <Text variant="bodySmall">{`Each percent of effort is worth about ${trend.effort.pctPerPct.toFixed(1)} % of speed.`}</Text>
          ) : null}
        </View>
      ) : null}
      <OtherThrows others={data.otherSpeeds ?? []} unit={unit} />
      {trend.guns.length > 1 ? (
        <Text variant="bodySmall">{`Guns: ${trend.guns.map((g) => `${g.gun} ${signed(g.offset)} (${signed(g.low)} to ${signed(g.high)})`).join(', ')}.`}</Text>
      ) : null}
      {trend.warnings.map((w) => (
        <Text key={w} variant="bodySmall" style={{ color: palette.clay }}>
          {w}
        </Text>
      ))}
    </Section>
  );
}
