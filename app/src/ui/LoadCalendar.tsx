import type { CalendarDay, CalendarWeek } from '@wrightonic/core';
import Svg, { G, Line, Rect, Text as SvgText } from 'react-native-svg';
import { ChartFrame, shortDay } from './ChartFrame';
import { NUMBER_FONT, usePalette } from './theme';

const ROW = 28;
const HEAD = 20;
const LEFT = 52;
const TOTAL = 44;
const WEEKDAYS = ['Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat', 'Sun'] as const;

/** What a day held or what is closed, in words; empty for an open day without anything. */
function dayWords({ throws, pitches, hard, pain, rest, locked, game }: CalendarDay): string {
  return [
    pitches > 0 ? `${pitches} in a game` : '',
    throws > pitches ? `${throws - pitches} throws` : '',
    hard && pitches === 0 ? 'hard' : '',
    pain > 0 ? `pain ${pain}` : '',
    game ? 'game to come' : '',
    locked ? 'locked' : rest ? 'no game: rest' : '',
  ]
    .filter(Boolean)
    .join(', ');
}

/** Days by weeks, the throws written in each: games filled, hard days framed, locks crossed out, rest dotted, pain marked. */
export function LoadCalendar({ weeks, today }: { readonly weeks: readonly CalendarWeek[]; readonly today: string }) {
  const palette = usePalette();
  const height = HEAD + ROW * weeks.length;
  const rows = weeks.flatMap((w) =>
    w.days.flatMap((day) => {
      const words = dayWords(day);
      return words === '' ? [] : [[shortDay(day.date), words]];
    }),
  );
  const [lockedNow] = weeks.flatMap((w) => w.days).filter((d) => d.date === today && d.locked);
  const games = weeks.flatMap((w) => w.days).filter((d) => d.pitches > 0).length;
  const thrown = weeks.flatMap((w) => w.days).filter((d) => d.throws > 0).length;
  const sentence = `${thrown} ${thrown === 1 ? 'day' : 'days'} with throws in these weeks, ${games === 0 ? 'none of them a game' : games === 1 ? 'one of them a game' : `${games} of them games`}${lockedNow ? '; throwing is locked' : ''}`;
  return (
    <ChartFrame sentence={sentence} columns={['Day', 'What it held']} rows={rows} height={height}>
      {(width) => {
        const cell = (width - LEFT - TOTAL) / 7;
        const text = { fontFamily: NUMBER_FONT, textAnchor: 'middle' } as const;
        return (
          <Svg width={width} height={height}>
            {WEEKDAYS.map((name, i) => (
              <SvgText key={name} x={LEFT + (i + 0.5) * cell} y={13} fontSize={12} fill={palette.soft} {...text}>
                {name}
              </SvgText>
            ))}
            <SvgText x={width - TOTAL / 2} y={13} fontSize={12} fill={palette.soft} {...text}>
              Week
            </SvgText>
            {weeks.map((week, r) => {
              const y = HEAD + r * ROW;
              return (
                <G key={week.from}>
                  <SvgText x={0} y={y + 18} fontSize={12} fontFamily={NUMBER_FONT} fill={palette.soft}>
                    {shortDay(week.from)}
                  </SvgText>
                  {week.days.map((day, c) => {
                    const x = LEFT + c * cell;
                    const [w, h] = [cell - 3, ROW - 4];
                    const filled = day.pitches > 0;
                    const fill = filled ? palette.ink : day.throws > 0 ? palette.spruceWash : palette.sheet;
                    return (
                      <G key={day.date}>
                        <Rect
                          x={x}
                          y={y}
                          width={w}
                          height={h}
                          fill={fill}
                          stroke={day.date === today ? palette.brass : day.hard || day.game ? palette.ink : palette.line}
                          strokeWidth={day.date === today ? 2.4 : day.hard || day.game ? 1.8 : 0.8}
                          {...(day.rest && !day.locked ? { strokeDasharray: '3 3' } : {})}
                        />
                        {day.locked ? (
                          <Line x1={x + 3} x2={x + w - 3} y1={y + h - 3} y2={y + 3} stroke={palette.clay} strokeWidth={1.6} />
                        ) : null}
                        {day.throws > 0 || day.game ? (
                          <SvgText
                            x={x + w / 2}
                            y={y + h / 2 + 4.5}
                            fontSize={13}
                            fontWeight="600"
                            fill={filled ? palette.paper : palette.ink}
                            {...text}
                          >
                            {day.game ? 'game' : day.throws}
                          </SvgText>
                        ) : null}
                        {day.pain > 0 ? <Rect x={x + w - 8} y={y + 1} width={7} height={7} fill={palette.clay} /> : null}
                      </G>
                    );
                  })}
                  <SvgText x={width - TOTAL / 2} y={y + 18} fontSize={13} fontWeight="600" fill={palette.ink} {...text}>
                    {week.throws}
                  </SvgText>
                </G>
              );
            })}
          </Svg>
        );
      }}
    </ChartFrame>
  );
}
