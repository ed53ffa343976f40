import type { DiagnosisRecord, NewRuling } from '@wrightonic/contract';
import type { FindingId } from '@wrightonic/core';
import { useState } from 'react';
import { View } from 'react-native';
import { Text } from 'react-native-paper';
import { api, problemOf } from '../../data/api';
import { newId } from '../../data/ids';
import { Action, Caution, Choice } from '../../ui/controls';
import { Row } from '../../ui/layout';
import { SPACE, usePalette } from '../../ui/theme';
import { weekDay } from '../../ui/words';
import { useVocabulary } from '../../ui/vocabulary';
import { Field } from '../../ui/Field';

const WORDS: readonly (readonly [NewRuling['as'], string])[] = [
  ['absent', 'It is not there'],
  ['present', 'It is there'],
  ['root', 'It is the root'],
];

/** Overrules the judgement on one finding, with a reason. */
export function Overrule({
  athlete,
  finding,
  onDone,
}: {
  readonly athlete: string;
  readonly finding: FindingId;
  readonly onDone: () => void;
}) {
  const say = useVocabulary();
  const [put, { isLoading, error }] = api.usePutRulingMutation();
  const [as, setAs] = useState<NewRuling['as'] | null>(null);
  const [reason, setReason] = useState('');
  const save = async () => {
    const answer = await put({ athlete, id: newId(), body: { finding, as: as!, reason: reason.trim() } });
    if (answer.data) onDone();
  };
  return (
    <View style={{ gap: SPACE.s }}>
      <Text variant="bodyMedium">{`Your word on “${say.title(finding).toLowerCase()}”. It stands above all evidence until you take it back.`}</Text>
      <Row>
        {WORDS.map(([value, label]) => (
          <Choice key={value} label={label} chosen={as === value} onPress={() => setAs(value)} testID={`rule-${value}`} />
        ))}
      </Row>
      <Field label="Why" value={reason} onChangeText={setReason} maxLength={300} testID="rule-reason" />
      {error ? <Caution>{problemOf(error).detail}</Caution> : null}
      <Row>
        <Action
          label="Overrule"
          disabled={as === null || reason.trim() === ''}
          busy={isLoading}
          onPress={() => void save()}
          testID="rule-save"
        />
        <Action kind="plain" label="Leave it" onPress={onDone} />
      </Row>
    </View>
  );
}

/** What the coach has ruled, what the evidence would say, and the way back. */
export function Rulings({ athlete, record }: { readonly athlete: string; readonly record: DiagnosisRecord }) {
  const say = useVocabulary();
  const palette = usePalette();
  const [end, { isLoading, error }] = api.useEndRulingMutation();
  return (
    <View style={{ gap: SPACE.m }}>
      {record.rulings.map((ruling) => {
        const against = record.result.overruled.find((o) => o.finding === ruling.finding);
        return (
          <View key={ruling.id} style={{ gap: 4, borderBottomWidth: 1, borderColor: palette.line, paddingBottom: SPACE.s }}>
            <Text variant="bodyMedium" style={{ fontWeight: '600' }}>
              {say.title(ruling.finding)}
            </Text>
            {against ? (
              against.conflict ? (
                <Caution testID="conflict">{say.sentence(against.sentence)}</Caution>
              ) : (
                <Text variant="bodySmall">{say.sentence(against.sentence)}</Text>
              )
            ) : null}
            <View style={{ flexDirection: 'row', alignItems: 'center', gap: SPACE.s }}>
              <Text variant="bodySmall" style={{ flex: 1, color: palette.soft }}>
                {`“${ruling.reason}” ${ruling.by}, ${weekDay(ruling.on)}`}
              </Text>
              <Action
                kind="plain"
                label="Take back"
                busy={isLoading}
                onPress={() => void end({ athlete, id: ruling.id })}
                testID={`take-back-${ruling.finding}`}
              />
            </View>
          </View>
        );
      })}
      {error ? <Caution>{problemOf(error).detail}</Caution> : null}
    </View>
  );
}
