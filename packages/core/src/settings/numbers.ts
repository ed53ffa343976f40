import { EYE } from '../eyes/eye';
import type { EyeTrust, Visibility } from '../eyes/eye';
import { ARROWS, STRENGTH } from '../findings/arrows';
import type { Arrow } from '../findings/arrows';
import { FINDINGS } from '../findings/catalogue';
import type { FindingId } from '../findings/ids';
import { LEAKS } from '../findings/leaks';
import type { Finding } from '../findings/types';
import { SIGNS } from '../findings/signs';
import type { Sign } from '../findings/signs';
import { GATE_DEFAULTS, GATE_RANGES, gateFaults } from '../plan/gate-settings';
import type { GateSettings } from '../plan/gate-settings';
import { BODY_TESTS } from '../body/catalogue';
import type { Bands } from '../body/catalogue';
import type { Provenance } from '../load/tables';

/** Numbers that an academy has set for itself; what is not here is as the catalogue has it. */
export interface AcademyNumbers {
  /** Thresholds of body tests. */
  readonly tests?: Bands;
  /** Thresholds of measured signs, by `signId`. */
  readonly signs?: Readonly<Record<string, number>>;
  readonly gate?: Partial<GateSettings>;
  /** Numbers of the causal model, by the keys of {@link arrowKey}, {@link leakKey}, {@link eyeKey} and {@link costKey}. */
  readonly model?: Readonly<Record<string, number>>;
}

export const arrowKey = ({ cause, consequence }: Pick<Arrow, 'cause' | 'consequence'>): string => `${cause}>${consequence}`;
export const leakKey = (finding: FindingId): string => `leak:${finding}`;
export const eyeKey = (visibility: Visibility, part: keyof EyeTrust): string => `eye:${visibility}:${part}`;
export const costKey = (finding: FindingId, end: 'low' | 'high'): string => `cost:${finding}:${end}`;

/** How readily a cause brings its consequence about, as this academy has it. */
export const arrowWeight = (arrow: Arrow, numbers?: AcademyNumbers): number =>
  numbers?.model?.[arrowKey(arrow)] ?? STRENGTH[arrow.strength];

/** Probability that a finding is there of itself, before discipline, age and level are considered. */
export const ownLeak = (finding: Finding, numbers?: AcademyNumbers): number =>
  numbers?.model?.[leakKey(finding.id)] ?? LEAKS[finding.leak];

export const eyeWith = (numbers: AcademyNumbers | undefined, visibility: Visibility): EyeTrust => ({
  sensitivity: numbers?.model?.[eyeKey(visibility, 'sensitivity')] ?? EYE[visibility].sensitivity,
  specificity: numbers?.model?.[eyeKey(visibility, 'specificity')] ?? EYE[visibility].specificity,
});

/** What a finding usually costs, % of own speed, low and high. */
export const costOf = (finding: Finding, numbers?: AcademyNumbers): readonly [low: number, high: number] => [
  numbers?.model?.[costKey(finding.id, 'low')] ?? finding.costPercent[0],
  numbers?.model?.[costKey(finding.id, 'high')] ?? finding.costPercent[1],
];

/** Names a sign across versions of the catalogue. */
export const signId = (sign: Sign): string => `${sign.finding}.${sign.measure}.${sign.disciplines?.[0] ?? 'both'}`;

/** The signs with an academy's own thresholds; an own threshold counts for the young as well. */
export function signsWith(numbers: AcademyNumbers | undefined): readonly Sign[] {
  const own = numbers?.signs;
  if (!own || Object.keys(own).length === 0) return SIGNS;
  return SIGNS.map((sign) => {
    const at = own[signId(sign)];
    if (at === undefined) return sign;
    const { youthAt: _, ...rest } = sign;
    return { ...rest, at };
  });
}

export const gateSettings = (numbers: AcademyNumbers | undefined): GateSettings => ({ ...GATE_DEFAULTS, ...numbers?.gate });

