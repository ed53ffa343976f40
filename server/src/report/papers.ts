/** What stands on each paper. */
import type {
  AthleteOverview,
  Download,
  PaperQuery,
  PlanRecord,
  ReportSheet,
  SheetPicture,
  SheetQuery,
} from '@wrightonic/contract';
import { ageOn, dayInWords, RUNG_NAMES, sheetRow, sheetWords, UNITS } from '@wrightonic/core';
import type { Library } from '@wrightonic/core';
import { athleteRecord } from '../athlete/athletes';
import type { Context } from '../common/context';
import { academyLibrary, academyWords } from '../library/library';
import { overview } from '../overview/overview';
import { newestPlan } from '../plan/plans';
import { conflict } from '../problems';
import { doseInWords } from './dose';
import { bullets, heading, line, soft, table, together } from './paper';
import type { Paper } from './paper';
import { reportSheet } from './sheet';

const CARE = 'Work never overrides pain, a league’s rule or a licensed clinician.';

export const footOf = (ctx: Context): string => `${ctx.academy.name}, ${dayInWords(ctx.today)}. ${CARE}`;

/** A picture with what stands under it. */
export const toPrint = ({ on, of, url }: SheetPicture) => ({ url, says: `${dayInWords(on)}, ${of}` });

/** Two dates side by side. */
export function sheetPaper(report: ReportSheet, foot: string): Paper {
  const units = UNITS[report.lengthUnit];
  const { sheet } = report;
  const words = sheetWords(sheet, units);
  return {
    title: 'Then and now',
    whose: `${report.athlete}, ${words.title}`,
    foot,
    content: [
      heading('Speed'),
      line(words.speed),
      together(heading('Better'), words.better.length > 0 ? bullets(words.better) : line(words.noBetter)),
      together(heading('Next'), report.next.length > 0 ? bullets(report.next) : line('Nothing is planned yet.')),
      together(
        heading('Worse'),
        words.worse.length > 0 ? bullets(words.worse) : line(words.noWorse),
        ...(sheet.why === null ? [] : [soft(sheet.why)]),
      ),
      ...(sheet.measures.length > 0
        ? [
            heading('All that was measured on both dates'),
            ...(sheet.unlike === null ? [] : [soft(sheet.unlike)]),
            table(
              ['Measure', 'Then', 'Now', 'Change', ''],
              sheet.measures.map((m) => sheetRow(m, units)),
              ['*', 82, 82, 66, 60],
            ),
            soft(words.footnote),
          ]
        : []),
      { pictures: report.pictures.map(toPrint) },
    ],
  };
}

function planPaper(athlete: string, { plan }: PlanRecord, library: Library, foot: string): Paper {
  return {
    title: 'The plan',
    whose: athlete,
    foot,
    content: plan.sessions.flatMap((session) => [
      together(
        heading(
          `${dayInWords(session.date)}, ${session.place}, ${session.minutes} min${session.throws > 0 ? `, ${session.throws} throws` : ', dry'}${session.testDay ? ', test day' : ''}`,
        ),
        table(
          ['Drill', 'How much', 'Cue', 'Good when'],
          session.items.map((item) => [library.drill(item.drill).name, doseInWords(item), item.cue, item.success]),
          ['*', 78, '*', '*'],
        ),
        ...(session.note ? [soft(session.note)] : []),
      ),
    ]),
  };
}

async function athletePaper(ctx: Context, data: AthleteOverview): Promise<Paper> {
  const [words, library] = await Promise.all([academyWords(ctx), academyLibrary(ctx)]);
  const { athlete, foci, speed, workload, told } = data;
  const work = data.today ?? data.next;
  const { throwsLeft, highEffortLeft, restUntil, locked } = workload.today;
  const arm = locked
    ? locked.reason
    : [
        `${throwsLeft} throws left today, ${highEffortLeft} of them at 90 % and more`,
        ...(restUntil === null ? [] : [`rest from pitching until ${dayInWords(restUntil)}`]),
      ].join('; ') + '.';
  return {
    title: athlete.name,
    whose: `${ageOn(athlete.birthDate, ctx.today)} years, ${athlete.discipline}, throws ${athlete.throws === 'R' ? 'right' : 'left'}`,
    foot: footOf(ctx),
    content: [
      heading('What we work on'),
      ...(foci.length === 0 ? [line('No focus yet.')] : []),
      ...foci.map((f) => line(`${words.forAthlete(f.finding)} Rung ${f.rung}, ${RUNG_NAMES[f.rung].toLowerCase()}.`)),
      ...(told ? [soft(told.keep)] : []),
      heading('Speed'),
      line(speed?.sentence ?? 'No speed has been read yet.'),
      heading('The arm'),
      line(arm),
      ...(work
        ? [
            heading(`${work.on === ctx.today ? 'Today' : `Next, ${dayInWords(work.on)}`}: ${work.session.minutes} min`),
            table(
              ['Drill', 'How much', 'Cue'],
              work.session.items.map((item) => [library.drill(item.drill).name, doseInWords(item), item.cue]),
              ['*', 90, '*'],
            ),
          ]
        : []),
    ],
  };
}

/** A paper as a file. */
export const pdf = (ctx: Context, name: string, paper: Paper): Download => ({
  name: `${name}.pdf`,
  type: 'application/pdf',
  pieces: (async function* () {
    yield await ctx.think.paper(paper);
  })(),
});

export async function sheetPdf(ctx: Context, athlete: string, asked: SheetQuery): Promise<Download> {
  const report = await reportSheet(ctx, athlete, asked);
  return pdf(ctx, `${report.athlete} ${asked.from} ${asked.to}`, sheetPaper(report, footOf(ctx)));
}

export const sharedPdfOf = (ctx: Context, report: ReportSheet): Download =>
  pdf(ctx, `${report.athlete} ${report.sheet.to}`, sheetPaper(report, footOf(ctx)));

export async function paperOf(ctx: Context, athleteId: string, { paper }: PaperQuery): Promise<Download> {
  const { name } = await athleteRecord(ctx, athleteId);
  if (paper === 'athlete') return pdf(ctx, name, await athletePaper(ctx, await overview(ctx, athleteId)));
  const plan = await newestPlan(ctx, athleteId);
  if (!plan) throw conflict('There is no plan', 'No plan has been made for this athlete yet; make one first.');
  return pdf(ctx, `${name} plan`, planPaper(name, plan, await academyLibrary(ctx), footOf(ctx)));
}
