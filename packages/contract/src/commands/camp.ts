/** What the camp scheduler is asked. */
import { CAMP_CHANGES, STATION_KINDS } from '@wrightonic/core/camp';
import type { Assignment, CampAthlete, CampChange, CampDay, CampRequest, CampStation } from '@wrightonic/core/camp';
import Joi from 'joi';
import { CAMP_MOST } from '../camp/camp';
import { clockTime } from '../load/load';
import { count, errorAt, isoDate, listOf, objectOf, oneOf, text } from '../schema/schema';

/** Matched by name alone: an academy’s own findings are as good as the catalogue’s. */
const findings = () => listOf(text(60), 100);
const whichDay = () =>
  Joi.number()
    .integer()
    .min(0)
    .max(CAMP_MOST.days - 1)
    .required();
const whichRotation = () =>
  Joi.number()
    .integer()
    .min(0)
    .max(CAMP_MOST.rotations - 1)
    .required();

const daySchema = objectOf<CampDay>({
  date: isoDate().required(),
  start: clockTime().required(),
  rotations: Joi.number().integer().min(1).max(CAMP_MOST.rotations).required(),
  minutes: Joi.number().integer().min(1).max(240).required(),
});

const athleteSchema = objectOf<CampAthlete>({
  id: text(60).required(),
  age: Joi.number().min(4).max(99).required(),
  throws: oneOf(['R', 'L'] as const).required(),
  focus: findings().required(),
  throwBudget: count(1000).required(),
  locked: Joi.boolean().required(),
  group: text(60),
  with: listOf(text(60), CAMP_MOST.athletes),
  notAt: listOf(text(60), CAMP_MOST.stations),
});

const stationSchema = objectOf<CampStation>({
  id: text(60).required(),
  kind: oneOf(STATION_KINDS).required(),
  treats: findings(),
  capacity: count(1000).required(),
  kit: count(1000),
  throwsPerVisit: count(1000).required(),
  hard: Joi.boolean().required(),
});

const assignmentSchema = objectOf<Assignment>({
  athlete: text(60).required(),
  day: whichDay(),
  rotation: whichRotation(),
  station: text(60).required(),
});

const changeSchema = objectOf<CampChange>({
  day: whichDay(),
  fromRotation: whichRotation(),
  type: oneOf(CAMP_CHANGES).required(),
  id: text(60).required(),
});

/** Every id is of somebody or something at the camp, and every rotation is of its day. */
const nobodyElse: Joi.CustomValidator<CampRequest> = (camp, helpers) => {
  const athletes = new Set(camp.athletes.map((a) => a.id));
  const stations = new Set(camp.stations.map((s) => s.id));
  const known = (ids: ReadonlySet<string>, id: string, what: string, path: (string | number)[]) =>
    ids.has(id) ? null : errorAt(helpers, 'camp.unknown', { id, what }, path);
  const inDay = (day: number, rotation: number, path: (string | number)[], field: string) => {
    const of = camp.days[day];
    if (!of) return errorAt(helpers, 'camp.day', { days: camp.days.length }, [...path, 'day']);
    return rotation < of.rotations ? null : errorAt(helpers, 'camp.rotation', { rotations: of.rotations }, [...path, field]);
  };
  const taken = new Set<string>();
  const twice = (a: Assignment, path: (string | number)[]) => {
    const key = JSON.stringify([a.athlete, a.day, a.rotation]);
    if (taken.has(key)) return errorAt(helpers, 'camp.twice', { id: a.athlete }, path);
    taken.add(key);
    return null;
  };
  const faults = [
    ...camp.athletes.flatMap((a, n) =>
      (a.notAt ?? []).map((id, k) => known(stations, id, 'station', ['athletes', n, 'notAt', k])),
    ),
    ...camp.athletes.flatMap((a, n) => (a.with ?? []).map((id, k) => known(athletes, id, 'athlete', ['athletes', n, 'with', k]))),
    ...(camp.current ?? []).flatMap((a, n) => [
      known(athletes, a.athlete, 'athlete', ['current', n, 'athlete']),
      known(stations, a.station, 'station', ['current', n, 'station']),
      inDay(a.day, a.rotation, ['current', n], 'rotation'),
      twice(a, ['current', n]),
    ]),
    ...(camp.changes ?? []).flatMap((c, n) => [
      c.type === 'station-closed'
        ? known(stations, c.id, 'station', ['changes', n, 'id'])
        : known(athletes, c.id, 'athlete', ['changes', n, 'id']),
      inDay(c.day, c.fromRotation, ['changes', n], 'fromRotation'),
    ]),
  ];
  return faults.find((fault) => fault !== null) ?? camp;
};

export const campRequestSchema = objectOf<CampRequest>({
  days: listOf(daySchema, CAMP_MOST.days).min(1).unique('date').required(),
  athletes: listOf(athleteSchema, CAMP_MOST.athletes).unique('id').required(),
  stations: listOf(stationSchema, CAMP_MOST.stations).min(1).unique('id').required(),
  secondsLimit: Joi.number().positive().max(600).default(5),
  seed: Joi.number()
    .integer()
    .min(0)
    .max(2 ** 31 - 1)
    .default(1),
  current: listOf(assignmentSchema, CAMP_MOST.days * CAMP_MOST.rotations * CAMP_MOST.athletes),
  changes: listOf(changeSchema, 500),
  now: objectOf<NonNullable<CampRequest['now']>>({ day: whichDay(), rotation: whichRotation() }),
})
  .custom(nobodyElse)
  .messages({
    'camp.unknown': '“{{#id}}” is no {{#what}} of this camp: use an id of its list',
    'camp.day': '{{#label}} is no day of this camp: it has {{#days}}, counted from 0',
    'camp.rotation': '{{#label}} is no rotation of its day: it has {{#rotations}}, counted from 0',
    'camp.twice': '{{#label}} sends “{{#id}}” to a second station in the same rotation',
  });
