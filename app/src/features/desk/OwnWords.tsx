import type { OwnFindingRecord } from '@wrightonic/contract';
import type { Finding, FindingWords } from '@wrightonic/core';
import { useState } from 'react';
import { View } from 'react-native';
import { Text } from 'react-native-paper';
import { api, problemOf } from '../../data/api';
import { newId } from '../../data/ids';
import { Action, Caution } from '../../ui/controls';
import { Row, Section } from '../../ui/layout';
import { SPACE, usePalette } from '../../ui/theme';
import { weekDay } from '../../ui/words';
import { Field } from '../../ui/Field';

type Field = keyof FindingWords;
const FIELDS: readonly (readonly [Field, string])[] = [
  ['title', 'Its name'],
  ['seen', 'How it looks'],
  ['forAthlete', 'For the athlete'],
  ['cue', 'The one cue'],
];

/** The filled fields alone, trimmed: an empty one is said as in the catalogue. */
const filled = (words: FindingWords): FindingWords =>
  Object.fromEntries(FIELDS.flatMap(([field]) => (words[field]?.trim() ? [[field, words[field].trim()]] : [])));

/** A finding in the academy's own words, with the versions before. */
export function OwnWords({ finding, cue }: { readonly finding: Finding; readonly cue: string }) {
  const palette = usePalette();
  const { data: library } = api.useLibraryQuery();
  const [put, { isLoading, error }] = api.usePutOwnFindingMutation();
  const [draft, setDraft] = useState<FindingWords | null>(null);
  const versions = (library?.findings ?? []).filter((f) => f.finding === finding.id);
  const newest: OwnFindingRecord | undefined = versions[versions.length - 1];
  const standard: Record<Field, string> = { title: finding.title, seen: finding.seen, forAthlete: finding.forAthlete, cue };
  const save = (words: FindingWords) =>
    void put({ id: newId(), body: { finding: finding.id, words: filled(words) } })
      .unwrap()
      .then(() => setDraft(null))
      .catch(() => undefined);
  return (
    <Section title="In your own words" {...(newest ? { note: `version ${newest.version}` } : {})}>
      {draft ? (
        <View style={{ gap: SPACE.s }}>
          {FIELDS.map(([field, label]) => (
            <View key={field}>
              <Field
                label={label}
                value={draft[field] ?? ''}
                onChangeText={(text) => setDraft({ ...draft, [field]: text })}
                multiline={field === 'seen'}
                testID={`own-${field}`}
              />
              <Text variant="bodySmall" style={{ color: palette.soft }}>{`Empty: “${standard[field]}”`}</Text>
            </View>
          ))}
          {error ? <Caution>{problemOf(error).detail}</Caution> : null}
          <Row>
            <Action label="Keep these words" busy={isLoading} onPress={() => save(draft)} testID="keep-words" />
            <Action kind="plain" label="Not now" onPress={() => setDraft(null)} />
          </Row>
        </View>
      ) : (
        <>
          {newest && Object.keys(newest.words).length > 0 ? (
            FIELDS.flatMap(([field, label]) => {
              const own = newest.words[field];
              return own ? [<Text key={field} variant="bodyMedium">{`${label}: ${own}`}</Text>] : [];
            })
          ) : (
            <Text variant="bodySmall" style={{ color: palette.soft }}>
              Said as in the catalogue. Your own words stand on every screen, in plans made from now on and in what athletes read.
            </Text>
          )}
          <Row>
            <Action kind="quiet" label="Word it your way" onPress={() => setDraft(newest?.words ?? {})} testID="word-it" />
          </Row>
          {versions.slice(0, -1).map((v) => (
            <Row key={v.version}>
              <Text variant="bodySmall" style={{ color: palette.soft, flex: 1 }}>
                {`Version ${v.version}, ${weekDay(v.at.slice(0, 10))}${v.by ? `, ${v.by}` : ''}: ${Object.values(v.words).join(' · ') || 'as in the catalogue'}`}
              </Text>
              <Action kind="plain" label="Take it again" onPress={() => save(v.words)} />
            </Row>
          ))}
        </>
      )}
    </Section>
  );
}