/** One number that an academy may set, with what it is when it does not. */
export interface SettableNumber {
  readonly group: 'tests' | 'signs' | 'gate' | 'model';
  /** Key within its group. */
  readonly key: string;
  readonly part: 'pass' | 'watch' | null;
  readonly standard: number;
  readonly low: number;
  readonly high: number;
  readonly provenance: Provenance;
}

const between = (standard: number): [low: number, high: number] => {
  const reach = Math.max(10, Math.abs(standard));
  return [standard - reach, standard + reach];
};

/** The numbers of the causal model: arrows, leaks, eyes, costs. */
function modelNumbers(): SettableNumber[] {
  const house = (key: string, standard: number, low: number, high: number): SettableNumber => ({
    group: 'model',
    key,
    part: null,
    standard,
    low,
    high,
    provenance: 'house',
  });
  return [
    ...ARROWS.map((arrow) => house(arrowKey(arrow), STRENGTH[arrow.strength], 0, 0.95)),
    ...FINDINGS.map((f) => house(leakKey(f.id), LEAKS[f.leak], 0.001, 0.5)),
    ...(['clear', 'hard'] as const).flatMap((visibility) =>
      (['sensitivity', 'specificity'] as const).map((part) => house(eyeKey(visibility, part), EYE[visibility][part], 0.5, 0.99)),
    ),
    ...FINDINGS.filter((f) => f.kind !== 'limit').flatMap((f) =>
      (['low', 'high'] as const).map((end, i) => house(costKey(f.id, end), f.costPercent[i]!, 0, 10)),
    ),
  ];
}

/** Every number that can be set, in catalogue order. */
export function settableNumbers(): SettableNumber[] {
  const tests = BODY_TESTS.flatMap((test) =>
    (['pass', 'watch'] as const).map((part): SettableNumber => {
      const [, high] = between(test[part]);
      return { group: 'tests', key: test.id, part, standard: test[part], low: 0, high, provenance: test.provenance };
    }),
  );
  const signs = SIGNS.map((sign): SettableNumber => {
    const [low, high] = between(sign.at);
    return { group: 'signs', key: signId(sign), part: null, standard: sign.at, low, high, provenance: 'convention' };
  });
  const gate = (Object.keys(GATE_DEFAULTS) as (keyof GateSettings)[]).map((key): SettableNumber => {
    const { low, high } = GATE_RANGES[key];
    return { group: 'gate', key, part: null, standard: GATE_DEFAULTS[key], low, high, provenance: 'house' };
  });
  return [...tests, ...signs, ...gate, ...modelNumbers()];
}

/** Why some numbers cannot be used, each with its path; empty when all can. */
export function numbersFaults(numbers: AcademyNumbers): { path: string; message: string }[] {
  const faults: { path: string; message: string }[] = [];
  const known = settableNumbers();
  const find = (group: SettableNumber['group'], key: string) => known.filter((n) => n.group === group && n.key === key);
  const inRange = (path: string, setting: SettableNumber | undefined, value: number) => {
    if (!setting) faults.push({ path, message: 'is not a number that can be set' });
    else if (value < setting.low || value > setting.high)
      faults.push({ path, message: `must lie between ${setting.low} and ${setting.high}; the standard is ${setting.standard}` });
  };
  for (const [key, band] of Object.entries(numbers.tests ?? {})) {
    for (const part of ['pass', 'watch'] as const)
      inRange(
        `tests.${key}.${part}`,
        find('tests', key).find((n) => n.part === part),
        band[part],
      );
    if (band.watch > band.pass) faults.push({ path: `tests.${key}.watch`, message: 'must not be above “pass”' });
  }
  for (const [key, value] of Object.entries(numbers.signs ?? {})) inRange(`signs.${key}`, find('signs', key)[0], value);
  for (const [key, value] of Object.entries(numbers.model ?? {})) inRange(`model.${key}`, find('model', key)[0], value);
  for (const finding of FINDINGS) {
    const [low, high] = costOf(finding, numbers);
    if (low > high) faults.push({ path: `model.${costKey(finding.id, 'low')}`, message: 'must not be above the high end' });
  }
  for (const { key, message } of gateFaults(numbers.gate ?? {})) faults.push({ path: `gate.${key}`, message });
  return faults;
}
