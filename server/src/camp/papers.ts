/** A camp on paper: run sheets for stations, coaches and athletes, and the reports to take home. */
import type { CampPaperQuery, CampRecord, Download, NamedId } from '@wrightonic/contract';
import { clockOf, dayInWords, daysInWords, rotationTimes } from '@wrightonic/core';
import type { Content } from 'pdfmake/interfaces';
import type { Context } from '../common/context';
import { academyLibrary } from '../library/library';
import { bullets, heading, line, newPage, soft, table, together } from '../report/paper';
import { footOf, pdf } from '../report/papers';
import { conflict } from '../problems';
import { camp } from './camps';
import { reportsPaper } from './report-paper';
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
  const pages: Record<Exclude<CampPaperQuery['of'], 'reports'>, () => Content[][]> = {
    stations: () => data.stations.map((station) => stationPage(data, station, drillOf(station.drill))),
    coaches: () => data.coaches.filter((c) => data.stations.some((s) => s.coach === c.id)).map((c) => coachPage(data, c)),
    athletes: () => data.athletes.map((athlete) => athletePage(data, athlete)),
  };
  const content = pages[of]();
  if (content.length === 0)
    throw conflict(
      'No station has a coach',
      'Say at each station who runs it; the run sheets of the coaches are made from that.',
    );
  return pdf(ctx, `${data.name} ${of}`, {
    title: of === 'stations' ? 'Run sheets of the stations' : 'Where to go',
    whose: `${data.name}, ${daysInWords(data.days[0]!.date, data.days.at(-1)!.date)}`,
    foot: footOf(ctx),
    content: content.flatMap((page, n) => (n === 0 ? page : [newPage(), ...page])),
  });
}

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
        times[n]!.map((time, rotation) => [time, who(data, station.id, n, rotation) || 'nobody']),
        [86, '*'],
      ),
    ]),
  ];
}

/** Who is at a station in a rotation; nothing where nobody is. */
function who(data: CampRecord, station: string, day: number, rotation: number): string {
  const there = new Set(
    data.visits.filter((v) => v.station === station && v.day === day && v.rotation === rotation).map((v) => v.athlete),
  );
  return data.athletes
    .filter((a) => there.has(a.athlete))
    .map((a) => `${a.name}${a.locked === null ? '' : ' (no throwing)'}`)
    .sort()
    .join(', ');
}

/** All stations of one coach through the days. */
function coachPage(data: CampRecord, { id, name }: NamedId): Content[] {
  const times = timesOf(data);
  const own = data.stations.filter((s) => s.coach === id);
  return [
    heading(name),
    line(`Runs ${own.map((s) => (s.place === null ? s.name : `${s.name} (${s.place})`)).join(', ')}.`),
    ...data.days.map((day, n) =>
      together(
        soft(dayInWords(day.date)),
        table(
          ['When', 'Station', 'Who'],
          times[n]!.flatMap((time, rotation) =>
            own.map((s, k) => [k === 0 ? time : '', s.name, who(data, s.id, n, rotation) || 'nobody']),
          ),
          [86, 110, '*'],
        ),
      ),
    ),
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
