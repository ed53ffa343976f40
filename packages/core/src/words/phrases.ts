import { DRILLS } from '../drills/catalogue';
import { FINDINGS } from '../findings/catalogue';
import { cueFor } from '../findings/catalogue/one-cue';

/** Every phrase of the catalogue about findings and drills that an athlete can be shown, each once. */
export function athletePhrases(): string[] {
  const ofFindings = FINDINGS.flatMap((f) => [
    f.forAthlete,
    ...(f.cost ? [f.cost.how] : []),
    ...f.disciplines.flatMap((d) => [cueFor(f.id, d).external, cueFor(f.id, d).internal]),
  ]);
  const ofDrills = DRILLS.flatMap((d) => [d.cue.external, d.cue.internal, d.feel, d.success, ...d.cheats.map((c) => c.counter)]);
  return [...new Set([...ofFindings, ...ofDrills])];
}
