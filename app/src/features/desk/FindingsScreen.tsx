import { may } from '@wrightonic/contract';
import type { Me } from '@wrightonic/contract';
import {
  arrowKey,
  CATALOGUE_WORDS,
  cueFor,
  ARROWS,
  causesOf,
  consequencesOf,
  costKey,
  FINDINGS,
  findingById,
  leakKey,
  LINKS,
  linkName,
  measureById,
  settableNumbers,
  SIGNS,
  signId,
  termOf,
  visibilityOf,
} from '@wrightonic/core';
import type { AcademyNumbers, Finding, FindingId, SettableNumber, Vocabulary } from '@wrightonic/core';
import { useMemo, useState } from 'react';
import { ScrollView, useWindowDimensions, View } from 'react-native';
import { Searchbar, Text } from 'react-native-paper';
import { api } from '../../data/api';
import { Action, Caution, Choice, LinkRow } from '../../ui/controls';
import { Row, Screen, Section, useWide } from '../../ui/layout';
import { SPACE, usePalette } from '../../ui/theme';
import { NumberRow } from './NumberRow';
import { isOwn } from './own-numbers';
import { OwnWords } from './OwnWords';
import { SaveNumbers } from './SaveNumbers';
import { useVocabulary } from '../../ui/vocabulary';

const AREAS: Record<Finding['area'], string> = {
  'lower-half': 'Lower half',
  trunk: 'Trunk and glove side',
  'arm-action': 'Arm action',
  body: 'Limits of the body',
  thought: 'Misread cues',
};
const COST_WORDS = { speed: 'speed', command: 'command', health: 'health' } as const;

/** What stands above and below the two panes of a wide screen, px. */
const AROUND_PANES = 260;

const bySetting = new Map(settableNumbers().map((n) => [`${n.group}:${n.key}`, n]));
const settingFor = (group: SettableNumber['group'], key: string): SettableNumber => bySetting.get(`${group}:${key}`)!;

/** Every number that belongs to a finding, with its words. */
function numbersOf(
  finding: Finding,
  say: Vocabulary,
): { title: string; rows: { setting: SettableNumber; name: string; unit: string }[] }[] {
  const signs = SIGNS.filter((s) => s.finding === finding.id).map((sign) => {
    const measure = measureById(sign.measure);
    return {
      setting: settingFor('signs', signId(sign)),
      name: `${measure.name}${sign.disciplines?.length === 1 ? `, ${sign.disciplines[0]}` : ''}: speaks for it ${sign.side === 'above' ? 'above' : sign.side === 'below' ? 'below' : 'outside from'}`,
      unit: measure.unit,
    };
  });
  const arrows = (end: 'cause' | 'consequence', other: 'cause' | 'consequence') =>
    ARROWS.filter((a) => a[end] === finding.id).map((a) => ({
      setting: settingFor('model', arrowKey(a)),
      name: say.title(a[other]),
      unit: '',
    }));
  return [
    { title: 'Measured signs', rows: signs },
    { title: 'What can cause it: how readily', rows: arrows('consequence', 'cause') },
    { title: 'What it can lead to: how readily', rows: arrows('cause', 'consequence') },
    {
      title: 'Of itself, and what it costs',
      rows: [
        { setting: settingFor('model', leakKey(finding.id)), name: 'Chance that it is there with nothing behind it', unit: '' },
        ...(finding.kind === 'habit'
          ? (['low', 'high'] as const).map((end) => ({
              setting: settingFor('model', costKey(finding.id, end)),
              name: `What it costs, ${end} end`,
              unit: '%',
            }))
          : []),
      ],
    },
  ].filter((g) => g.rows.length > 0);
}

interface DetailProps {
  readonly finding: Finding;
  readonly numbers: AcademyNumbers;
  readonly onChange: (numbers: AcademyNumbers) => void;
  readonly readOnly: boolean;
}

function Line({ label, children }: { readonly label: string; readonly children: string }) {
  const palette = usePalette();
  return (
    <View>
      <Text variant="bodySmall" style={{ color: palette.soft }}>
        {label}
      </Text>
      <Text variant="bodyMedium">{children}</Text>
    </View>
  );
}

/** What the field calls it. */
function Term({ finding }: { readonly finding: FindingId }) {
  const palette = usePalette();
  const term = termOf(finding);
  return term ? (
    <Text variant="bodySmall" style={{ color: palette.soft }}>
      {term}
    </Text>
  ) : null;
}

function Detail({ finding, numbers, onChange, readOnly }: DetailProps) {
  const say = useVocabulary();
  const { cost, lookAlikes, tellApart, leaveAlone, phase } = finding;
  const where = phase
    ? `${AREAS[finding.area]}, ${finding.disciplines.map((d) => `${linkName(phase, d)} (${d})`).join(', ')}`
    : `${AREAS[finding.area]}, ${finding.disciplines.join(' and ')}`;
  return (
    <View style={{ gap: SPACE.xl }} testID="finding-detail">
      <View style={{ gap: SPACE.m }}>
        <View>
          <Text variant="titleLarge">{say.title(finding.id)}</Text>
          <Term finding={finding.id} />
        </View>
        {finding.healthFlag ? (
          <Caution>A health flag: while it is likely, no hard throws are planned. Nobody here diagnoses injury.</Caution>
        ) : null}
        <Line label="Where">{where}</Line>
        <Line label="What the coach sees">{say.seen(finding.id)}</Line>
        <Line label="For the athlete">{say.forAthlete(finding.id)}</Line>
        <Line label={visibilityOf(finding) === 'hard' ? 'The look, hard to see live' : 'The look'}>{finding.eyeCheck}</Line>
        {cost ? <Line label={`Costs ${cost.of.map((c) => COST_WORDS[c]).join(', ')}`}>{cost.how}</Line> : null}
        {lookAlikes && tellApart ? (
          <Line label={`Looks like: ${lookAlikes.map((f) => say.title(f).toLowerCase()).join('; ')}`}>{tellApart}</Line>
        ) : null}
        {leaveAlone ? <Line label="Leave alone">{leaveAlone}</Line> : null}
      </View>
      {readOnly ? null : <OwnWords finding={finding} cue={cueFor(finding.id, finding.disciplines[0]!).external} />}
      {numbersOf(finding, say).map(({ title, rows }) => (
        <Section key={title} title={title}>
          {rows.map((row) => (
            <NumberRow
              key={`${finding.id}-${row.setting.key}`}
              {...row}
              numbers={numbers}
              onChange={onChange}
              readOnly={readOnly}
            />
          ))}
        </Section>
      ))}
    </View>
  );
}

const counted = (n: number, word: string): string => `${n === 0 ? 'no' : n} ${word}${n === 1 ? '' : 's'}`;

const changedOf = (finding: Finding, numbers: AcademyNumbers): number =>
  numbersOf(finding, CATALOGUE_WORDS)
    .flatMap((g) => g.rows)
    .filter((r) => isOwn(numbers, r.setting)).length;

function FindingList({
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
      <Searchbar placeholder="A finding" value={search} onChangeText={setSearch} testID="findings-search" />
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
            <LinkRow key={f.id} label={say.title(f.id)} onPress={() => onChoose(f.id)} testID={`finding-${f.id}`}>
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
