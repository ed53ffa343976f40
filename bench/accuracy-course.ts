/**
 * How often a focus is called done in those who have not moved, and missed in those who have, over made-up athletes of every finding
 * that a measure tells of. What is measured is drawn here: truth, what differs from day to day, and the error of the reading.
 */
import { addDays, courseOf, measureBand, measureById, measuresOf, randomFrom } from '@wrightonic/core';
import type { CourseValue, Discipline, FindingId, Random } from '@wrightonic/core';
import { FINDINGS } from '../packages/core/src/findings/catalogue';
import { SIGNS } from '../packages/core/src/findings/signs';

const SEED = Number(process.env.ACCURACY_SEED ?? 440_000);
const EACH = Number(process.env.ACCURACY_ATHLETES ?? 200);
const START = '2031-01-06';
const WEEKS = [0, 2, 4, 6, 8, 10];

/** `same`: as on the first day · `half`: half of the way · `good`: in the middle of what is good, from week four on. */
type Kind = 'same' | 'half' | 'good';

interface Told {
  readonly finding: FindingId;
  readonly discipline: Discipline;
}

function lived({ finding, discipline }: Told, kind: Kind, random: Random): 'done' | 'not' {
  const signs = SIGNS.filter((s) => s.finding === finding && (!s.disciplines || s.disciplines.includes(discipline)));
  const values: CourseValue[] = [];
  for (const week of WEEKS) {
    for (const sign of signs) {
      const event = sign.events?.[0] ?? measureById(sign.measure).bands[discipline]?.[0]?.event ?? 'contact';
      const out = sign.side === 'below' ? -1 : 1;
      const at = sign.side === 'outside' ? sign.upTo! : sign.at;
      // Where the fault clearly shows, and where nobody would speak of it: in its band, or as far on the other side.
      const fault = at + out * sign.spread;
      const band = measureBand(sign.measure, event, discipline, 20);
      const edge = sign.side === 'below' ? band?.low : band?.high;
      const good = (edge !== undefined && out * (edge - at) < 0 ? edge : at) - out * sign.spread;
      const share = kind === 'same' || week < 4 ? 0 : kind === 'half' ? 0.5 : 1;
      const sd = measureById(sign.measure).typicalSd;
      values.push({
        on: addDays(START, 7 * week),
        measure: sign.measure,
        event,
        value: fault + share * (good - fault) + random.normal(0, sd),
        sd,
        effort: [95, 95],
      });
    }
    const course = courseOf({
      finding,
      discipline,
      age: 20,
      flagged: false,
      startedOn: START,
      ownedOn: null,
      values,
      verdictsWithoutMove: 0,
      thrownOn: [],
      today: addDays(START, 7 * week),
    });
    if (course.state === 'done') return 'done';
  }
  return 'not';
}

const told = FINDINGS.flatMap((f) =>
  f.disciplines.flatMap((discipline): Told[] => (measuresOf(f.id, discipline).length > 0 ? [{ finding: f.id, discipline }] : [])),
);
const rows = told.map((one, index) => {
  const random = randomFrom(SEED + index);
  const share = (kind: Kind) =>
    Array.from({ length: EACH }, () => lived(one, kind, random)).filter((end) => end === 'done').length / EACH;
  return { ...one, same: share('same'), half: share('half'), good: share('good') };
});
const mean = (kind: Kind) => rows.reduce((sum, row) => sum + row[kind], 0) / rows.length;
const percent = (share: number) => `${(100 * share).toFixed(1)} %`;
process.stdout.write(
  `\nDone decisions, ${rows.length} findings × ${EACH} athletes, six dates two weeks apart, looked at after each (seed ${SEED})\n` +
    `  false: nothing has moved        ${percent(mean('same'))} called done, most ${percent(Math.max(...rows.map((r) => r.same)))}\n` +
    `  half of the way                 ${percent(mean('half'))} called done\n` +
    `  missed: good from week four on  ${percent(1 - mean('good'))} not called done, most ${percent(1 - Math.min(...rows.map((r) => r.good)))}\n`,
);
for (const row of [...rows].sort((a, b) => b.same - a.same || a.good - b.good).slice(0, 5))
  process.stdout.write(`    ${row.finding}, ${row.discipline}: false ${percent(row.same)}, missed ${percent(1 - row.good)}\n`);
