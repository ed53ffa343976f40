import { DISCIPLINES, LINKS } from '../delivery/links';
import { FINDINGS, findingById } from '../findings/catalogue';
import { resolveSchools } from '../athlete/schools';
import { THROWER } from '../testing/athletes';
import { diagnose } from '../diagnosis/diagnose';
import { DETAILS, detailsAt, glanceSays } from './glances';

const on = '2026-04-18';

describe.each(DISCIPLINES)('details to look at, %s', (discipline) => {
  const athlete = { ...THROWER, discipline };
  const before = diagnose({ on, athlete, evidence: [] }).posterior;

  it('leave no link with fewer than three questions', () => {
    for (const link of LINKS) {
      const looks = FINDINGS.filter((f) => f.phase === link && f.disciplines.includes(discipline)).length;
      expect([link, looks + detailsAt(link, discipline).length >= 3]).toEqual([link, true]);
    }
  });

  it.each(DETAILS.filter((d) => d.disciplines.includes(discipline)).map((d) => [d.id, d] as const))(
    '%s: each answer moves what it speaks of, and no two answers say the same',
    (_, { id, answers }) => {
      const schools = resolveSchools(undefined, discipline, 16);
      for (const answer of answers) {
        const { posterior } = diagnose({ on, athlete, evidence: [{ kind: 'glance', detail: id, answer: answer.id }] });
        const here = answer.says(schools).filter(([finding]) => findingById(finding).disciplines.includes(discipline));
        expect(here.length).toBeGreaterThan(0);
        for (const [finding, times] of here) {
          if (times > 1) expect(posterior[finding]!).toBeGreaterThan(before[finding]!);
          else expect(posterior[finding]!).toBeLessThan(before[finding]!);
        }
      }
      const said = answers.map((a) => JSON.stringify(glanceSays(id, a.id, schools)));
      expect(new Set(said).size).toBe(answers.length);
      expect(glanceSays(id, 'slack', schools) === null).toBe(id !== 'tether');
    },
  );
});
