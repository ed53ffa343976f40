import { DISCIPLINES } from '../delivery/links';
import type { Discipline } from '../delivery/links';
import { FINDINGS, findingById } from '../findings/catalogue';
import type { FindingId } from '../findings/ids';
import { DRILLS } from './catalogue';
import { ALWAYS_THERE, treatsDirectly } from './types';
import type { Drill, Rung } from './types';

/** Rungs on which a finding has drills of its own; above them the work is shared and is told which focus it carries. */
export const OWN_RUNGS = [0, 1, 2, 3, 4, 5, 6] as const satisfies readonly Rung[];
type OwnRung = (typeof OWN_RUNGS)[number];

export type LadderRung =
  { readonly rung: OwnRung; readonly drills: readonly string[] } | { readonly rung: OwnRung; readonly skip: string };

/** The drills that treat one finding directly in one discipline, rung by rung. */
export interface Ladder {
  readonly finding: FindingId;
  readonly discipline: Discipline;
  readonly rungs: readonly LadderRung[];
  /** Its drills stand in the order that the academy wants. */
  readonly ordered: boolean;
}

/** Bands in which a habit is worked on: dry, constrained and part throws, joined and whole throws. */
export const BANDS = [
  [1, 2],
  [3, 4],
  [5, 6],
] as const satisfies readonly (readonly OwnRung[])[];

/** Why a rung, or all from it on, has no drill of its own. */
const SKIPPED: Partial<Record<FindingId, Partial<Record<OwnRung, string>>>> = {
  'unstable-base': { 6: 'Where the foot stands is settled before the whole throw; from here on it is only looked at.' },
  'no-brace': { 1: 'A post that gives way has no position to hold; it shows only when weight arrives.' },
  'early-hands': { 1: 'Timing has no position to hold.' },
  'late-hips': {},
};

function whySkipped(finding: FindingId, rung: OwnRung, has: readonly OwnRung[]): string {
  const own = SKIPPED[finding]?.[rung];
  if (own) return own;
  const { kind, healthFlag } = findingById(finding);
  if (kind === 'limit')
    return rung <= 1
      ? 'Its work stands on the other rung of preparation.'
      : 'Room and strength are made on rungs 0 and 1; the re-test moves it, then the movement that it held back goes on.';
  if (rung === 0) return 'Nothing to prepare for this alone: what makes room stands in the session’s preparation.';
  if (healthFlag && rung === 6) return 'Whole throws stay shared and easy until it really moves.';
  const below = has.filter((r) => r < rung).pop();
  const above = has.find((r) => r > rung);
  if (kind === 'cue' && above !== undefined && below === undefined)
    return 'A thought that lives in the throw is not treated without one.';
  if (above === undefined && below !== undefined)
    return 'It is settled earlier in the throw; from here on whole throws carry it with its cue.';
  if (below === undefined) return 'There is nothing to hold or rehearse before this rung.';
  return `The drill of rung ${below} leads straight to rung ${above}.`;
}

/** The last rung of a ladder: a limit is treated by what makes room or strength, not by the movement that needs it; a flagged finding never in whole throws. */
export function topOfLadder(finding: FindingId): OwnRung {
  const { kind, healthFlag } = findingById(finding);
  return kind === 'limit' ? 1 : healthFlag ? 5 : 6;
}

const NOT_TAKEN = 'The academy’s own ladder leaves this rung out.';

/**
 * The ladder of a finding among some drills.
 * @param chosen the academy’s own choice, the first drill of a rung first; null for all that fit
 */
export function ladderFrom(
  drills: readonly Drill[],
  finding: FindingId,
  discipline: Discipline,
  chosen: readonly { readonly rung: Rung; readonly drills: readonly string[] }[] | null,
): Ladder {
  const direct = drills.filter((d) => d.disciplines.includes(discipline) && treatsDirectly(d, finding));
  const fitting = (rung: OwnRung) =>
    rung <= topOfLadder(finding) ? direct.filter((d) => d.rungs.includes(rung)).map((d) => d.id) : [];
  const wanted = (rung: OwnRung) => chosen?.find((c) => c.rung === rung)?.drills ?? [];
  const at = (rung: OwnRung) => (chosen ? wanted(rung).filter((id) => fitting(rung).includes(id)) : fitting(rung));
  const has = OWN_RUNGS.filter((rung) => at(rung).length > 0);
  return {
    finding,
    discipline,
    ordered: chosen !== null,
    rungs: OWN_RUNGS.map((rung) =>
      at(rung).length > 0
        ? { rung, drills: at(rung) }
        : { rung, skip: chosen && fitting(rung).length > 0 ? NOT_TAKEN : whySkipped(finding, rung, has) },
    ),
  };
}

export const LADDERS: readonly Ladder[] = FINDINGS.flatMap((finding) =>
  DISCIPLINES.filter((d) => finding.disciplines.includes(d)).map((d) => ladderFrom(DRILLS, finding.id, d, null)),
);

/** Drills that treat the finding directly on a rung; empty where the ladder skips it. */
export function drillsAt({ rungs }: Ladder, rung: Rung): readonly string[] {
  const found = rungs.find((r) => r.rung === rung);
  return found && 'drills' in found ? found.drills : [];
}

/** Rungs on which the finding is worked on by itself. */
export const standingRungs = ({ rungs }: Ladder): Rung[] => rungs.filter((r) => 'drills' in r).map((r) => r.rung);

/** Done at home, alone, with nothing but a ball, a towel, tape or a wall. */
export const isHomeWork = (drill: Drill): boolean =>
  drill.place.includes('home') &&
  !drill.partner &&
  drill.throws === 'none' &&
  drill.equipment.every((kit) => ALWAYS_THERE.includes(kit));

const BARE_DRILLS = 4;
const LIMIT_DRILLS = 3;
const CUE_RUNGS = 3;

/** What a ladder lacks by the rules of the catalogue; empty for one that stands. */
export function ladderFaults({ finding, discipline, rungs }: Ladder, among: readonly Drill[] = DRILLS): string[] {
  const { kind } = findingById(finding);
  const ids = [...new Set(rungs.flatMap((r) => ('drills' in r ? r.drills : [])))];
  const drills = among.filter((d) => ids.includes(d.id));
  const has = (list: readonly OwnRung[]) => list.some((rung) => rungs.some((r) => r.rung === rung && 'drills' in r));
  const faults: string[] = [];
  const want = (ok: boolean, fault: string) => {
    if (!ok) faults.push(`${finding} (${discipline}): ${fault}`);
  };
  if (kind === 'habit') {
    want(has(BANDS[0]) && has(BANDS[1]), 'no direct drill in the dry band or in the band of easy throws');
    want(drills.length >= BARE_DRILLS, `${drills.length} direct drills`);
    want(drills.some(isHomeWork), 'nothing for home, alone, without kit');
  } else if (kind === 'limit') {
    want(
      drills.filter((d) => d.rungs.some((r) => r <= 1)).length >= LIMIT_DRILLS,
      `${drills.length} direct drills at rungs 0 and 1`,
    );
    want(
      drills.some((d) => d.equipment.every((kit) => ALWAYS_THERE.includes(kit)) && !d.partner),
      'no drill without kit',
    );
  } else {
    want(new Set(drills.flatMap((d) => d.rungs.filter((r) => r <= 7))).size >= CUE_RUNGS, 'fewer than three rungs');
  }
  for (const r of rungs) if ('skip' in r) want(r.skip.length > 20, `rung ${r.rung} is skipped without a reason`);
  return faults;
}
