/** What is said of a camp with the names of whom and what it is about. */
import type { CampSchedule, CampViolation } from './types';

type Names = ReadonlyMap<string, string>;

const named = (text: string, names: Names): string =>
  [...names].reduce((said, [id, name]) => (said.includes(id) ? said.split(id).join(name) : said), text);

/** @param names of athletes and stations by their ids @returns each sentence once */
export const violationsInWords = (violations: readonly CampViolation[], names: Names): string[] => [
  ...new Set(violations.map(({ detail }) => named(detail, names))),
];

/** Why a camp cannot be held, and the least that would mend it. */
export const infeasibleInWords = (infeasible: CampSchedule['infeasible'], names: Names): CampSchedule['infeasible'] =>
  infeasible && { reason: named(infeasible.reason, names), relax: infeasible.relax.map((text) => named(text, names)) };
