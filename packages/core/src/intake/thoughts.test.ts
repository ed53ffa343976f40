import { diagnose } from '../diagnosis/diagnose';
import { LINKS } from '../delivery/links';
import type { AthleteProfile } from '../shared/athlete';
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
        for (const { evidence } of thoughtsAt(link, discipline))
          if (evidence)
            expect(() => diagnose({ on: '2026-05-04', athlete: { ...athlete, discipline }, evidence: [evidence] })).not.toThrow();
      }
    expect(new Set(THOUGHTS.map((t) => t.id)).size).toBe(THOUGHTS.length);
    expect(() => thoughtById('none')).toThrow(RangeError);
  });

  it('that mislead raise the cue behind them; harmless ones say nothing', () => {
    const of = (thoughts: readonly string[]) =>
      diagnose({ on: '2026-05-04', athlete, evidence: [...intakeEvidence(thoughts, NOTHING).values()] }).posterior;
    const before = of([]);
    expect(of(['move-push'])['push-misread']! - before['push-misread']!).toBeGreaterThan(0.15);
    expect(of(['lift-balance'])['balance-overtaught']! - before['balance-overtaught']!).toBeGreaterThan(0.15);
    expect(of(['set-quiet', 'lift-high'])).toEqual(before);
  });

  it('and history are kept each under a key of its own', () => {
    const found = intakeEvidence(['move-push'], { armPain: true, elbowSurgery: true, timeAway: true });
    expect([...found.keys()]).toEqual(['thought:move-push', 'history:arm-pain', 'history:elbow-surgery', 'history:time-away']);
  });
});
