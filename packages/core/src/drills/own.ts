import type { Discipline } from '../delivery/links';
import { findingById } from '../findings/catalogue';
import type { FindingId } from '../findings/ids';
import { baseOf, drillById, isCopy } from './catalogue';
import { kitSaid, saidOf } from './kit-words';
import { topOfLadder } from './ladders';
import { isRungFor, kitName, treatsDirectly } from './types';
import type { Dose, Drill, Equipment, Place, Rung } from './types';

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

/**
 * What a copy of a drill changes beyond its words; what is left out stays its original’s. What it loads and strains is always its
 * original’s, so that no copy opens what a budget or a lock has closed.
 */
export interface OwnFields {
  readonly treats?: Drill['treats'];
  readonly rungs?: readonly Rung[];
  readonly place?: readonly Place[];
  readonly equipment?: readonly Equipment[];
  readonly partner?: boolean;
  readonly dose?: Dose;
  /** Percent; within the original’s. */
  readonly effort?: readonly [low: number, high: number];
  /** Not younger than the original’s. */
  readonly minAge?: number;
}

/** A version of an academy’s own way with a drill of the catalogue, or of its own copy of one. */
export interface OwnDrill {
  /** Id of the catalogue, or of a copy. */
  readonly drill: string;
  /** From 1 up; the newest counts, older ones stay for the plans that were made with them. */
  readonly version: number;
  readonly words: OwnWords;
  readonly use: DrillUse;
  /** Of copies only. */
  readonly fields?: OwnFields;
}

/** A version of an academy’s own ladder: its drills on each rung, the first choice first. Rungs that it does not name are skipped. */
export interface OwnLadder {
  readonly finding: FindingId;
  readonly discipline: Discipline;
  readonly version: number;
  /** Null where the catalogue’s ladder counts again. */
  readonly rungs: readonly { readonly rung: Rung; readonly drills: readonly string[] }[] | null;
}

/** A drill as the academy has it. */
export function inOwnWay(drill: Drill, own: OwnDrill | undefined): Drill {
  if (!own) return drill;
  const { external, internal, ...words } = own.words;
  const changed = { ...drill, ...words, ...own.fields };
  return {
    ...changed,
    cue: { external: external ?? drill.cue.external, internal: internal ?? drill.cue.internal },
    aids: drill.aids.filter((aid) => changed.equipment.includes(aid.kit)),
  };
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

/** What an academy’s version of a drill may not be; empty for one that stands. Each says what to do. */
export function ownDrillFaults(own: Omit<OwnDrill, 'version'>): string[] {
  const { fields = {}, words } = own;
  const copy = isCopy(own.drill);
  if (!copy)
    return own.fields === undefined ? [] : ['Only a copy changes more than words: copy the drill, then change the copy.'];
  const base = drillById(baseOf(own.drill));
  const drill = inOwnWay(base, { ...own, version: 1 });
  const faults: string[] = [];
  const want = (ok: boolean, fault: string) => {
    if (!ok) faults.push(fault);
  };
  want(base.part !== 'test', 'A test is not copied: its speeds could not be compared any more.');
  want(!!words.name && words.name.toLowerCase() !== base.name.toLowerCase(), 'Give the copy a name of its own.');
  if (base.part !== null)
    want(!fields.treats && !fields.rungs, 'Shared work treats no finding of its own: leave its rungs as they are.');
  else {
    want(drill.treats.length > 0, 'Say at least one finding that it treats.');
    want(drill.rungs.length > 0, 'Choose at least one rung.');
    for (const { finding } of drill.treats)
      want(
        findingById(finding).disciplines.some((d) => drill.disciplines.includes(d)),
        `“${findingById(finding).title}” does not belong to ${drill.disciplines.join(' or ')}: leave it out.`,
      );
    for (const rung of drill.rungs)
      want(
        isRungFor(drill, rung),
        drill.throws === 'none'
          ? `Rung ${rung} throws, and this drill does not: choose rungs up to 2.`
          : `Nothing is thrown on rung ${rung}: choose rungs from 3 on.`,
      );
  }
  want(drill.place.length > 0, 'Choose at least one place.');
  want(drill.minAge >= base.minAge, `“${base.name}” is for ages from ${base.minAge}: its copy is not for younger ones.`);
  want(
    drill.effort[0] >= base.effort[0] && drill.effort[1] <= base.effort[1] && drill.effort[0] <= drill.effort[1],
    `Its effort stays within ${base.effort[0]} to ${base.effort[1]} %, the lower number first.`,
  );
  for (const kit of drill.equipment.filter((k) => !base.equipment.includes(k)))
    want(
      (kit !== 'strap' && kit !== 'belt-cord' && kit !== 'band') || drill.throws === 'none',
      `Nobody throws or catches strapped in: leave the ${kitName(kit)} out.`,
    );
  for (const kit of kitSaid(drill))
    want(drill.equipment.includes(kit), `The words name the ${kitName(kit)}: list it as kit, or change the words.`);
  want(
    drill.partner || !/\bpartner\b/.test(saidOf(drill)),
    'The words name a partner: say that it needs one, or change the words.',
  );
  return faults;
}

/**
 * What an academy’s own ladder may not be; empty for one that stands.
 * @param drillOf a drill as the academy has it; undefined where there is none
 */
export function ownLadderFaults(
  { finding, discipline, rungs }: Omit<OwnLadder, 'version'>,
  drillOf: (id: string) => Drill | undefined,
): string[] {
  const { title, disciplines } = findingById(finding);
  if (!disciplines.includes(discipline)) return [`“${title}” does not belong to ${discipline}.`];
  const top = topOfLadder(finding);
  return (rungs ?? []).flatMap(({ rung, drills }) => [
    ...(rung > top ? [`Rung ${rung}: the ladder of “${title}” ends on rung ${top}.`] : []),
    ...(new Set(drills).size < drills.length ? [`Rung ${rung}: a drill stands there twice.`] : []),
    ...drills.flatMap((id) => {
      const drill = drillOf(id);
      if (!drill) return [`Rung ${rung}: there is no drill “${id}”.`];
      if (!drill.disciplines.includes(discipline))
        return [`Rung ${rung}: ${drill.name} is not a drill of the ${discipline} delivery.`];
      if (!treatsDirectly(drill, finding)) return [`Rung ${rung}: ${drill.name} does not treat “${title}” directly.`];
      if (!drill.rungs.includes(rung)) return [`Rung ${rung}: ${drill.name} is not done on this rung.`];
      return [];
    }),
  ]);
}
