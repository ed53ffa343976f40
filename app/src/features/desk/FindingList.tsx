import { CATALOGUE_WORDS, causesOf, consequencesOf, FINDINGS, LINKS } from '@wrightonic/core';
import type { AcademyNumbers, Finding, FindingId } from '@wrightonic/core';
import { useMemo, useState } from 'react';
import { View } from 'react-native';
import { Text } from 'react-native-paper';
import { Choice, LinkRow } from '../../ui/controls';
import { Row } from '../../ui/layout';
import { SPACE, usePalette } from '../../ui/theme';
import { useVocabulary } from '../../ui/vocabulary';
import { AREAS, numbersOf } from './FindingDetail';
import { isOwn } from './own-numbers';
import { Field } from '../../ui/Field';

const counted = (n: number, word: string): string => `${n === 0 ? 'no' : n} ${word}${n === 1 ? '' : 's'}`;

const changedOf = (finding: Finding, numbers: AcademyNumbers): number =>
  numbersOf(finding, CATALOGUE_WORDS)
    .flatMap((g) => g.rows)
    .filter((r) => isOwn(numbers, r.setting)).length;

export function FindingList({
  numbers,
  chosen,
  onChoose,
}: {
  readonly numbers: AcademyNumbers;
  readonly chosen: FindingId | null;
  readonly onChoose: (finding: FindingId) => void;
}) {
  const say = useVocabulary();
  const palette = usePalette();
  const [search, setSearch] = useState('');
  const [area, setArea] = useState<Finding['area'] | null>(null);
  const wanted = search.trim().toLowerCase();
  const found = useMemo(
    () =>
      FINDINGS.filter(
        (f) =>
          (area === null || f.area === area) && `${f.title} ${say.title(f.id)} ${say.seen(f.id)}`.toLowerCase().includes(wanted),
      ).sort((a, b) => (a.phase ? LINKS.indexOf(a.phase) : -1) - (b.phase ? LINKS.indexOf(b.phase) : -1)),
    [area, wanted, say],
  );
  return (
    <View style={{ gap: SPACE.m }}>
      <Field inputMode="search" label="A finding" value={search} onChangeText={setSearch} testID="findings-search" />
      <Row>
        {(Object.keys(AREAS) as Finding['area'][]).map((a) => (
          <Choice key={a} label={AREAS[a]} chosen={area === a} onPress={() => setArea(area === a ? null : a)} />
        ))}
      </Row>
      {found.length === 0 ? <Text style={{ color: palette.soft }}>No finding fits.</Text> : null}
      <View>
        {found.map((f) => {
          const own = changedOf(f, numbers);
          return (
            <LinkRow key={f.id} onPress={() => onChoose(f.id)} testID={`finding-${f.id}`}>
              <Text variant="bodyMedium" style={{ fontWeight: f.id === chosen ? '700' : '500' }}>
                {say.title(f.id)}
              </Text>
              <Text variant="bodySmall" style={{ color: own > 0 ? palette.brass : palette.soft }}>
                {`${counted(causesOf(f.id).length, 'cause')}, ${counted(consequencesOf(f.id).length, 'consequence')}${own > 0 ? `, ◆ ${own} of your own` : ''}`}
              </Text>
            </LinkRow>
          );
        })}
      </View>
    </View>
  );
}
