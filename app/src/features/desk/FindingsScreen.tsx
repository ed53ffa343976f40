import { may } from '@wrightonic/contract';
import type { Me } from '@wrightonic/contract';
import { ARROWS, findingById, FINDINGS, settableNumbers } from '@wrightonic/core';
import type { FindingId, SettableNumber } from '@wrightonic/core';
import { useState } from 'react';
import { ScrollView, useWindowDimensions, View } from 'react-native';
import { Text } from 'react-native-paper';
import { api } from '../../data/api';
import { Action } from '../../ui/controls';
import { Row, Screen, useWide } from '../../ui/layout';
import { SPACE, usePalette } from '../../ui/theme';
import { Detail } from './FindingDetail';
import { FindingList } from './FindingList';
import { SaveNumbers } from './SaveNumbers';
import { isOwn } from './own-numbers';

/** What stands above and below the two panes of a wide screen, px. */
const AROUND_PANES = 260;

const bySetting = new Map(settableNumbers().map((n) => [`${n.group}:${n.key}`, n]));

export const settingFor = (group: SettableNumber['group'], key: string): SettableNumber => bySetting.get(`${group}:${key}`)!;

function Page({ me }: { readonly me: Me }) {
  const palette = usePalette();
  const wide = useWide();
  const { height } = useWindowDimensions();
  const [numbers, setNumbers] = useState(me.academy.numbers);
  const [chosen, setChosen] = useState<FindingId | null>(null);
  const mayChange = may(me.role, 'changeSettings');
  const own = settableNumbers().filter((n) => (n.group === 'model' || n.group === 'signs') && isOwn(numbers, n)).length;
  const list = <FindingList numbers={numbers} chosen={chosen} onChoose={setChosen} />;
  const detail = chosen ? (
    <Detail key={chosen} finding={findingById(chosen)} numbers={numbers} onChange={setNumbers} readOnly={!mayChange} />
  ) : (
    <Text style={{ color: palette.soft }}>Choose a finding to see how it shows, what causes it, and the numbers behind it.</Text>
  );
  return (
    <Screen footer={mayChange ? <SaveNumbers me={me} numbers={numbers} /> : undefined}>
      <View style={{ gap: SPACE.s }}>
        <Text variant="headlineSmall" role="heading" aria-level={1}>
          Findings and causes
        </Text>
        <Text variant="bodyMedium">
          {`${FINDINGS.length} findings, ${ARROWS.length} arrows between them. ${own === 0 ? 'All numbers are as they came.' : `${own} ${own === 1 ? 'number is' : 'numbers are'} your own, marked ◆.`} A change counts at once in every diagnosis.${mayChange ? '' : ' Only an owner changes them.'}`}
        </Text>
      </View>
      {wide ? (
        <View style={{ flexDirection: 'row', gap: SPACE.xxl, alignItems: 'flex-start' }}>
          <ScrollView style={{ flex: 2, minWidth: 0, height: Math.max(320, height - AROUND_PANES) }}>{list}</ScrollView>
          <ScrollView key={chosen} style={{ flex: 3, minWidth: 0, height: Math.max(320, height - AROUND_PANES) }}>
            {detail}
          </ScrollView>
        </View>
      ) : chosen ? (
        <>
          <Row>
            <Action kind="plain" label="All findings" onPress={() => setChosen(null)} testID="all-findings" />
          </Row>
          {detail}
        </>
      ) : (
        list
      )}
    </Screen>
  );
}

/** The catalogue: every finding, how it shows, what causes it, and each number with the way back to the standard. */
export function FindingsScreen() {
  const { data: me } = api.useMeQuery();
  return me ? <Page key={me.id} me={me} /> : null;
}
