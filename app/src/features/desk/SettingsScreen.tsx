import { STARTING_WORDS } from '@wrightonic/contract';
import type { AcademySettings, LeagueAge, Me } from '@wrightonic/contract';
import { athletePhrases, says, spared } from '@wrightonic/core';
import { useMemo, useState } from 'react';
import { View } from 'react-native';
import { Text } from 'react-native-paper';
import { api, problemOf } from '../../data/api';
import { Action, Caution, Choice } from '../../ui/controls';
import { Panes, Row, Screen, Section } from '../../ui/layout';
import { readWhole } from '../../ui/read-number';
import { SchoolChoices } from '../../ui/SchoolChoices';
import { SPACE, usePalette } from '../../ui/theme';
import { Field } from '../../ui/Field';

export const settingsOf = ({ academy }: Me): AcademySettings => {
  const { name: _, today: __, ...settings } = academy;
  return settings;
};

function LeagueAges({
  ages,
  onChange,
}: {
  readonly ages: readonly LeagueAge[];
  readonly onChange: (ages: readonly LeagueAge[]) => void;
}) {
  const set = (i: number, change: (age: LeagueAge) => LeagueAge) => onChange(ages.map((a, j) => (i === j ? change(a) : a)));
  const field = (i: number, key: 'daily' | 'perGame' | 'weekly', label: string) => (
    <Field
      dense
      label={label}
      value={ages[i]!.rule[key] === undefined ? '' : String(ages[i]!.rule[key])}
      inputMode="numeric"
      style={{ flex: 1, minWidth: 80 }}
      onChangeText={(text) =>
        set(i, ({ from, rule }) => {
          const { [key]: _, ...rest } = rule;
          const value = readWhole(text);
          return { from, rule: value == null ? rest : { ...rest, [key]: value } };
        })
      }
    />
  );
  const nextAge = Math.min(30, Math.max(8, ...ages.map((a) => a.from + 2)));
  return (
    <View style={{ gap: SPACE.s }}>
      {ages.map((age, i) => (
        <Row key={i} style={{ flexWrap: 'nowrap' }}>
          <Field
            dense
            label="From age"
            value={String(age.from)}
            inputMode="numeric"
            style={{ width: 78 }}
            onChangeText={(text) => set(i, (a) => ({ ...a, from: readWhole(text) ?? 0 }))}
          />
          {field(i, 'daily', 'A day')}
          {field(i, 'perGame', 'A game')}
          {field(i, 'weekly', 'A week')}
          <Action kind="plain" label="×" onPress={() => onChange(ages.filter((_, j) => j !== i))} />
        </Row>
      ))}
      <Row>
        <Action
          kind="quiet"
          label="Add an age"
          onPress={() => onChange([...ages, { from: nextAge, rule: {} }])}
          testID="add-league-age"
        />
      </Row>
    </View>
  );
}

const PHRASES = athletePhrases();

/** Words that are not said to the young. What says them has another wording, or is named here to be worded anew. */
function Words({
  words,
  onChange,
}: {
  readonly words: readonly string[];
  readonly onChange: (words: readonly string[]) => void;
}) {
  const palette = usePalette();
  const left = useMemo(() => PHRASES.filter((phrase) => says(spared(phrase, words), words)), [words]);
  return (
    <View style={{ gap: SPACE.s }}>
      {words.map((word, i) => (
        <Row key={i} style={{ flexWrap: 'nowrap' }}>
          <Field
            dense
            label="Never say"
            value={word}
            style={{ flex: 1, minWidth: 0 }}
            onChangeText={(written) => onChange(words.map((w, j) => (i === j ? written : w)))}
            testID={`avoid-${i}`}
          />
          <Action kind="plain" label="×" onPress={() => onChange(words.filter((_, j) => j !== i))} />
        </Row>
      ))}
      {words.length > 0 ? (
        <Text variant="bodySmall" style={{ color: palette.soft }} testID="still-said">
          {left.length === 0
            ? 'No phrase for the young says them: where one did, another phrase stands in its place.'
            : `${left.length === 1 ? 'One phrase says' : `${left.length} phrases say`} them still and ${left.length === 1 ? 'has' : 'have'} no other wording: “${left.slice(0, 3).join('”, “')}”${left.length > 3 ? ' …' : ''}. Word the finding or the drill your own way.`}
        </Text>
      ) : null}
      <Row>
        <Action kind="quiet" label="Add a word" onPress={() => onChange([...words, ''])} />
        {words.length === 0 ? (
          <Action kind="quiet" label="Start from the usual ones" onPress={() => onChange(STARTING_WORDS)} />
        ) : null}
      </Row>
    </View>
  );
}

