import type { CampWay, Me } from '@wrightonic/contract';
import type { IsoDate } from '@wrightonic/core';
import { Text } from 'react-native-paper';
import { api } from '../../data/api';
import { useToday } from '../../data/use-today';
import { CampReportView } from '../../parts/CampReportView';
import { CampStops } from '../../parts/CampStops';
import { ChildChoice } from '../../parts/ChildChoice';
import { PageProblem } from '../../parts/PageProblem';
import { Blank, Caution, Loading } from '../../ui/controls';
import { Screen, Section } from '../../ui/layout';
import { usePalette } from '../../ui/theme';
import { longDay } from '../../ui/words';
import { daysText } from './words';

function Camp({ way, today }: { readonly way: CampWay; readonly today: IsoDate }) {
  const palette = usePalette();
  const { name, place, from, to, days, report, locked } = way;
  return (
    <Section title={name} note={[daysText(from, to), ...(place === null ? [] : [place])].join(' · ')}>
      {days
        .filter((day) => day.date >= today)
        .map((day) => (
          <Section key={day.date} title={longDay(day.date)}>
            <CampStops stops={day.stops} />
          </Section>
        ))}
      {report && locked !== null ? (
        <Caution testID="way-locked">{`No throwing now, whatever stands below. ${locked}`}</Caution>
      ) : null}
      {report ? <CampReportView report={report} /> : null}
      {report === null && to < today ? (
        <Text variant="bodyMedium" style={{ color: palette.soft }}>
          It is over. What goes home from it has not been handed out yet.
        </Text>
      ) : null}
    </Section>
  );
}

/** Camps of an athlete, as athlete and family see them: where to be when, and what went home. */
export function MyCampsScreen({ id }: { readonly id: string }) {
  const { data: me } = api.useMeQuery();
  return me ? <Camps id={id} me={me} /> : <Loading />;
}

function Camps({ id, me }: { readonly id: string; readonly me: Me }) {
  const today = useToday(me);
  const { data, error, isLoading } = api.useAthleteCampsQuery({ athlete: id }, { refetchOnMountOrArgChange: true });
  if (isLoading) return <Loading />;
  if (!data) return <PageProblem error={error} />;
  const late = (way: CampWay) => way.to < today;
  return (
    <Screen width={680}>
      <Text variant="headlineSmall" role="heading" aria-level={1}>
        Camps
      </Text>
      <ChildChoice />
      {data.length === 0 ? <Blank title="No camps">A camp stands here once it is published and you come to it.</Blank> : null}
      {[...data.filter((way) => !late(way)), ...data.filter(late).reverse()].map((way) => (
        <Camp key={way.id} way={way} today={today} />
      ))}
    </Screen>
  );
}
