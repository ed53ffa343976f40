import { may, pathOf } from '@wrightonic/contract';
import type { SheetPicture } from '@wrightonic/contract';
import { dayInWords } from '@wrightonic/core';
import { useState } from 'react';
import { ScrollView, View } from 'react-native';
import { Text } from 'react-native-paper';
import { api, problemOf } from '../../data/api';
import { Action, Blank, Caution, Choice, Loading } from '../../ui/controls';
import { saveFrom } from '../../ui/files';
import { Panes, Row, Screen, Section } from '../../ui/layout';
import { SPACE, usePalette } from '../../ui/theme';
import { shortDay } from '../../ui/ChartFrame';
import { VIEW_WORDS } from '../../ui/views';
import { LinksPart } from './LinksPart';
import { SheetView } from './SheetView';

/** Days that are offered for either date. */
const DAYS_SHOWN = 12;

/** Two dates side by side, to be shown, printed and handed to the family. */
export function SheetScreen({ id }: { readonly id: string }) {
  const palette = usePalette();
  const { data: me } = api.useMeQuery();
  const { data: progress, error } = api.useProgressQuery({ athlete: id });
  const { data: clips = [] } = api.useClipsQuery({ athlete: id });
  const [chosen, setChosen] = useState<{ readonly from?: string; readonly to?: string }>({});
  const [pictured, setPictured] = useState(true);
  const measured = (progress?.measures ?? []).flatMap((m) => m.values.map((v) => v.on));
  const days = [...new Set([...measured, ...(progress?.days ?? []).map((d) => d.on)])].sort();
  const filmed = [...new Set(measured)].sort();
  // What can be compared best: the first and the last day that were measured, else those with speeds.
  const ends = filmed.length > 1 ? filmed : days;
  const from = chosen.from ?? ends[0];
  const to = chosen.to ?? ends[ends.length - 1];
  const fits = from !== undefined && to !== undefined && from < to;
  const asked = { from: from ?? '', to: to ?? '' };
  const sheet = api.useSheetQuery({ athlete: id, query: asked }, { skip: !fits });
  if (error)
    return (
      <Screen>
        <Blank title={problemOf(error).title}>{problemOf(error).detail}</Blank>
      </Screen>
    );
  if (!me || !progress) return <Loading />;
  const pictures: SheetPicture[] = [from, to].flatMap((on) => {
    const clip = clips.find((c) => c.on === on && c.poster);
    return clip?.poster ? [{ on: clip.on, of: VIEW_WORDS[clip.setup.view].name.toLowerCase(), url: clip.poster }] : [];
  });
  const offered = days.length > DAYS_SHOWN ? [...days.slice(0, 4), ...days.slice(4 - DAYS_SHOWN)] : days;
  const shown = sheet.data && { ...sheet.data, pictures: pictured ? pictures : [] };
  const chips = (label: string, value: string | undefined, on: readonly string[], pick: (day: string) => void) => (
    <View style={{ flexDirection: 'row', alignItems: 'center', gap: SPACE.s }}>
      <Text variant="labelLarge" style={{ width: 44 }}>
        {label}
      </Text>
      <ScrollView horizontal showsHorizontalScrollIndicator={false}>
        <Row style={{ flexWrap: 'nowrap' }}>
          {on.map((day) => (
            <Choice
              key={day}
              label={shortDay(day)}
              chosen={day === value}
              onPress={() => pick(day)}
              testID={`${label.toLowerCase()}-${day}`}
            />
          ))}
        </Row>
      </ScrollView>
    </View>
  );
  return (
    <Screen>
      <View>
        <Text variant="headlineSmall" role="heading" aria-level={1}>
          Then and now
        </Text>
        <Text variant="bodySmall" style={{ color: palette.soft }}>
          {shown ? `${shown.athlete}, ${dayInWords(asked.from)} and ${dayInWords(asked.to)}` : ''}
        </Text>
      </View>
      {days.length < 2 ? (
        <Blank title="There is only one day to look at yet">
          Film or read speeds on a second day; then the two stand side by side.
        </Blank>
      ) : (
        <View style={{ gap: SPACE.xl }}>
          <View style={{ gap: SPACE.s }}>
            {chips('Then', from, offered, (day) => setChosen({ ...chosen, from: day }))}
            {chips('Now', to, [...offered].reverse(), (day) => setChosen({ ...chosen, to: day }))}
          </View>
          <Panes weights={[3, 2]}>
            <View>
              {fits ? null : <Caution>The first day has to come before the second.</Caution>}
              {sheet.error ? <Caution>{problemOf(sheet.error).detail}</Caution> : null}
              {shown ? <SheetView report={shown} /> : fits && !sheet.error ? <Loading /> : null}
            </View>
            <View style={{ gap: SPACE.xl }}>
              <Section title="On paper">
                <Row>
                  <Action
                    kind="quiet"
                    label="This sheet as PDF"
                    disabled={!fits}
                    onPress={() => saveFrom(`/api${pathOf('sheetPdf', { athlete: id })}?from=${asked.from}&to=${asked.to}`)}
                    testID="sheet-pdf"
                  />
                  <Action
                    kind="plain"
                    label="The athlete’s sheet"
                    onPress={() => saveFrom(`/api${pathOf('paper', { athlete: id })}?paper=athlete`)}
                  />
                  <Action
                    kind="plain"
                    label="The plan as a booklet"
                    onPress={() => saveFrom(`/api${pathOf('paper', { athlete: id })}?paper=plan`)}
                  />
                </Row>
              </Section>
              {may(me.role, 'share') && fits ? (
                <LinksPart athlete={id} sheet={{ ...asked, pictures: pictured ? pictures : [] }} />
              ) : null}
              {pictures.length > 0 ? (
                <Row>
                  <Choice
                    label="With the pictures of the clips"
                    chosen={pictured}
                    onPress={() => setPictured(!pictured)}
                    testID="with-pictures"
                  />
                </Row>
              ) : null}
            </View>
          </Panes>
        </View>
      )}
    </Screen>
  );
}
