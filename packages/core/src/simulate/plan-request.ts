/** Made-up athletes to plan for, of kinds that instructors meet: ages, places, seasons, gaps, clearances, limits, cues. */
import { EQUIPMENT } from '../drills/types';
import type { Equipment, Place, Rung } from '../drills/types';
import { ARROWS } from '../findings/arrows';
import { FINDINGS } from '../findings/catalogue';
import type { FindingId } from '../findings/ids';
import type { Season } from '../load/rules';
import type { PlanRequest, Slot } from '../plan/types';
import { addDays } from '../shared/dates';
import type { IsoDate, Weekday } from '../shared/dates';
import type { Random } from '../shared/random';

export const PLAN_KINDS = [
  'cage and mound',
  'cage, no mound',
  'home alone',
  'home with net or partner',
  'no kit',
  'in season',
  'under ten',
  'ten to twelve',
  'two foci',
  'a limit',
  'a cue',
  'flagged',
  'after a gap',
  'nothing on record',
  'cleared with limits',
  'locked',
  'high rung',
] as const;
export type PlanKind = (typeof PLAN_KINDS)[number];

const WEEK: readonly (readonly Weekday[])[] = [
  ['mon', 'wed', 'fri'],
  ['tue', 'thu', 'sat'],
  ['mon', 'thu'],
  ['tue', 'fri', 'sat'],
  ['mon', 'wed', 'fri', 'sun'],
  ['wed', 'sat'],
];

interface Made {
  readonly kind: PlanKind;
  readonly request: PlanRequest;
}

const whole = (random: Random, low: number, high: number): number => low + Math.floor((high - low + 1) * random.uniform());

/** Eight weeks of training, a steady week after week with some noise, the newest day some days before. */
function record(random: Random, on: IsoDate, weekly: number, daysAWeek: number, daysOff: number): PlanRequest['recentLoad'] {
  const rows: { date: IsoDate; throws: number; highEffort: number }[] = [];
  for (let week = 8; week >= 1; week--)
    for (let n = 0; n < daysAWeek; n++) {
      const back = 7 * week - Math.floor((7 * n) / daysAWeek);
      if (back <= daysOff) continue;
      const throws = Math.round((weekly / daysAWeek) * (0.85 + 0.3 * random.uniform()));
      rows.push({ date: addDays(on, -back), throws, highEffort: random.chance(0.3) ? Math.min(8, throws) : 0 });
    }
  return rows;
}

