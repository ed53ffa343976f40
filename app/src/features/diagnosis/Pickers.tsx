import { bodyTestById, BODY_TESTS, graphFindings } from '@wrightonic/core';
import type { DiagnosisRequest, TestId, TestSide } from '@wrightonic/core';
import { useState } from 'react';
import { View } from 'react-native';
import { Text } from 'react-native-paper';
import { Action, Choice } from '../../ui/controls';
import { Row } from '../../ui/layout';
import { readNumber } from '../../ui/read-number';
import { SPACE } from '../../ui/theme';
import { sideName } from '../../ui/words';
import type { Supposition } from './what-if';
import { useUnits } from '../../ui/units';
import { Field } from '../../ui/Field';

const FOUND_SHOWN = 6;

/** Finds a finding to suppose there or not there. */
export function FindingPicker({
  request,
  onPick,
}: {
  readonly request: DiagnosisRequest;
  readonly onPick: (s: Supposition) => void;
}) {
  const [search, setSearch] = useState('');
  const wanted = search.trim().toLowerCase();
  const found = wanted
    ? graphFindings(request.athlete.discipline).filter((f) => `${f.title} ${f.seen}`.toLowerCase().includes(wanted))
    : [];
  return (
    <View style={{ gap: SPACE.s }}>
      <Field inputMode="search" label="A finding" value={search} onChangeText={setSearch} testID="suppose-search" />
      {found.slice(0, FOUND_SHOWN).map((f) => (
        <View key={f.id} style={{ gap: 4 }}>
          <Text variant="bodyMedium">{f.title}</Text>
          <Row>
            {(['present', 'absent'] as const).map((as) => (
              <Choice
                key={as}
                label={as === 'present' ? 'were there' : 'were not'}
                chosen={false}
                onPress={() => {
                  onPick({ kind: 'finding', finding: f.id, as });
                  setSearch('');
                }}
                testID={`suppose-${f.id}-${as}`}
              />
            ))}
          </Row>
        </View>
      ))}
    </View>
  );
}

/** A body test's reading to suppose. */
export function TestPicker({
  request,
  onPick,
}: {
  readonly request: DiagnosisRequest;
  readonly onPick: (s: Supposition) => void;
}) {
  const units = useUnits();
  const [test, setTest] = useState<TestId | null>(null);
  const [side, setSide] = useState<TestSide | null>(null);
  const [value, setValue] = useState('');
  const chosen = test ? bodyTestById(test) : null;
  const at = side ?? chosen?.firstSide ?? 'none';
  const number = readNumber(value) ?? NaN;
  const usable = chosen !== null && number >= 0;
  return (
    <View style={{ gap: SPACE.s }}>
      <Row>
        {BODY_TESTS.filter((t) => !t.adultsOnly && t.speaksOf[t.firstSide]).map((t) => (
          <Choice
            key={t.id}
            label={t.name}
            chosen={test === t.id}
            onPress={() => {
              setTest(t.id);
              setSide(null);
            }}
            testID={`suppose-test-${t.id}`}
          />
        ))}
      </Row>
      {chosen ? (
        <Row>
          {chosen.sides.length > 1
            ? chosen.sides.map((s) => (
                <Choice key={s} label={sideName(s, request.athlete.throws)} chosen={at === s} onPress={() => setSide(s)} />
              ))
            : null}
          <Field
            dense
            label={`Reading, ${units.name(chosen.unit)}`}
            value={value}
            onChangeText={setValue}
            inputMode="decimal"
            style={{ width: 140 }}
            testID="suppose-value"
          />
          <Action
            kind="quiet"
            label="Suppose it"
            disabled={!usable}
            onPress={() => {
              onPick({ kind: 'test', test: chosen.id, side: at, value: number, unit: chosen.unit });
              setValue('');
            }}
            testID="suppose-test"
          />
        </Row>
      ) : null}
    </View>
  );
}
