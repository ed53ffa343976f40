import { DRILLS, drillById, hasDrill } from './catalogue';

/**
 * What to add against a cheat. Cheats are shared by drills; the drill's own counter is taken where it names one.
 * @returns null for a cheat that no drill lists
 */
export function counterFor(cheat: string, drillId?: string): string | null {
  const own = drillId !== undefined && hasDrill(drillId) ? drillById(drillId).cheats.find((c) => c.cheat === cheat) : undefined;
  const any = own ?? DRILLS.flatMap((drill) => drill.cheats).find((c) => c.cheat === cheat);
  return any?.counter ?? null;
}

const KNOWN: ReadonlySet<string> = new Set(DRILLS.flatMap((drill) => drill.cheats.map((c) => c.cheat)));

/** Whether any drill lists the cheat. */
export const isCheat = (cheat: string): boolean => KNOWN.has(cheat);
