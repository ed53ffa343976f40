import { addDays, minutesOf } from '@wrightonic/core';
import type { Me } from '@wrightonic/contract';
import { useRouter } from 'expo-router';
import { Text } from 'react-native-paper';
import { api } from '../../data/api';
import { useToday } from '../../data/use-today';
import { CampStops } from '../../parts/CampStops';
import { useClock } from '../../parts/use-camp-now';
import { LinkRow } from '../../ui/controls';
import { Section } from '../../ui/layout';
import { usePalette } from '../../ui/theme';
import { weekDay } from '../../ui/words';

/** Days before a camp, and after its report, for which the first screen tells of it. */
const DAYS_BEFORE = 14;
const DAYS_AFTER = 30;

/** The camp of today: where to be now and next; before it when it begins, and after it the report. */
export function CampToday({ id, me }: { readonly id: string; readonly me: Me }) {
  const palette = usePalette();
  const router = useRouter();
  const today = useToday(me);
  const clock = useClock(me.academy.timeZone);
  const { data = [] } = api.useAthleteCampsQuery({ athlete: id }, { refetchOnMountOrArgChange: true });
  const told = data.filter(
    (way) =>
      (way.to >= today && way.from <= addDays(today, DAYS_BEFORE)) ||
      (way.report !== null && way.to >= addDays(today, -DAYS_AFTER)),
  );
  const whenOf = ({ from, to, report }: (typeof told)[number]): string => {
    if (report) return 'What goes home from it is here';
    return to < today ? 'It is over' : from > today ? `Begins ${weekDay(from)}` : `Until ${weekDay(to)}`;
  };
  return told.map((way) => {
    const stops = way.days.find((day) => day.date === today)?.stops;
    const next = (stops ?? []).findIndex((stop) => minutesOf(stop.to) > minutesOf(clock));
    return (
      <Section key={way.id} title={way.name} note={way.place ?? undefined}>
        {stops && next >= 0 ? <CampStops stops={stops.slice(next, next + 3)} /> : null}
        <LinkRow onPress={() => router.push('/my-camps')} testID={`my-camp-${way.name}`}>
          <Text variant="bodyMedium">{stops && next >= 0 ? 'The whole day' : whenOf(way)}</Text>
          {stops && next < 0 ? (
            <Text variant="bodySmall" style={{ color: palette.soft }}>
              That was all for today.
            </Text>
          ) : null}
        </LinkRow>
      </Section>
    );
  });
}
