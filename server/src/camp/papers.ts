/** A camp on paper: reports to take home, and run sheets for stations and athletes. */
import type { CampPaperQuery, CampRecord, CampReport, CampReports, Download } from '@wrightonic/contract';
import { clockOf, dayInWords, rotationTimes } from '@wrightonic/core';
import type { Content } from 'pdfmake/interfaces';
import type { Context } from '../common/context';
import { academyLibrary } from '../library/library';
import { bullets, heading, line, newPage, soft, table, together } from '../report/paper';
import type { Paper } from '../report/paper';
import { footOf, pdf } from '../report/papers';
import { conflict } from '../problems';
import { camp } from './camps';
import { campReports } from './reports';

export async function campPaper(ctx: Context, id: string, { of }: CampPaperQuery): Promise<Download> {
  if (of === 'reports') {
    const reports = await campReports(ctx, id);
    if (reports.reports.length === 0) throw conflict('Nobody was there', 'The camp has no athletes to report on.');
    return pdf(ctx, `${reports.camp} reports`, reportsPaper(reports, footOf(ctx)));
  }
  const data = await camp(ctx, id);
  if (data.visits.length === 0) throw conflict('There is no schedule', 'Make a schedule first; the run sheets are made from it.');
  const library = await academyLibrary(ctx);
  const drillOf = (drill: string | null) => (drill !== null && library.has(drill) ? library.drill(drill) : null);
  const content =
    of === 'stations'
      ? data.stations.map((station) => stationPage(data, station, drillOf(station.drill)))
      : data.athletes.map((athlete) => athletePage(data, athlete));
  return pdf(ctx, `${data.name} ${of}`, {
    title: of === 'stations' ? 'Run sheets of the stations' : 'Where to go',
    whose: `${data.name}, ${dates(data.days.map((d) => d.date))}`,
    foot: footOf(ctx),
    content: content.flatMap((page, n) => (n === 0 ? page : [newPage(), ...page])),
  });
}

const dates = (days: readonly string[]): string =>
  days.length === 1 ? dayInWords(days[0]!) : `${dayInWords(days[0]!)} to ${dayInWords(days.at(-1)!)}`;

function timesOf(data: CampRecord): readonly (readonly string[])[] {
  return data.days.map((day) => rotationTimes(day).map(({ from, to }) => `${clockOf(from)} to ${clockOf(to)}`));
}

function stationPage(
  data: CampRecord,
  station: CampRecord['stations'][number],
  drill: {
    readonly name: string;
    readonly cue: { readonly external: string };
    readonly success: string;
    readonly cautions: readonly string[];
  } | null,
): Content[] {
  const times = timesOf(data);
  const nameOf = new Map(data.athletes.map((a) => [a.athlete, a]));
  const coach = data.coaches.find((c) => c.id === station.coach)?.name;
  return [
    heading([station.name, ...(station.place === null ? [] : [station.place]), ...(coach ? [coach] : [])].join(', ')),
    line(
      [
        ...(drill ? [`${drill.name}.`, `Cue: ${drill.cue.external}.`, `Good when: ${drill.success}.`] : []),
        station.throwsPerVisit > 0 ? `${station.throwsPerVisit} throws a visit${station.hard ? ', hard' : ''}.` : 'No throws.',
      ].join(' '),
    ),
    ...(drill && drill.cautions.length > 0 ? [bullets(drill.cautions)] : []),
    ...data.days.flatMap((day, n) => [
      soft(dayInWords(day.date)),
      table(
        ['When', 'Who'],
        times[n]!.map((time, rotation) => [
          time,
          data.visits
            .filter((v) => v.station === station.id && v.day === n && v.rotation === rotation)
            .map((v) => nameOf.get(v.athlete))
            .filter((a) => a !== undefined)
            .map((a) => `${a.name}${a.locked === null ? '' : ' (no throwing)'}`)
            .sort()
            .join(', ') || 'nobody',
        ]),
        [86, '*'],
      ),
    ]),
  ];
}

function athletePage(data: CampRecord, athlete: CampRecord['athletes'][number]): Content[] {
  const times = timesOf(data);
  const stations = new Map(data.stations.map((s) => [s.id, s]));
  return [
    heading(athlete.name),
    ...(athlete.locked === null ? [] : [line(`No throwing. ${athlete.locked}`)]),
    ...data.days.map((day, n) =>
      together(
        soft(dayInWords(day.date)),
        table(
          ['When', 'Where', 'Place'],
          times[n]!.map((time, rotation) => {
            const visit = data.visits.find((v) => v.athlete === athlete.athlete && v.day === n && v.rotation === rotation);
            const station = visit && stations.get(visit.station);
            return [time, station?.name ?? 'not here', station?.place ?? ''];
          }),
          [86, '*', '*'],
        ),
      ),
    ),
  ];
}

/** @returns one page, or a few, for each athlete */
export const reportsPaper = (reports: CampReports, foot: string): Paper => ({
  title: reports.camp,
  whose: reports.from === reports.to ? dayInWords(reports.from) : `${dayInWords(reports.from)} to ${dayInWords(reports.to)}`,
  foot,
  content: reports.reports.flatMap((report, n) => [...(n === 0 ? [] : [newPage()]), ...reportPage(report)]),
});

const reportPage = ({ athlete, speed, focus, drills, home, homeWhy, throws, reps }: CampReport): Content[] => [
  heading(athlete.name),
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
];
