import type { Progress } from '@wrightonic/contract';
import type { FindingId } from '@wrightonic/core';
import { useState } from 'react';
import { View } from 'react-native';
import { Text } from 'react-native-paper';
import { MeasureChart } from '../../ui/MeasureChart';
import { Action, Blank } from '../../ui/controls';
import { Section } from '../../ui/layout';
import { SPACE, usePalette } from '../../ui/theme';

/** Measures of no focus that are shown before they are asked for. */
const SHOWN_AT_ONCE = 2;

/** The measures of the full delivery over time: those of the foci first, with where the work began. */
export function MeasuresPart({ data }: { readonly data: Progress }) {
  const palette = usePalette();
  const [all, setAll] = useState(false);
  const { measures = [], focus } = data;
  const sinceOf = (of: readonly FindingId[]) => focus.find((f) => of.includes(f.focus.finding))?.focus.startedOn;
  const ofFoci = measures.filter((m) => sinceOf(m.of) !== undefined).length;
  const shown = all ? measures : measures.slice(0, Math.max(ofFoci, SHOWN_AT_ONCE));
  return (
    <Section title="Measures" note={measures.length > 0 ? 'of the full delivery, each day with its error' : ''}>
      {measures.length === 0 ? (
        <Blank title="Nothing has been measured on film yet">Film the full delivery, and note how hard it was thrown.</Blank>
      ) : null}
      {shown.map((history) => {
        const since = sinceOf(history.of);
        return (
          <View key={`${history.measure}:${history.event}`} testID={`measure-${history.measure}`}>
            <MeasureChart history={history} {...(since === undefined ? {} : { since })} />
          </View>
        );
      })}
      {shown.length > 0 ? (
        <Text variant="bodySmall" style={{ color: palette.soft }}>
          The bar is the error, 90 %; a filled dot was thrown at game effort, the shade is the band, the dashed line where the
          work began.
        </Text>
      ) : null}
      {measures.length > shown.length ? (
        <View style={{ flexDirection: 'row', marginTop: SPACE.xs }}>
          <Action
            kind="plain"
            label={`Show all ${measures.length} measures`}
            onPress={() => setAll(true)}
            testID="all-measures"
          />
        </View>
      ) : null}
    </Section>
  );
}
