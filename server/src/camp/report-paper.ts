/** Reports of a camp, on paper. */
import type { CampReport, CampReports } from '@wrightonic/contract';
import { dayInWords, daysInWords } from '@wrightonic/core';
import { bullets, heading, line, newPage, soft, table, together } from '../report/paper';
import type { Paper } from '../report/paper';
import { toPrint } from '../report/papers';

type ToPrint = Pick<CampReports, 'camp' | 'from' | 'to' | 'reports'> & {
  /** Why there is no throwing now, whatever was planned; null where there is. */
  readonly locked?: string | null;
};

/** @returns one page, or a few, for each athlete */
export const reportsPaper = (reports: ToPrint, foot: string): Paper => ({
  title: reports.camp,
  whose: daysInWords(reports.from, reports.to),
  foot,
  content: reports.reports.flatMap((report, n) => [
    ...(n === 0 ? [] : [newPage()]),
    ...reportPage(report, reports.locked ?? null),
  ]),
});

const reportPage = (
  { athlete, speed, focus, drills, home, homeWhy, pictures, throws, reps }: CampReport,
  locked: string | null,
): Paper['content'] => [
  heading(athlete.name),
  ...(locked === null ? [] : [line(`No throwing now. ${locked}`)]),
  line(`${reps} reps on the days of the camp, ${throws} of them throws.`),
  heading('Speed'),
  line(speed.sentence),
  heading('What we work on'),
  line(focus ?? 'No focus was chosen at the camp.'),
  heading('To remember'),
  drills.length > 0
    ? bullets(drills.map((d) => `${d.name}: ${d.cue} (${d.good} of ${d.reps} good)`))
    : line('No drill was logged at the camp.'),
  heading('Four weeks at home'),
  ...(home === null
    ? [line(homeWhy ?? 'There is no home work.')]
    : home.map((day) =>
        together(
          soft(`${dayInWords(day.date)}, ${day.minutes} min, ${day.throws > 0 ? `${day.throws} throws` : 'no throws'}`),
          table(
            ['Drill', 'How much', 'Cue'],
            day.items.map((i) => [i.drill, i.dose, i.cue]),
            ['*', 90, '*'],
          ),
        ),
      )),
  { pictures: pictures.map(toPrint) },
];
