import { GATE_DEFAULTS } from '@wrightonic/core';
import { View } from 'react-native';
import { Text } from 'react-native-paper';
import { api, problemOf } from '../../data/api';
import { LevelChart } from '../../ui/LevelChart';
import { LoadChart } from '../../ui/LoadChart';
import { RepsChart } from '../../ui/RepsChart';
import { shortDay } from '../../ui/ChartFrame';
import { Blank, Caution, Figure, Loading } from '../../ui/controls';
import { Panes, Row, Screen, Section } from '../../ui/layout';
import { SPACE, usePalette } from '../../ui/theme';
import { percent, weekDay } from '../../ui/words';
import { useVocabulary } from '../../ui/vocabulary';

/** The line is the level at full effort: a day of easy throws has no place beside it. */
const FULL_THROWS_FOR_A_DOT = 3;

/** End of the month: is it real, did the gate move, how much was thrown. */
export function NumbersScreen({ id }: { readonly id: string }) {
  const say = useVocabulary();
  const palette = usePalette();
  const { data: me } = api.useMeQuery();
  const { data, error, isLoading } = api.useProgressQuery({ athlete: id }, { refetchOnMountOrArgChange: true });
  if (isLoading || !me) return <Loading />;
  if (!data)
    return (
      <Screen>
        <Caution>{problemOf(error).detail}</Caution>
      </Screen>
    );
  const { trend, days, focus, week, ownBest } = data;
  const unit = me.academy.speedUnit;
  const newest = days[days.length - 1];
  const signed = (n: number) => `${n >= 0 ? '+' : '−'}${Math.abs(n).toFixed(1)}`;
  return (
    <Screen>
      <Text variant="headlineSmall" role="heading" aria-level={1}>
        Numbers
      </Text>
      <Panes weights={[3, 2]}>
        <View style={{ gap: SPACE.xl }}>
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
                <Figure
                  value={signed(trend.gain.mean)}
                  label={`${unit}, ${signed(trend.gain.low)} to ${signed(trend.gain.high)}`}
                />
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
            {trend.guns.length > 1 ? (
              <Text variant="bodySmall">{`Guns: ${trend.guns.map((g) => `${g.gun} ${signed(g.offset)} (${signed(g.low)} to ${signed(g.high)})`).join(', ')}.`}</Text>
            ) : null}
            {trend.warnings.map((w) => (
              <Text key={w} variant="bodySmall" style={{ color: palette.clay }}>
                {w}
              </Text>
            ))}
          </Section>
        </View>
        <View style={{ gap: SPACE.xl }}>
          {focus.length === 0 ? (
            <Section title="Focus">
              <Text style={{ color: palette.soft }}>No focus is being worked on.</Text>
            </Section>
          ) : null}
          {focus.map((f) => (
            <Section key={f.focus.id} title={say.title(f.focus.finding)} note={`rung ${f.focus.rung}`}>
              {f.sessions.length > 0 ? (
                <RepsChart days={f.sessions} gate={GATE_DEFAULTS.advanceRate} sentence={f.gate.reason} />
              ) : (
                <Text variant="bodyMedium">{f.gate.reason}</Text>
              )}
              {f.moves.slice(0, 4).map((m) => (
                <Text key={m.id} variant="bodySmall" style={{ color: palette.soft }}>
                  {`${shortDay(m.on)}: ${m.from === m.to ? `stays on ${m.to}` : `${m.from} → ${m.to}`}${m.by === 'coach' ? ', by the coach' : ''}`}
                </Text>
              ))}
            </Section>
          ))}
          <Section title="Load">
            <LoadChart weeks={week} sentence={`${week[week.length - 1]!.throws} throws in the last seven days`} />
          </Section>
        </View>
      </Panes>
    </Screen>
  );
}
