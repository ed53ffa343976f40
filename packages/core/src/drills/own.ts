import type { Drill } from './types';

/** How an academy wants a drill used: as the catalogue has it, before the others of its rung, or not at all. */
export const DRILL_USES = ['usual', 'first', 'never'] as const;
export type DrillUse = (typeof DRILL_USES)[number];

/** What an academy says in its own words; what is left out stays as the catalogue says it. */
export interface OwnWords {
  readonly name?: string;
  readonly setup?: string;
  readonly steps?: readonly string[];
  readonly external?: string;
  readonly internal?: string;
  readonly feel?: string;
  readonly success?: string;
}

/** A version of an academy’s own way with a drill. What it treats, asks for and loads stays the catalogue’s. */
export interface OwnDrill {
  readonly drill: string;
  /** From 1 up; the newest counts, older ones stay for the plans that were made with them. */
  readonly version: number;
  readonly words: OwnWords;
  readonly use: DrillUse;
}

/** A drill as the academy says it. */
export function inOwnWords(drill: Drill, own: OwnDrill | undefined): Drill {
  if (!own) return drill;
  const { external, internal, ...words } = own.words;
  return { ...drill, ...words, cue: { external: external ?? drill.cue.external, internal: internal ?? drill.cue.internal } };
}

/** The newest version of each drill that has one. */
export function newestOwn(own: readonly OwnDrill[]): ReadonlyMap<string, OwnDrill> {
  const newest = new Map<string, OwnDrill>();
  for (const version of own) if (version.version > (newest.get(version.drill)?.version ?? 0)) newest.set(version.drill, version);
  return newest;
}

/** The version that a plan was made with, or the newest where it says none. */
export const ownOf = (own: readonly OwnDrill[], drill: string, version?: number): OwnDrill | undefined =>
  version === undefined ? newestOwn(own).get(drill) : own.find((o) => o.drill === drill && o.version === version);
