import type { ReportSheet } from '@wrightonic/contract';
import { SheetPictures } from '../../parts/SheetPictures';
import { sheetRow, sheetWords, UNITS } from '@wrightonic/core';
import type { SheetMeasure } from '@wrightonic/core';
import { useState } from 'react';
import { View } from 'react-native';
import { Text } from 'react-native-paper';
import { Action } from '../../ui/controls';
import { Row, Section } from '../../ui/layout';
import { NUMBER_FONT, SPACE, usePalette } from '../../ui/theme';

const MARKS: Readonly<Record<SheetMeasure['way'], string>> = { better: '▲', worse: '▽', moved: '◆', same: '·' };

function Lines({ lines, none, mark }: { readonly lines: readonly string[]; readonly none: string; readonly mark: string }) {
  const palette = usePalette();
  if (lines.length === 0) return <Text style={{ color: palette.soft }}>{none}</Text>;
  return lines.map((text) => (
    <View key={text} style={{ flexDirection: 'row', gap: SPACE.s }}>
      <Text aria-hidden style={{ width: 18, color: palette.soft }}>
        {mark}
      </Text>
      <Text variant="bodyMedium" style={{ flex: 1 }}>
        {text}
      </Text>
    </View>
  ));
}

/** Two dates side by side, as it is shown to athlete and family: better, next, and worse with what may explain it. */
export function SheetView({ report }: { readonly report: ReportSheet }) {
  const palette = usePalette();
  const { sheet, next, pictures } = report;
  const units = UNITS[report.lengthUnit];
  const words = sheetWords(sheet, units);
  const [all, setAll] = useState(false);
  const changed = sheet.measures.filter((m) => m.way !== 'same');
  const number = { fontFamily: NUMBER_FONT, fontSize: 16, fontVariant: ['tabular-nums' as const] };
  return (
    <View style={{ gap: SPACE.xl }} testID="sheet">
      <Section title="Speed">
        {sheet.speed ? (
          <Text style={{ fontFamily: NUMBER_FONT, fontSize: 30, fontWeight: '600' }}>
            {`${sheet.speed.then.toFixed(1)} → ${sheet.speed.now.toFixed(1)} ${sheet.speed.unit}`}
          </Text>
        ) : null}
        <Text variant="bodyMedium">{sheet.speed ? sheet.speed.sentence : words.speed}</Text>
      </Section>
      <SheetPictures pictures={pictures} />
      <Section title="Better">
        <Lines lines={words.better} none={words.noBetter} mark={MARKS.better} />
      </Section>
      <Section title="Next">
        <Lines lines={next} none="Nothing is planned yet." mark="–" />
      </Section>
      <Section title="Worse">
        <Lines lines={words.worse} none={words.noWorse} mark={MARKS.worse} />
        {sheet.why ? (
          <Text variant="bodySmall" style={{ color: palette.soft }}>
            {sheet.why}
          </Text>
        ) : null}
      </Section>
      {sheet.measures.length > 0 ? (
        <Section title="All that was measured on both dates" note={sheet.unlike ?? ''}>
          {(all ? sheet.measures : changed).map((m) => {
            const [name, , now, change, way] = sheetRow(m, units);
            return (
              <View
                key={`${m.measure}:${m.event}`}
                style={{
                  flexDirection: 'row',
                  gap: SPACE.s,
                  alignItems: 'center',
                  borderBottomWidth: 1,
                  borderColor: palette.line,
                  paddingVertical: 6,
                }}
              >
                <Text aria-label={way} style={{ width: 18, color: m.way === 'worse' ? palette.clay : palette.spruce }}>
                  {MARKS[m.way]}
                </Text>
                <Text variant="bodyMedium" style={{ flex: 1, minWidth: 0 }}>
                  {name}
                </Text>
                <View style={{ alignItems: 'flex-end' }}>
                  <Text style={number}>{`${units.number(m.before.value, m.unit)} → ${now}`}</Text>
                  <Text variant="bodySmall" style={{ color: palette.soft, fontFamily: NUMBER_FONT }}>
                    {change}
                  </Text>
                </View>
              </View>
            );
          })}
          {changed.length === 0 && !all ? <Text style={{ color: palette.soft }}>None of them has really changed.</Text> : null}
          {!all && changed.length < sheet.measures.length ? (
            <Row>
              <Action
                kind="plain"
                label={`Show all ${sheet.measures.length}`}
                onPress={() => setAll(true)}
                testID="all-on-sheet"
              />
            </Row>
          ) : null}
          <Text variant="bodySmall" style={{ color: palette.soft }}>
            {words.footnote}
          </Text>
        </Section>
      ) : null}
    </View>
  );
}
