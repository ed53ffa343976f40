import type { PlanItem } from '@wrightonic/core';

/** How much of a drill, as papers say it. @example "2 × 8, 60 to 70 %" */
export const doseInWords = ({ sets, reps, holdS, effort, throws }: PlanItem): string =>
  [
    `${sets} × ${reps}`,
    ...(holdS === undefined ? [] : [`hold ${holdS} s`]),
    ...(throws > 0 ? [effort[0] === effort[1] ? `${effort[0]} %` : `${effort[0]} to ${effort[1]} %`] : []),
  ].join(', ');
