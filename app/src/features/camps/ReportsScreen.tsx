import { pathOf } from '@wrightonic/contract';
import type { CampReport } from '@wrightonic/contract';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import { Text } from 'react-native-paper';
import { api } from '../../data/api';
import { PageProblem } from '../../parts/PageProblem';
import { Action, Blank, Figure, Loading } from '../../ui/controls';
import { saveFrom } from '../../ui/files';
import { Row, Screen, Section } from '../../ui/layout';
import { SPACE, usePalette } from '../../ui/theme';
import { plainDay, weekDay } from '../../ui/words';
import { daysText } from './words';

/** Days of home work that are shown before one asks for all. */
const HOME_SHOWN = 3;

function Report({ report }: { readonly report: CampReport }) {
  const palette = usePalette();
  const router = useRouter();
  const [all, setAll] = useState(false);
  const { athlete, speed, focus, drills, home, homeWhy } = report;
  const days = home ?? [];
  const label = { color: palette.soft, fontWeight: '600' } as const;
  return (
    <Section title={athlete.name} note={`${report.age} years · ${report.reps} reps, ${report.throws} throws`}>
      <Text variant="bodyMedium">{speed.sentence}</Text>
      <Text variant="bodyMedium">
        <Text style={label}>Works on: </Text>
        {focus ?? 'no focus was chosen at the camp.'}
      </Text>
      <View>
        <Text style={label}>To remember</Text>
        {drills.length === 0 ? <Text variant="bodyMedium">No drill was logged at the camp.</Text> : null}
        {drills.map((d) => (
          <Text key={d.name} variant="bodyMedium">{`${d.name}: ${d.cue} (${d.good} of ${d.reps} good)`}</Text>
        ))}
      </View>
      <View style={{ gap: 2 }}>
        <Text style={label}>Four weeks at home</Text>
        {home === null ? <Text variant="bodyMedium">{homeWhy}</Text> : null}
        {(all ? days : days.slice(0, HOME_SHOWN)).map((day) => (
          <Text key={day.date} variant="bodySmall">
            {`${weekDay(day.date)}, ${day.minutes} min, ${day.throws > 0 ? `${day.throws} throws` : 'no throws'}: ${day.items.map((i) => `${i.drill} ${i.dose}`).join('; ')}`}
          </Text>
        ))}
      </View>
      <Row>
        {!all && days.length > HOME_SHOWN ? (
          <Action kind="plain" label={`All ${days.length} days`} onPress={() => setAll(true)} />
        ) : null}
        <Action kind="plain" label="The athlete" onPress={() => router.push(`/athletes/${athlete.id}`)} />
      </Row>
    </Section>
  );
}

/** What goes home with each athlete, all at once. */
export function ReportsScreen({ id }: { readonly id: string }) {
  const palette = usePalette();
  const { data, error, isLoading } = api.useCampReportsQuery({ id }, { refetchOnMountOrArgChange: true });
  if (isLoading) return <Loading label="Making the reports" />;
  if (!data) return <PageProblem error={error} />;
  const { totals } = data;
  return (
    <Screen
      width={820}
      footer={
        <Action
          label="All reports as PDF"
          disabled={data.reports.length === 0}
          onPress={() => saveFrom(`/api${pathOf('campPaper', { id })}?of=reports`)}
          testID="reports-pdf"
        />
      }
    >
      <View>
        <Text variant="headlineSmall" role="heading" aria-level={1}>
          {`Reports of ${data.camp}`}
        </Text>
        <Text variant="bodyMedium" style={{ color: palette.soft }}>
          {data.from === data.to ? plainDay(data.from) : daysText(data.from, data.to)}
        </Text>
      </View>
      <Row style={{ gap: SPACE.xl }}>
        <Figure value={String(totals.athletes)} label="athletes" />
        <Figure value={String(totals.reps)} label="reps" />
        <Figure value={String(totals.throws)} label="throws" />
        <Figure value={String(totals.readTwice)} label="read first and last" />
        <Figure value={String(totals.locked)} label="locked now" tone={totals.locked > 0 ? 'clay' : undefined} />
      </Row>
      {data.reports.length === 0 ? <Blank title="Nobody was there">The camp has no athletes to report on.</Blank> : null}
      {data.reports.map((report) => (
        <Report key={report.athlete.id} report={report} />
      ))}
    </Screen>
  );
}
