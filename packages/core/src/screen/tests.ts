import type { TestSide } from '../delivery/sides';
import type { FindingId } from '../findings/ids';
import type { AthleteProfile, JumpNorms } from '../athlete/athlete';
import { ageOn } from '../shared/dates';
import type { IsoDate } from '../shared/dates';

export const TEST_IDS = [
  'hip-internal-rotation',
  'hip-external-rotation',
  'hip-abduction',
  'hip-flexion',
  'hip-extension',
  'trunk-rotation',
  'trunk-rotation-slouched',
  'knee-to-wall',
  'abductor-hold',
  'abductor-force',
  'hip-flexor-hold',
  'side-plank',
  'single-leg-balance',
  'single-leg-squat',
  'vertical-jump',
  'broad-jump',
  'squat-strength',
] as const;
export type TestId = (typeof TEST_IDS)[number];
export type Grade = 'pass' | 'watch' | 'limit';

/** A physical test with the two thresholds that make its three grades; all grades count by ≥. */
export interface BodyTest {
  readonly id: TestId;
  readonly name: string;
  readonly how: string;
  /** How the athlete lies, sits or stands. */
  readonly position: 'supine' | 'prone' | 'side' | 'seated' | 'standing';
  /** What reads it: an inclinometer, a watch, a tape or gauge typed in, or whole steps. */
  readonly readBy: 'tilt' | 'timer' | 'keypad' | 'steps';
  readonly unit: 'deg' | 'cm' | 's' | '%BW' | 'score' | 'in' | '%height' | 'xBW';
  readonly sides: readonly TestSide[];
  readonly pass: number;
  readonly watch: number;
  /** Typical difference of two readings by the same hand, 1 SD. */
  readonly readingSd: number;
  /** Which limit (or habit) it speaks about, by side. */
  readonly speaksOf: Partial<Record<TestSide, FindingId>>;
  /** Side that matters first when only one can be done. */
  readonly firstSide: TestSide;
  /** Coach's minutes per side. */
  readonly minutes: number;
  readonly adultsOnly?: boolean;
  /** Done only when asked for: it needs a gauge, a bar, or a floor that few cages have. */
  readonly onRequest?: boolean;
  readonly provenance: 'published' | 'convention' | 'house';
}

const legs = ['drive', 'lead'] as const;
const both = (finding: FindingId) => ({ drive: finding, lead: finding });

