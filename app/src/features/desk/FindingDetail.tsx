import {
  arrowKey,
  ARROWS,
  costKey,
  cueFor,
  leakKey,
  linkName,
  measureById,
  signId,
  SIGNS,
  termOf,
  visibilityOf,
} from '@wrightonic/core';
import type { AcademyNumbers, Finding, FindingId, SettableNumber, Vocabulary } from '@wrightonic/core';
import { View } from 'react-native';
import { Text } from 'react-native-paper';
import { Caution } from '../../ui/controls';
import { Section } from '../../ui/layout';
import { SPACE, usePalette } from '../../ui/theme';
import { useVocabulary } from '../../ui/vocabulary';
import { settingFor } from './FindingsScreen';
import { NumberRow } from './NumberRow';
import { OwnWords } from './OwnWords';

export const AREAS: Record<Finding['area'], string> = {
  'lower-half': 'Lower half',
  trunk: 'Trunk and glove side',
  'arm-action': 'Arm action',
  body: 'Limits of the body',
  thought: 'Misread cues',
};

const COST_WORDS = { speed: 'speed', command: 'command', health: 'health' } as const;

/** Every number that belongs to a finding, with its words. */
export function numbersOf(
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

export function Detail({ finding, numbers, onChange, readOnly }: DetailProps) {
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
