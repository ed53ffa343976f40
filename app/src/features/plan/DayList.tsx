import type { PlanSession } from '@wrightonic/core';
import { Pressable, View } from 'react-native';
import { Text } from 'react-native-paper';
import Icon from '../../ui/icons';
import { NUMBER_FONT, SPACE, TARGET, usePalette } from '../../ui/theme';
import { weekDay } from '../../ui/words';
import { sessionLine } from './days';
import type { WeekOfDays } from './days';

/** How much of its target a week holds, as a bar with the number beside it. */
export function WeekHead({ week, nth }: { readonly week: WeekOfDays; readonly nth: number }) {
  const palette = usePalette();
  const share = week.target > 0 ? Math.min(1, week.throws / week.target) : 0;
  return (
    <View style={{ gap: 4, paddingTop: SPACE.s }}>
      <View style={{ flexDirection: 'row', alignItems: 'baseline', gap: SPACE.s }}>
        <Text variant="titleMedium" role="heading" aria-level={2}>{`Week ${nth}`}</Text>
        <Text variant="bodySmall" style={{ flex: 1, color: palette.soft }}>
          {[week.light ? 'light' : '', week.games > 0 ? `games ${week.games}` : ''].filter(Boolean).join(' · ')}
        </Text>
        <Text style={{ fontFamily: NUMBER_FONT, fontSize: 16 }}>{`${week.throws} of ${week.target} throws`}</Text>
      </View>
      <View style={{ height: 6, borderWidth: 1, borderColor: palette.line, borderRadius: 3 }}>
        <View style={{ height: 4, width: `${Math.round(100 * share)}%`, backgroundColor: palette.spruce, borderRadius: 2 }} />
      </View>
    </View>
  );
}

interface ListProps {
  readonly weeks: readonly WeekOfDays[];
  readonly first: number;
  readonly open: string | null;
  readonly brokenOn: ReadonlySet<string>;
  readonly onOpen: (date: string) => void;
  readonly detail: (session: PlanSession) => React.ReactNode;
}

/** The plan on a phone: a head for each week, a line for each day with a session. */
export function DayList({ weeks, first, open, brokenOn, onOpen, detail }: ListProps) {
  const palette = usePalette();
  return (
    <View style={{ gap: SPACE.m }}>
      {weeks.map((week, n) => (
        <View key={week.from}>
          <WeekHead week={week} nth={first + n} />
          {week.days.map(({ date, session }) =>
            session ? (
              <View key={date} style={{ borderBottomWidth: 1, borderColor: palette.line }}>
                <Pressable
                  role="button"
                  aria-expanded={open === date}
                  onPress={() => onOpen(date)}
                  style={{ flexDirection: 'row', minHeight: TARGET, alignItems: 'center', gap: SPACE.s }}
                >
                  <Text style={{ width: 78, fontWeight: '600' }} variant="bodyMedium">
                    {weekDay(date)}
                  </Text>
                  <View style={{ flex: 1 }}>
                    <Text variant="bodyMedium">{sessionLine(session)}</Text>
                    <Text variant="bodySmall" style={{ color: palette.soft }}>{`${session.place}, ${session.minutes} min`}</Text>
                  </View>
                  {brokenOn.has(date) ? <Text style={{ color: palette.clay, fontWeight: '600' }}>breaks</Text> : null}
                  <Icon name={open === date ? 'chevron-up' : 'chevron-down'} color={palette.soft} />
                </Pressable>
                {open === date ? <View style={{ paddingBottom: SPACE.m }}>{detail(session)}</View> : null}
              </View>
            ) : null,
          )}
        </View>
      ))}
    </View>
  );
}
