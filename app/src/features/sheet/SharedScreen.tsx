import { pathOf } from '@wrightonic/contract';
import { dayInWords, daysInWords } from '@wrightonic/core';
import { useState } from 'react';
import { View } from 'react-native';
import { Text } from 'react-native-paper';
import { api, problemOf } from '../../data/api';
import { secretOfPage } from '../../data/secret';
import { CampReportView } from '../../parts/CampReportView';
import { Action, Blank, Caution, Loading } from '../../ui/controls';
import { saveBlob } from '../../ui/files';
import { Row, Screen } from '../../ui/layout';
import { usePalette } from '../../ui/theme';
import { SheetView } from './SheetView';

/** What a family sees that was sent a link: the one sheet or report, and no way further. */
export function SharedScreen() {
  const palette = usePalette();
  const [token] = useState(secretOfPage);
  const { data, error } = api.useLookAtSharedQuery({ body: { token } });
  const [problem, setProblem] = useState<string | null>(null);
  const save = async () => {
    setProblem(null);
    try {
      const answer = await fetch(`/api${pathOf('sharedPdf')}`, {
        method: 'POST',
        headers: { 'Content-Type': 'application/json' },
        body: JSON.stringify({ token }),
      });
      if (answer.ok) saveBlob(data?.kind === 'camp' ? 'camp-report.pdf' : 'then-and-now.pdf', await answer.blob());
      else setProblem('This link no longer works. Ask whoever sent it for a new one.');
    } catch {
      setProblem('The server cannot be reached. Try again with a connection.');
    }
  };
  if (error)
    return (
      <Screen width={560}>
        <Blank title={problemOf(error).title}>{problemOf(error).detail}</Blank>
      </Screen>
    );
  if (!data) return <Loading />;
  return (
    <Screen width={640}>
      {data.kind === 'sheet' ? (
        <>
          <Whose
            title="Then and now"
            whose={`${data.sheet.athlete}, ${dayInWords(data.sheet.sheet.from)} and ${dayInWords(data.sheet.sheet.to)}. From ${data.sheet.academy}.`}
          />
          <SheetView report={data.sheet} />
        </>
      ) : (
        <>
          <Whose
            title={data.camp}
            whose={`${data.report.athlete.name}, ${daysInWords(data.from, data.to)}. From ${data.academy}.`}
          />
          {data.locked === null ? null : (
            <Caution testID="shared-locked">{`No throwing now, whatever stands below. ${data.locked}`}</Caution>
          )}
          <CampReportView report={data.report} />
        </>
      )}
      <Row>
        <Action kind="quiet" label="Save as PDF" onPress={() => void save()} testID="shared-pdf" />
      </Row>
      {problem ? <Caution>{problem}</Caution> : null}
      <Text variant="bodySmall" style={{ color: palette.soft }}>
        Wrightonic never diagnoses injury. League rules and licensed clinicians come first.
      </Text>
    </Screen>
  );
}

function Whose({ title, whose }: { readonly title: string; readonly whose: string }) {
  const palette = usePalette();
  return (
    <View>
      <Text variant="headlineSmall" role="heading" aria-level={1}>
        {title}
      </Text>
      <Text variant="bodyMedium" style={{ color: palette.soft }} testID="shared-whose">
        {whose}
      </Text>
    </View>
  );
}