export const BODY_TESTS: readonly BodyTest[] = [
  {
    id: 'hip-internal-rotation',
    name: 'Hip turning in',
    position: 'supine',
    readBy: 'tilt',
    unit: 'deg',
    sides: legs,
    pass: 40,
    watch: 30,
    readingSd: 3,
    how: 'On the back, hip and knee at 90°, the other leg flat. Turn the foot out; judge by the knee, not the foot.',
    speaksOf: { drive: 'drive-hip-ir', lead: 'lead-hip-ir' },
    firstSide: 'drive',
    minutes: 1,
    provenance: 'published',
  },
  {
    id: 'hip-external-rotation',
    name: 'Hip turning out',
    position: 'supine',
    readBy: 'tilt',
    unit: 'deg',
    sides: legs,
    pass: 40,
    watch: 30,
    readingSd: 3,
    how: 'Same position; turn the foot in across the body.',
    speaksOf: both('hip-er'),
    firstSide: 'drive',
    minutes: 1,
    provenance: 'published',
  },
  {
    id: 'hip-abduction',
    name: 'Leg out to the side',
    position: 'supine',
    readBy: 'tilt',
    unit: 'deg',
    sides: legs,
    pass: 40,
    watch: 30,
    readingSd: 3,
    how: 'On the back, pelvis level; draw the straight leg out until the pelvis follows.',
    speaksOf: both('hip-abduction'),
    firstSide: 'lead',
    minutes: 1,
    provenance: 'published',
  },
  {
    id: 'hip-flexion',
    name: 'Knee to chest',
    position: 'supine',
    readBy: 'tilt',
    unit: 'deg',
    sides: legs,
    pass: 115,
    watch: 105,
    readingSd: 4,
    how: 'On the back; bring the knee to the chest until the low back rounds.',
    speaksOf: { drive: 'balance-loss', lead: 'open-lift' },
    firstSide: 'lead',
    minutes: 1,
    provenance: 'published',
  },
  {
    id: 'hip-extension',
    name: 'Thigh behind the body',
    position: 'prone',
    readBy: 'tilt',
    unit: 'deg',
    sides: legs,
    pass: 15,
    watch: 8,
    readingSd: 3,
    how: 'Face down, pelvis held; lift the straight leg.',
    speaksOf: both('hip-extension'),
    firstSide: 'drive',
    minutes: 1,
    provenance: 'published',
  },
  {
    id: 'trunk-rotation',
    name: 'Seated turn, tall',
    position: 'seated',
    readBy: 'tilt',
    unit: 'deg',
    sides: ['to-throwing', 'to-glove'],
    pass: 45,
    watch: 35,
    readingSd: 3,
    how: 'Seated tall, thighs squeezed so the hips are locked, stick across the chest; turn.',
    speaksOf: { 'to-throwing': 'thoracic-rotation', 'to-glove': 'thoracic-rotation' },
    firstSide: 'to-throwing',
    minutes: 1,
    provenance: 'published',
  },
  {
    id: 'trunk-rotation-slouched',
    name: 'Seated turn, slouched',
    position: 'seated',
    readBy: 'tilt',
    unit: 'deg',
    sides: ['to-throwing', 'to-glove'],
    pass: 35,
    watch: 25,
    readingSd: 4,
    how: 'The same, slouched on purpose. Ten degrees less than tall is a posture finding.',
    speaksOf: { 'to-throwing': 'slouch', 'to-glove': 'slouch' },
    firstSide: 'to-throwing',
    minutes: 1,
    provenance: 'house',
  },
  {
    id: 'knee-to-wall',
    name: 'Knee to wall',
    position: 'standing',
    readBy: 'keypad',
    unit: 'cm',
    sides: legs,
    pass: 10,
    watch: 7,
    readingSd: 0.8,
    how: 'Heel down, knee to the wall; measure big toe to wall at the last touch.',
    speaksOf: both('ankle'),
    firstSide: 'drive',
    minutes: 1,
    provenance: 'published',
  },
  {
    id: 'abductor-hold',
    name: 'Side-lying leg hold',
    position: 'side',
    readBy: 'timer',
    unit: 's',
    sides: legs,
    pass: 30,
    watch: 20,
    readingSd: 3,
    how: 'On the side, top leg lifted in line; time until it sinks.',
    speaksOf: both('abductor-strength'),
    firstSide: 'lead',
    minutes: 1,
    provenance: 'house',
  },
  {
    id: 'abductor-force',
    name: 'Side-lying leg force',
    position: 'side',
    readBy: 'keypad',
    unit: '%BW',
    sides: legs,
    pass: 20,
    watch: 15,
    readingSd: 1.5,
    onRequest: true,
    how: 'On the side, against a gauge at the ankle; best of two pushes.',
    speaksOf: both('abductor-strength'),
    firstSide: 'lead',
    minutes: 1,
    provenance: 'house',
  },
  {
    id: 'hip-flexor-hold',
    name: 'High-knee hold',
    position: 'standing',
    readBy: 'timer',
    unit: 's',
    sides: legs,
    pass: 20,
    watch: 10,
    readingSd: 2.5,
    how: 'Standing tall, knee above the hip; time until it sinks.',
    speaksOf: both('hip-flexor-strength'),
    firstSide: 'lead',
    minutes: 1,
    provenance: 'house',
  },
  {
    id: 'side-plank',
    name: 'Side plank',
    position: 'side',
    readBy: 'timer',
    unit: 's',
    sides: legs,
    pass: 45,
    watch: 25,
    readingSd: 4,
    how: 'Elbow under the shoulder, body in line; time until it sags.',
    speaksOf: both('trunk-stability'),
    firstSide: 'drive',
    minutes: 1,
    provenance: 'house',
  },
  {
    id: 'single-leg-balance',
    name: 'One-leg balance',
    position: 'standing',
    readBy: 'timer',
    unit: 's',
    sides: legs,
    pass: 20,
    watch: 10,
    readingSd: 4,
    how: 'Eyes open, knee up at throwing posture; time until the foot moves.',
    speaksOf: { drive: 'balance-loss', lead: 'no-brace' },
    firstSide: 'drive',
    minutes: 1,
    provenance: 'house',
  },
  {
    id: 'single-leg-squat',
    name: 'One-leg squat to box',
    position: 'standing',
    readBy: 'steps',
    unit: 'score',
    sides: legs,
    pass: 3,
    watch: 2,
    readingSd: 0.5,
    how: 'Slow, to a knee-high box. 3 clean, 2 wobble, 1 falls the last part, 0 cannot.',
    speaksOf: both('single-leg-strength'),
    firstSide: 'drive',
    minutes: 1,
    provenance: 'convention',
  },
  {
    id: 'vertical-jump',
    name: 'Standing jump',
    position: 'standing',
    readBy: 'keypad',
    unit: 'in',
    sides: ['none'],
    pass: 28,
    watch: 24,
    readingSd: 1,
    how: 'Best of three, both feet, arms free.',
    speaksOf: { none: 'low-power' },
    firstSide: 'none',
    minutes: 2,
    provenance: 'published',
  },
  {
    id: 'broad-jump',
    name: 'Broad jump',
    position: 'standing',
    readBy: 'keypad',
    unit: '%height',
    sides: ['none'],
    pass: 105,
    watch: 95,
    readingSd: 3,
    how: 'Best of three, toe line to heel, stick the landing.',
    speaksOf: { none: 'low-power' },
    firstSide: 'none',
    minutes: 2,
    provenance: 'published',
  },
  {
    id: 'squat-strength',
    name: 'Squat or hinge strength',
    position: 'standing',
    readBy: 'keypad',
    unit: 'xBW',
    sides: ['none'],
    pass: 1.75,
    watch: 1.25,
    readingSd: 0.08,
    how: 'A recent safe top set as a multiple of body weight. Adults only.',
    speaksOf: { none: 'low-power' },
    firstSide: 'none',
    minutes: 2,
    adultsOnly: true,
    onRequest: true,
    provenance: 'house',
  },
];

