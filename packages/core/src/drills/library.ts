import type { Discipline } from '../delivery/links';
import type { FindingId } from '../findings/ids';
import { CATALOGUE_WORDS, vocabularyOf } from '../findings/vocabulary';
import type { OwnFinding, Vocabulary } from '../findings/vocabulary';
import { baseOf, drillById, DRILLS, isCopy } from './catalogue';
import { LADDERS, ladderFrom } from './ladders';
import type { Ladder } from './ladders';
import { inOwnWay, newestOwn } from './own';
import type { OwnDrill, OwnLadder } from './own';
import type { Drill } from './types';

/** From here on a drill is said to do more, or less, than the others of a finding. */
export const SURE_OF_MORE = 0.8;

/** What an academy has seen of a drill in its own athletes, against the other drills of the finding. */
export interface HelpedDrill {
  readonly finding: FindingId;
  readonly discipline: Discipline;
  readonly drill: string;
  /** How sure it is that it does more than the others, on average; ½ where nothing is known. */
  readonly better: number;
  readonly athletes: number;
  /** Days of work with it. */
  readonly days: number;
}

/** What an academy says of drills and ladders; nothing of it where the catalogue counts. */
export interface OwnLibrary {
  /** Drills that are wanted before the others of their rung. */
  readonly first: readonly string[];
  /** Drills that are left out. */
  readonly never: readonly string[];
  readonly own?: readonly OwnDrill[];
  readonly ladders?: readonly OwnLadder[];
  /** The academy’s words for findings: their cues are the ones of the sessions. */
  readonly findings?: readonly OwnFinding[];
  /** What drills did here; the planner prefers what helped, within limits. */
  readonly helped?: readonly HelpedDrill[];
}

/** The drills and ladders of an academy: the catalogue’s, its own words for them, its copies, its own ladders. */
export interface Library {
  readonly drills: readonly Drill[];
  readonly has: (id: string) => boolean;
  /** @throws RangeError for an unknown id */
  readonly drill: (id: string) => Drill;
  /** Version of the academy’s words for a drill; 0 where it has none. */
  readonly version: (id: string) => number;
  /** @throws RangeError where the finding does not belong to the discipline */
  readonly ladder: (finding: FindingId, discipline: Discipline) => Ladder;
  /** How the academy says things of findings. */
  readonly words: Vocabulary;
}

const keyOf = (finding: FindingId, discipline: Discipline): string => `${discipline}|${finding}`;

/** The newest version of each own ladder; those that the catalogue’s replaced again are left out. */
export function newestLadders(ladders: readonly OwnLadder[]): readonly OwnLadder[] {
  const newest = new Map<string, OwnLadder>();
  for (const ladder of ladders) {
    const key = keyOf(ladder.finding, ladder.discipline);
    if (ladder.version > (newest.get(key)?.version ?? 0)) newest.set(key, ladder);
  }
  return [...newest.values()].filter(({ rungs }) => rungs !== null);
}

/** An academy’s library from its versions of drills, ladders and words for findings, in whatever order they come. */
export function libraryFrom(
  own: readonly OwnDrill[],
  ownLadders: readonly OwnLadder[],
  findings: readonly OwnFinding[] = [],
): Library {
  const newest = newestOwn(own);
  const copies = [...newest.keys()].filter(isCopy).sort();
  const drills = [...DRILLS, ...copies.map(drillById)].map((d) => inOwnWay(d, newest.get(d.id)));
  const byId = new Map(drills.map((d) => [d.id, d]));
  const chosen = new Map(newestLadders(ownLadders).map((l) => [keyOf(l.finding, l.discipline), l]));
  const ladders = new Map(
    copies.length + chosen.size === 0
      ? LADDERS.map((ladder) => [keyOf(ladder.finding, ladder.discipline), ladder])
      : LADDERS.map(({ finding, discipline }) => {
          const key = keyOf(finding, discipline);
          return [key, ladderFrom(drills, finding, discipline, chosen.get(key)?.rungs ?? null)];
        }),
  );
  return {
    drills,
    has: (id) => byId.has(id),
    drill: (id) => {
      const found = byId.get(id);
      // A plan or a log may name what this academy’s list does not have: of a copy the original is known all the same.
      return found ?? inOwnWay(drillById(id), newest.get(baseOf(id)));
    },
    version: (id) => newest.get(id)?.version ?? 0,
    ladder: (finding, discipline) => {
      const found = ladders.get(keyOf(finding, discipline));
      if (!found) throw new RangeError(`“${finding}” has no ladder in ${discipline}`);
      return found;
    },
    words: findings.length === 0 ? CATALOGUE_WORDS : vocabularyOf(findings),
  };
}

/** The catalogue as it ships. */
export const STANDARD_LIBRARY = libraryFrom([], []);

const MADE = new WeakMap<OwnLibrary, Library>();

/** The library that a request is planned with. */
export function libraryOf({ library }: { readonly library?: OwnLibrary }): Library {
  if (!library?.own && !library?.ladders && !library?.findings) return STANDARD_LIBRARY;
  const made = MADE.get(library) ?? libraryFrom(library.own ?? [], library.ladders ?? [], library.findings);
  MADE.set(library, made);
  return made;
}
