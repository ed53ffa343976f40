import type { Discipline } from '../delivery/links';
import { findingById } from './catalogue';
import { cueFor } from './catalogue/one-cue';
import type { OneCue } from './catalogue/one-cue';
import type { FindingId } from './ids';

/** What an academy says of a finding in its own words; what is left out is said as in the catalogue. */
export interface FindingWords {
  readonly title?: string;
  /** How it looks to the coach. */
  readonly seen?: string;
  /** The athlete's phrase. */
  readonly forAthlete?: string;
  /** The one cue. */
  readonly cue?: string;
}

/** A version of an academy's own words for a finding; versions count from 1. */
export interface OwnFinding {
  readonly finding: FindingId;
  readonly version: number;
  readonly words: FindingWords;
}

/** How an academy says things of findings. */
export interface Vocabulary {
  readonly title: (finding: FindingId) => string;
  readonly seen: (finding: FindingId) => string;
  readonly forAthlete: (finding: FindingId) => string;
  readonly cue: (finding: FindingId, discipline: Discipline) => OneCue;
  /** A sentence of the judgement or the planner, with the titles that it quotes in the academy's words. */
  readonly sentence: (text: string) => string;
}

/** The newest version of each finding's words. */
export function newestFindingWords(own: readonly OwnFinding[]): ReadonlyMap<FindingId, OwnFinding> {
  const newest = new Map<FindingId, OwnFinding>();
  for (const one of own) if ((newest.get(one.finding)?.version ?? 0) < one.version) newest.set(one.finding, one);
  return newest;
}

/** The catalogue's words, with an academy's own before them. */
export function vocabularyOf(own: readonly OwnFinding[]): Vocabulary {
  const newest = newestFindingWords(own);
  const wordsOf = (finding: FindingId): FindingWords => newest.get(finding)?.words ?? {};
  const titles = new Map(
    [...newest].flatMap(([finding, { words }]) => {
      const { title } = findingById(finding);
      return words.title === undefined
        ? []
        : ([
            [title, words.title],
            [title.toLowerCase(), words.title.toLowerCase()],
          ] as const);
    }),
  );
  return {
    title: (finding) => wordsOf(finding).title ?? findingById(finding).title,
    seen: (finding) => wordsOf(finding).seen ?? findingById(finding).seen,
    forAthlete: (finding) => wordsOf(finding).forAthlete ?? findingById(finding).forAthlete,
    cue(finding, discipline) {
      const { cue } = wordsOf(finding);
      return cue === undefined ? cueFor(finding, discipline) : { external: cue, internal: cue };
    },
    // In one pass: what was put in is not looked at again, so the order of the list says nothing.
    sentence: (text) =>
      text.replace(/“([^“”]*)”/gu, (whole, title: string) => (titles.has(title) ? `“${titles.get(title)}”` : whole)),
  };
}

export const CATALOGUE_WORDS: Vocabulary = vocabularyOf([]);
