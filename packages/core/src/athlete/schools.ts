import type { Discipline } from '../delivery/links';

/** Schools of thought: open questions on which good instructors differ. */
export const SCHOOL_OPTIONS = {
  driveLeg: ['fall', 'push', 'sit'],
  lift: ['pause', 'moving'],
  backFoot: ['heel-long', 'inside-edge'],
  method: ['surroundings', 'positions', 'words', 'mixed'],
  repairOrder: ['first-link', 'biggest-leak', 'body-first'],
  separation: ['hips', 'hands'],
  windmillFinish: ['half-closed', 'close'],
} as const;

export type SchoolQuestion = keyof typeof SCHOOL_OPTIONS;
export type Schools = { readonly [Q in SchoolQuestion]: (typeof SCHOOL_OPTIONS)[Q][number] };

/** The academy's answers with the defaults for this athlete filled in. */
export function resolveSchools(given: Partial<Schools> | undefined, discipline: Discipline, age: number): Schools {
  const drive = discipline === 'windmill' ? 'push' : age < 15 ? 'fall' : 'sit';
  return {
    driveLeg: given?.driveLeg ?? drive,
    lift: given?.lift ?? (age < 12 ? 'pause' : 'moving'),
    backFoot: given?.backFoot ?? 'heel-long',
    method: given?.method ?? 'mixed',
    repairOrder: given?.repairOrder ?? 'biggest-leak',
    separation: given?.separation ?? 'hips',
    windmillFinish: given?.windmillFinish ?? 'half-closed',
  };
}