const BY_ID = new Map(BODY_TESTS.map((test) => [test.id, test]));

/** @throws RangeError for an unknown id */
export function bodyTestById(id: TestId): BodyTest {
  const test = BY_ID.get(id);
  if (!test) throw new RangeError(`unknown test “${id}”`);
  return test;
}

/** An academy's own thresholds of tests, over the catalogue's. */
export type Bands = Partial<Record<TestId, { readonly pass: number; readonly watch: number }>>;

/** Jumps of grown women. Provenance `house`. */
const WOMEN: Bands = { 'vertical-jump': { pass: 20, watch: 16 }, 'broad-jump': { pass: 95, watch: 85 } };

/** The norms of the jumps: those chosen for the athlete, and by discipline where none are. */
export const jumpNormsOf = ({ jumpNorms, discipline }: Pick<AthleteProfile, 'jumpNorms' | 'discipline'>): JumpNorms =>
  jumpNorms ?? (discipline === 'windmill' ? 'women' : 'men');

/**
 * The thresholds that apply to this athlete. An academy's own come first. Side plank is shorter under 12; jumps of the young are scaled by height and by
 * three quarters, as a reference for their own trend and never as a rank.
 */
export function bandFor(
  test: BodyTest,
  athlete: AthleteProfile,
  on: IsoDate,
  bands: Bands = {},
): { pass: number; watch: number } {
  const own = bands[test.id];
  if (own) return own;
  const age = ageOn(athlete.birthDate, on);
  if (test.id === 'side-plank' && age < 12) return { pass: 25, watch: 12 };
  const { pass, watch } = (jumpNormsOf(athlete) === 'women' ? WOMEN[test.id] : undefined) ?? test;
  const youth = age < 18 || (athlete.level !== 'college' && athlete.level !== 'adult');
  if (test.id === 'vertical-jump' && youth) {
    const scale = 0.75 * (athlete.heightM / 1.83);
    return { pass: pass * scale, watch: watch * scale };
  }
  if (test.id === 'broad-jump' && youth) return { pass: pass * 0.85, watch: watch * 0.85 };
  return { pass, watch };
}

/** Grade by ≥, so that there are no holes between whole numbers. */
export function gradeOf(value: number, band: { pass: number; watch: number }): Grade {
  return value >= band.pass ? 'pass' : value >= band.watch ? 'watch' : 'limit';
}

/** Whether two sides differ enough to be a finding of its own: 10° for angles, 15 % for everything else. */
export function isAsymmetric(test: BodyTest, drive: number, lead: number): boolean {
  const difference = Math.abs(drive - lead);
  return test.unit === 'deg' ? difference >= 10 : difference >= 0.15 * Math.max(Math.abs(drive), Math.abs(lead));
}
