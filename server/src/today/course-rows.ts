/** Foci whose course asks for something, with whose they are. */
import type { FindingId } from '@wrightonic/core';
import type { Knex } from 'knex';
import type { Context } from '../common/context';
import type { FocusDbRow } from '../db/tables';

/** Courses that ask for the coach's word, in the order in which they press. */
export const PRESSING = ['relapsed', 'stuck', 'done'] as const;

export type CourseRow = Pick<FocusDbRow, 'course' | 'course_why' | 'watch_why'> & {
  readonly athlete: string;
  readonly name: string;
  readonly finding: FindingId;
};

/** By name. @param narrow which of the foci of athletes that are here */
export function courseRows(ctx: Context, most: number, narrow: (query: Knex.QueryBuilder) => void): Promise<CourseRow[]> {
  const query = ctx.tenant
    .from('foci')
    .join('athletes', 'athletes.id', 'foci.athlete_id')
    .where('athletes.archived', false)
    .orderBy(['athletes.name', 'foci.id'])
    .limit(most);
  narrow(query);
  return query.select(
    'athletes.id as athlete',
    'athletes.name',
    'foci.finding',
    'foci.course',
    'foci.course_why',
    'foci.watch_why',
  );
}
