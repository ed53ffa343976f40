import type { IsoDate } from '@wrightonic/core';
import { View } from 'react-native';
import { Text } from 'react-native-paper';
import Svg, { Circle } from 'react-native-svg';
import { Section } from '../../ui/layout';
import { NUMBER_FONT, SPACE, usePalette } from '../../ui/theme';
import { weekDay } from '../../ui/words';
import { weekSentence, weeksAround } from './calendar';
import type { CalendarDay } from './calendar';

const DAY_NAMES = ['Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat', 'Sun'];
const SAYS = { done: 'done', 'to-do': 'to do', free: 'nothing planned' } as const;

function Day({ day }: { readonly day: CalendarDay }) {
  const palette = usePalette();
  return (
    <View
      role="cell"
      aria-label={`${weekDay(day.date)}: ${SAYS[day.state]}${day.today ? ', today' : ''}`}
      style={{
        flex: 1,
        minHeight: 44,
        alignItems: 'center',
        justifyContent: 'center',
        gap: 2,
        borderBottomWidth: day.today ? 3 : 1,
        borderColor: day.today ? palette.spruce : palette.line,
      }}
    >
      <Text style={{ fontFamily: NUMBER_FONT, fontSize: 16, fontVariant: ['tabular-nums'] }}>{Number(day.date.slice(8))}</Text>
      <Svg width={12} height={12} viewBox="0 0 12 12" aria-hidden>
        {day.state === 'free' ? null : (
          <Circle
            cx={6}
            cy={6}
            r={4.5}
            fill={day.state === 'done' ? palette.spruce : 'none'}
            stroke={palette.spruce}
            strokeWidth={1.8}
          />
        )}
      </Svg>
    </View>
  );
}

/** Three weeks at a glance: full is done, a ring is to do. No streaks, and nothing for what was left out. */
export function DayCalendar({
  today,
  done,
  planned,
}: {
  readonly today: IsoDate;
  readonly done: ReadonlySet<IsoDate>;
  readonly planned: ReadonlySet<IsoDate>;
}) {
  const palette = usePalette();
  const weeks = weeksAround(today, done, planned);
  return (
    <Section title="Days" note="full: done, ring: to do">
      <Text variant="bodyMedium" testID="week-sentence">
        {weekSentence(weeks)}
      </Text>
      <View role="table" aria-label="Three weeks">
        <View role="row" style={{ flexDirection: 'row' }}>
          {DAY_NAMES.map((name) => (
            <Text
              key={name}
              role="columnheader"
              variant="bodySmall"
              style={{ flex: 1, textAlign: 'center', color: palette.soft }}
            >
              {name}
            </Text>
          ))}
        </View>
        {weeks.map((week) => (
          <View key={week[0]!.date} role="row" style={{ flexDirection: 'row', gap: SPACE.xs }}>
            {week.map((day) => (
              <Day key={day.date} day={day} />
            ))}
          </View>
        ))}
      </View>
    </Section>
  );
}