function Form({ me }: { readonly me: Me }) {
  const [save, { isLoading, error, isSuccess }] = api.useSettingsMutation();
  const [draft, setDraft] = useState(() => settingsOf(me));
  const [limit, setLimit] = useState(draft.leagueDailyLimit === null ? '' : String(draft.leagueDailyLimit));
  const set = (change: Partial<AcademySettings>) => setDraft({ ...draft, ...change });
  const leagueDailyLimit = readWhole(limit);
  const store = () =>
    void save({
      body: {
        ...draft,
        leagueDailyLimit: leagueDailyLimit ?? null,
        words: [...new Set(draft.words.map((w) => w.trim()).filter((w) => w !== ''))],
      },
    });
  return (
    <Screen
      footer={
        <>
          {error ? <Caution>{problemOf(error).detail}</Caution> : null}
          <Action
            label={isSuccess ? 'Saved. Save again' : 'Save the settings'}
            onPress={store}
            busy={isLoading}
            disabled={leagueDailyLimit === null}
            testID="save-settings"
          />
        </>
      }
    >
      <Text variant="headlineSmall" role="heading" aria-level={1}>
        The academy’s settings
      </Text>
      <Panes>
        <View style={{ gap: SPACE.xl }}>
          <Section title="Units and time">
            <Row>
              {(['mph', 'km/h'] as const).map((u) => (
                <Choice key={u} label={u} chosen={draft.speedUnit === u} onPress={() => set({ speedUnit: u })} />
              ))}
              {(['cm', 'in'] as const).map((u) => (
                <Choice
                  key={u}
                  label={u === 'in' ? 'ft and in' : u}
                  chosen={draft.lengthUnit === u}
                  onPress={() => set({ lengthUnit: u })}
                />
              ))}
            </Row>
            <Field label="Time zone" value={draft.timeZone} onChangeText={(timeZone) => set({ timeZone })} />
          </Section>
          <Section title="The league’s limits" note="the tables of ages count beside them; the stricter wins">
            <Field
              label="Pitches a day for everybody (may stay empty)"
              value={limit}
              onChangeText={setLimit}
              inputMode="numeric"
              error={leagueDailyLimit === null}
              testID="league-daily"
            />
            {leagueDailyLimit === null ? (
              <Caution testID="league-daily-fault">{`“${limit}” is no number of pitches. Write a whole number, or leave it empty for no limit of the league’s.`}</Caution>
            ) : null}
            <Field
              label="Ages are read on (month-day, may stay empty)"
              value={draft.league.ageCutOff ?? ''}
              placeholder="08-31"
              onChangeText={(text) => {
                const { ageCutOff: _, ...rest } = draft.league;
                set({ league: text.trim() === '' ? rest : { ...rest, ageCutOff: text.trim() } });
              }}
              testID="league-cut-off"
            />
            <LeagueAges ages={draft.leagueAges} onChange={(leagueAges) => set({ leagueAges })} />
          </Section>
          <Section title="Weighted balls" note="locked under 16 whatever is chosen">
            <Row>
              <Choice label="Off" chosen={!draft.weightedBalls} onPress={() => set({ weightedBalls: false })} />
              <Choice label="Allowed" chosen={draft.weightedBalls} onPress={() => set({ weightedBalls: true })} />
            </Row>
          </Section>
          <Section title="Words to avoid with the young">
            <Words words={draft.words} onChange={(words) => set({ words })} />
          </Section>
        </View>
        <Section title="Schools of thought" note="they change ranking, cues and what counts as style">
          <SchoolChoices schools={draft.schools} onChange={(schools) => set({ schools })} />
        </Section>
      </Panes>
    </Screen>
  );
}

/** What an academy decides for itself. */
export function SettingsScreen() {
  const { data: me } = api.useMeQuery();
  return me ? <Form key={me.id} me={me} /> : null;
}
