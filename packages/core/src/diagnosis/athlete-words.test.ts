import { CATALOGUE_WORDS, vocabularyOf } from '../findings/vocabulary';
import { FINDINGS } from '../findings/catalogue';
import { wordsForAthlete } from './athlete-words';
import { diagnose } from './diagnose';
import type { Evidence } from '../evidence/evidence';
import { THROWER } from '../testing/athletes';

const athlete = { ...THROWER, birthDate: '2013-02-11', level: 'youth' } as const;
const evidence: Evidence[] = [
  { kind: 'eye', finding: 'stall', answer: 'yes' },
  { kind: 'eye', finding: 'late-hips', answer: 'yes' },
  { kind: 'eye', finding: 'glove-pull', answer: 'yes' },
  { kind: 'eye', finding: 'balance-loss', answer: 'no' },
  { kind: 'eye', finding: 'short-stride', answer: 'no' },
];
const diagnosis = diagnose({ on: '2026-05-04', athlete, evidence });
const told = {
  diagnosis,
  evidence,
  focus: null,
  method: 'mixed',
  explain: 'reason',
  vocabulary: CATALOGUE_WORDS,
  avoid: [],
} as const;

describe('words for the athlete', () => {
  it('say what to keep, what is next and what comes along, in that order', () => {
    const { keep, next, why, ease } = wordsForAthlete(told);
    expect(keep).toBe('Keep doing: the lift is steady.');
    expect(next).toMatch(/^Next: Keeping the trip going/);
    expect(why).toMatch(/^Why: /);
    expect(ease).toMatch(/come along by itself/);
  });

  it('are short for those who want one image', () => {
    const { why, ease, how } = wordsForAthlete({ ...told, explain: 'image' });
    expect([why, ease]).toEqual([null, null]);
    expect(how).not.toBeNull();
  });

  it('follow the way of teaching, and spare words to avoid by another whole phrase or the academy’s own', () => {
    const hows = (['surroundings', 'positions', 'words', 'mixed'] as const).map(
      (method) => wordsForAthlete({ ...told, method }).how,
    );
    expect(new Set(hows).size).toBe(4);
    const spared = wordsForAthlete({ ...told, focus: 'push-misread', avoid: ['push'] });
    expect(spared.next).toBe('Next: Let the hip go; the rest comes by itself.');
    const own = vocabularyOf([{ finding: 'push-misread', version: 1, words: { forAthlete: 'Fall, and the leg follows.' } }]);
    expect(wordsForAthlete({ ...told, focus: 'push-misread', vocabulary: own }).next).toBe('Next: Fall, and the leg follows.');
  });

  it('praise no link on which something is likely', () => {
    const everything: Evidence[] = FINDINGS.filter((f) => f.disciplines.includes('overhand') && f.kind === 'habit').map((f) => ({
      kind: 'eye',
      finding: f.id,
      answer: f.phase === 'lift' ? 'no' : 'yes',
    }));
    const bad = diagnose({ on: '2026-05-04', athlete, evidence: everything });
    expect(wordsForAthlete({ ...told, diagnosis: bad, evidence: everything }).keep).toMatch(/the lift is steady|free and easy/);
    const none = wordsForAthlete({ ...told, evidence: [], diagnosis: diagnose({ on: '2026-05-04', athlete, evidence: [] }) });
    expect(none).toMatchObject({ how: null, why: null, ease: null });
    expect(none.next).toMatch(/look a little longer/);
  });

  it('praise nothing of the link that is worked on', () => {
    const owned: Evidence[] = [{ kind: 'eye', finding: 'stall', answer: 'no' }];
    const fine = diagnose({ on: '2026-05-04', athlete, evidence: owned });
    expect(wordsForAthlete({ ...told, diagnosis: fine, evidence: owned }).keep).toMatch(/the trip to the plate/);
    expect(wordsForAthlete({ ...told, diagnosis: fine, evidence: owned, focus: 'stall' }).keep).toMatch(/free and easy/);
  });

  it('never speak of numbers, weakness or blame, whatever the focus', () => {
    for (const f of FINDINGS) {
      const words = wordsForAthlete({ ...told, focus: f.id });
      const text = Object.values(words).filter(Boolean).join(' ');
      expect([f.id, /%|\bweak|\bbad\b|\bwrong|\bfault|\bmph\b|\bfat\b|\bheavier\b/i.test(text)]).toEqual([f.id, false]);
    }
  });
});
