import { pathOf } from '@wrightonic/contract';
import type { CampReport, CampReports } from '@wrightonic/contract';
import { useRouter } from 'expo-router';
import { View } from 'react-native';
import { Text } from 'react-native-paper';
import { api, problemOf } from '../../data/api';
import { CampReportView } from '../../parts/CampReportView';
import { PageProblem } from '../../parts/PageProblem';
import { Action, Blank, Caution, Figure, Loading } from '../../ui/controls';
import { saveFrom } from '../../ui/files';
import { Row, Screen, Section } from '../../ui/layout';
import { SPACE, usePalette } from '../../ui/theme';
import { plainDay } from '../../ui/words';
import { CampLinks } from './CampLinks';
import { daysText } from './words';

function Report({ report }: { readonly report: CampReport }) {
  const router = useRouter();
  const { athlete, age, reps, throws } = report;
  return (
    <Section title={athlete.name} note={`${age} years · ${reps} reps, ${throws} throws`}>
      <CampReportView report={report} />
      <Row>
        <Action kind="plain" label="The athlete" onPress={() => router.push(`/athletes/${athlete.id}`)} />
      </Row>
    </Section>
  );
}

/** Handing out: families see the reports, and they stay as they are. */
function HandOut({ id, reports: { handedOutAt, reports, to } }: { readonly id: string; readonly reports: CampReports }) {
  const palette = usePalette();
  const { data: me } = api.useMeQuery();
  const [handOut, { isLoading, error }] = api.useHandOutReportsMutation();
  const handed = handedOutAt !== null;
  if (!me || me.academy.today < to || reports.length === 0) return null;
  return (
    <Section title="For the families">
      <Text variant="bodyMedium" style={{ color: palette.soft }} testID="handed-out">
        {handed
          ? `Handed out on ${plainDay(handedOutAt.slice(0, 10))}: that is how athletes and families who are signed in see them.`
          : 'Not handed out yet: nobody but coaches sees them, and they change with what is logged.'}
      </Text>
      {error ? <Caution>{problemOf(error).detail}</Caution> : null}
      <Row>
        <Action
          kind={handed ? 'plain' : 'main'}
          label={handed ? 'Make them anew' : `Hand out all ${reports.length}`}
          busy={isLoading}
          onPress={() => void handOut({ id })}
          testID="hand-out-reports"
        />
      </Row>
      {handed ? <CampLinks id={id} athletes={reports.map((r) => r.athlete)} /> : null}
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
      <HandOut id={id} reports={data} />
      {data.reports.length === 0 ? <Blank title="Nobody was there">The camp has no athletes to report on.</Blank> : null}
      {data.reports.map((report) => (
        <Report key={report.athlete.id} report={report} />
      ))}
    </Screen>
  );
}
