import { diagnose } from '../diagnosis/diagnose';
import { LINKS } from '../delivery/links';
import { findingById } from '../findings/catalogue';
import type { Evidence } from './evidence';
import type { FindingId } from '../findings/ids';
import type { AthleteProfile } from '../athlete/athlete';
import { intakeEvidence, THOUGHTS, thoughtById, thoughtsAt } from './thoughts';

const athlete: AthleteProfile = {
  discipline: 'overhand',
  throws: 'R',
  birthDate: '2010-02-11',
  heightM: 1.78,
  massKg: 70,
  level: 'high-school',
};
const NOTHING = { armPain: false, elbowSurgery: false, timeAway: false };

describe('thoughts', () => {
  it('are there for each link of either discipline, and their evidence can be taken', () => {
    for (const discipline of ['overhand', 'windmill'] as const)
      for (const link of LINKS) {
        expect(thoughtsAt(link, discipline).length).toBeGreaterThan(0);
        for (const { id, points, harmless } of thoughtsAt(link, discipline)) {
          // Each points at something of this delivery, or says why it does no harm.
          const here = points.filter(([finding]) => findingById(finding).disciplines.includes(discipline));
          expect([id, here.length > 0]).toEqual([id, harmless === null]);
          const judged = diagnose({
            on: '2026-05-04',
            athlete: { ...athlete, discipline },
            evidence: [{ kind: 'told', thought: id }],
          });
          const before = diagnose({ on: '2026-05-04', athlete: { ...athlete, discipline }, evidence: [] });
          for (const [finding] of here) expect(judged.posterior[finding]!).toBeGreaterThan(before.posterior[finding]!);
          if (harmless !== null) expect(judged.posterior).toEqual(before.posterior);
        }
      }
    expect(new Set(THOUGHTS.map((t) => t.id)).size).toBe(THOUGHTS.length);
    expect(() => thoughtById('none')).toThrow(RangeError);
  });

  it('that mislead raise the cue behind them; harmless ones say nothing', () => {
    const of = (thoughts: readonly string[]) =>
      diagnose({ on: '2026-05-04', athlete, evidence: [...intakeEvidence(thoughts, NOTHING).values()] }).posterior;
    const before = of([]);
    expect(of(['move-push'])['push-misread']! - before['push-misread']!).toBeGreaterThan(0.14);
    expect(of(['lift-balance'])['balance-overtaught']! - before['balance-overtaught']!).toBeGreaterThan(0.14);
    expect(of(['set-quiet', 'lift-high'])).toEqual(before);
  });

  it('about fear weigh as much as having been told to push, and the same word twice counts once', () => {
    const on = '2026-05-04';
    const rise = (evidence: readonly Evidence[], finding: FindingId) => {
      const [now, before] = [evidence, []].map((e) => diagnose({ on, athlete, evidence: e }).posterior[finding]!);
      return now! / (1 - now!) / (before! / (1 - before!));
    };
    const push = rise([{ kind: 'history', event: 'told-to-push' }], 'push-misread');
    expect(rise([{ kind: 'told', thought: 'land-careful' }], 'fear-of-falling')).toBeCloseTo(push, 1);
    expect(rise([{ kind: 'told', thought: 'move-push' }], 'push-misread')).toBeCloseTo(push, 1);
    const both: Evidence[] = [
      { kind: 'told', thought: 'move-push' },
      { kind: 'history', event: 'told-to-push' },
    ];
    expect(rise(both, 'push-misread')).toBeLessThan(1.7 * push);
  });

  it('and history are kept each under a key of its own', () => {
    const found = intakeEvidence(['move-push'], { armPain: true, elbowSurgery: true, timeAway: true });
    expect([...found.keys()]).toEqual(['thought:move-push', 'history:arm-pain', 'history:elbow-surgery', 'history:time-away']);
  });
});
