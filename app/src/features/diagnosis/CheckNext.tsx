import { bodyTestById, gradeOf, bandFor, measureById, SIGNS } from '@wrightonic/core';
import type { AthleteProfile, Check, Evidence, WeighedCheck } from '@wrightonic/core';
import { useState } from 'react';
import { View } from 'react-native';
import { Text } from 'react-native-paper';
import { Choice, Action } from '../../ui/controls';
import { Row } from '../../ui/layout';
import { readNumber } from '../../ui/read-number';
import { SPACE, usePalette } from '../../ui/theme';
import { checkText } from '../../ui/words';
import { answersText } from './answers';
import { useUnits } from '../../ui/units';
import { useVocabulary } from '../../ui/vocabulary';
import { Field } from '../../ui/Field';

interface Props {
  readonly weighed: WeighedCheck;
  readonly athlete: AthleteProfile;
  readonly on: string;
  readonly onAnswer: (evidence: Evidence) => void;
  readonly busy: boolean;
  /** Opens the place where it is done. */
  readonly onStart: (check: Check) => void;
}

function NumberAnswer({
  unit,
  note,
  onValue,
  busy,
  testID,
}: {
  readonly unit: string;
  readonly note: (value: number) => string;
  readonly onValue: (value: number) => void;
  readonly busy: boolean;
  readonly testID: string;
}) {
  const palette = usePalette();
  const units = useUnits();
  const [text, setText] = useState('');
  const typed = readNumber(text);
  const value = units.kept(typed ?? NaN, unit);
  const usable = typeof typed === 'number';
  return (
    <View style={{ gap: 4 }}>
      <Row>
        <Field
          dense
          label={`Reading, ${units.name(unit)}`}
          value={text}
          onChangeText={setText}
          inputMode="decimal"
          style={{ flex: 1, maxWidth: 180 }}
          testID={testID}
        />
        <Action label="Keep" disabled={!usable} busy={busy} onPress={() => onValue(value)} testID={`${testID}-keep`} />
      </Row>
      {usable ? (
        <Text variant="bodySmall" style={{ color: palette.soft }}>
          {note(value)}
        </Text>
      ) : null}
    </View>
  );
}

const GRADE_WORDS = { pass: 'free', watch: 'worth watching', limit: 'a limit' } as const;

function eventFor(check: Extract<Check, { kind: 'measure' }>) {
  return (
    SIGNS.find((s) => s.measure === check.measure)?.events?.[0] ??
    measureById(check.measure).bands.overhand?.[0]?.event ??
    measureById(check.measure).bands.windmill?.[0]?.event ??
    'contact'
  );
}

/** One check with the way to answer it on the spot. */
export function CheckNext({ weighed, athlete, on, onAnswer, busy, onStart }: Props) {
  const say = useVocabulary();
  const units = useUnits();
  const palette = usePalette();
  const { check, minutes } = weighed;
  return (
    <View style={{ gap: SPACE.s, paddingVertical: SPACE.m, borderBottomWidth: 1, borderColor: palette.line }}>
      <Text variant="bodyMedium" style={{ fontWeight: '600' }}>
        {checkText(check, say)}
      </Text>
      {weighed.answers.length > 0 ? <Text variant="bodyMedium">{answersText(weighed, units, say)}</Text> : null}
      <Text variant="bodySmall" style={{ color: palette.soft }}>
        {`about ${minutes} min${check.kind === 'screen' ? `. ${bodyTestById(check.test).how} Never cranked; stop on pain.` : ''}`}
      </Text>
      {check.kind === 'eye' ? (
        <Row>
          {(['yes', 'no', 'unsure'] as const).map((answer) => (
            <Choice
              key={answer}
              wide
              label={answer === 'unsure' ? 'Can’t tell' : answer === 'yes' ? 'Yes' : 'No'}
              chosen={false}
              onPress={() => onAnswer({ kind: 'eye', finding: check.finding, answer })}
              testID={`check-${check.finding}-${answer}`}
            />
          ))}
        </Row>
      ) : null}
      {check.kind === 'slow' ? (
        <Row>
          <Choice
            wide
            label="Can do it slowly"
            chosen={false}
            onPress={() => onAnswer({ kind: 'slow', finding: check.finding, canDoSlowly: 'yes' })}
          />
          <Choice
            wide
            label="Cannot"
            chosen={false}
            onPress={() => onAnswer({ kind: 'slow', finding: check.finding, canDoSlowly: 'no' })}
          />
        </Row>
      ) : null}
      {check.kind === 'screen' ? (
        <NumberAnswer
          unit={bodyTestById(check.test).unit}
          busy={busy}
          testID={`check-${check.test}-${check.side}`}
          note={(value) =>
            `${units.text(value, bodyTestById(check.test).unit)} is ${GRADE_WORDS[gradeOf(value, bandFor(bodyTestById(check.test), athlete, on))]}.`
          }
          onValue={(value) =>
            onAnswer({ kind: 'screen', test: check.test, side: check.side, value, unit: bodyTestById(check.test).unit })
          }
        />
      ) : null}
      {check.kind === 'measure' ? (
        <NumberAnswer
          unit={measureById(check.measure).unit}
          busy={busy}
          testID={`check-${check.measure}`}
          note={() => `From view: ${measureById(check.measure).views}.`}
          onValue={(value) =>
            onAnswer({
              kind: 'measure',
              measure: check.measure,
              event: eventFor(check),
              value,
              unit: measureById(check.measure).unit,
            })
          }
        />
      ) : null}
      {check.kind === 'screen' || check.kind === 'measure' ? (
        <Row>
          <Action
            kind="plain"
            label={check.kind === 'screen' ? 'Do it step by step' : 'Open the clips'}
            onPress={() => onStart(check)}
          />
        </Row>
      ) : null}
    </View>
  );
}