/** An athlete of a kind, with what was found of them and where they can work. */
export function makePlanRequest(random: Random, kind: PlanKind): Made {
  const on = addDays('2026-01-10', whole(random, 0, 300));
  const age =
    kind === 'under ten' ? whole(random, 7, 9) : kind === 'ten to twelve' ? whole(random, 10, 12) : whole(random, 11, 21);
  const discipline = random.chance(0.5) ? ('overhand' as const) : ('windmill' as const);
  const here = FINDINGS.filter((f) => f.disciplines.includes(discipline));
  const kindOf = kind === 'a limit' ? 'limit' : kind === 'a cue' ? 'cue' : 'habit';
  const first = random.pick(here.filter((f) => f.kind === kindOf && (kindOf !== 'habit' || f.area !== 'arm-action')));
  const second = random.pick(here.filter((f) => f.area === 'arm-action'));
  const rung = (top: number): Rung => whole(random, first.kind === 'limit' ? 0 : 1, top) as Rung;
  const highest = kind === 'high rung' ? 8 : 5;
  const focus: { finding: FindingId; rung: Rung }[] = [
    {
      finding: first.id,
      rung:
        first.kind === 'limit'
          ? (whole(random, 0, 1) as Rung)
          : kind === 'high rung'
            ? (whole(random, 5, 8) as Rung)
            : rung(highest),
    },
  ];
  if (kind === 'two foci') focus.push({ finding: second.id, rung: rung(5) });
  const behind = ARROWS.filter((a) => focus.some((f) => f.finding === a.consequence))
    .map((a) => a.cause)
    .filter((id) => here.some((f) => f.id === id));
  const present: Partial<Record<FindingId, number>> = {};
  const cleared: FindingId[] = [];
  for (const { finding } of focus) present[finding] = 0.7 + 0.3 * random.uniform();
  for (const id of behind) {
    if (random.chance(0.3)) cleared.push(id);
    else present[id] = Math.round(100 * random.uniform()) / 100;
  }
  const home = kind === 'home alone' || kind === 'home with net or partner';
  const days = random.pick(WEEK);
  const mound = kind === 'cage and mound' || kind === 'high rung';
  const place = (n: number): Place =>
    home ? 'home' : mound && n === days.length - 1 ? 'mound' : random.pick(['cage', 'field', 'cage'] as const);
  const availability: Slot[] = days.map((weekday, n) => ({
    weekday,
    minutes: home ? random.pick([20, 25, 30, 40]) : random.pick([30, 40, 45, 60, 75, 90]),
    place: place(n),
  }));
  if (!home && random.chance(0.3)) {
    const free = (['mon', 'tue', 'wed', 'thu', 'fri', 'sat', 'sun'] as const).filter((d) => !days.includes(d));
    availability.push({ weekday: random.pick(free), minutes: 20, place: 'home', equipment: [] });
  }
  const partner = kind === 'home alone' ? false : kind === 'home with net or partner' ? random.chance(0.5) : random.chance(0.6);
  const kit: Equipment[] =
    kind === 'no kit'
      ? []
      : kind === 'home alone'
        ? EQUIPMENT.filter((e) => ['band', 'mirror', 'mat'].includes(e) && random.chance(0.5))
        : EQUIPMENT.filter((e) => e !== 'weighted-ball' && random.chance(0.75));
  if (kind === 'home with net or partner' && !partner && !kit.includes('net')) kit.push('net');
  const season: Season = kind === 'in season' ? 'in' : random.pick(['off', 'pre'] as const);
  const games: { date: IsoDate; pitches: number }[] = [];
  if (kind === 'in season')
    for (let week = 0; week < 6; week++)
      for (let n = 0; n < whole(random, 0, 2); n++) {
        const date = addDays(on, 7 * week + whole(random, 0, 6));
        if (!games.some((g) => g.date === date)) games.push({ date, pitches: whole(random, 15, age < 13 ? 50 : 80) });
      }
  const usual = (age < 13 ? 1.3 : 1.8) * (0.6 + 0.6 * random.uniform()) * (age < 11 ? 80 : age < 15 ? 105 : 120);
  const gap = kind === 'after a gap' ? whole(random, 9, 60) : 0;
  const hurt = kind === 'locked' || kind === 'cleared with limits';
  const pain = hurt
    ? [{ date: addDays(on, -whole(random, 1, 10)), site: 'elbow' as const, score: whole(random, 3, 6) }]
    : random.chance(0.08)
      ? [{ date: addDays(on, -whole(random, 0, 3)), site: 'shoulder' as const, score: whole(random, 1, 2) }]
      : [];
  const clearances =
    kind === 'cleared with limits'
      ? [
          {
            date: on,
            at: '08:00',
            by: 'A. Clinician',
            until: addDays(on, whole(random, 20, 45)),
            mostThrows: whole(random, 20, 45),
            highestEffort: 70,
          },
        ]
      : [];
  const flag = here.filter((f) => f.healthFlag);
  return {
    kind,
    request: {
      on,
      athlete: {
        discipline,
        throws: random.chance(0.7) ? 'R' : 'L',
        birthDate: addDays(on, -Math.floor((age + 0.05 + 0.9 * random.uniform()) * 365.25)),
        heightM: Math.round(100 * Math.min(1.9, 1.22 + 0.05 * (age - 7))) / 100,
        massKg: Math.round(Math.min(85, 24 + 4.5 * (age - 7))),
        level: age < 13 ? 'youth' : age < 18 ? 'high-school' : 'college',
      },
      focus,
      judgement: { present, cleared },
      weeks: 6,
      availability,
      equipment: kit,
      partner,
      season,
      games,
      recentLoad: kind === 'nothing on record' ? [] : record(random, on, usual, Math.max(2, days.length), gap),
      pain,
      clearances,
      leagueDailyLimit: random.chance(0.15) ? whole(random, 40, 90) : null,
      flags: kind === 'flagged' && flag.length > 0 ? [random.pick(flag).id] : [],
      pinned: [],
    },
  };
}
