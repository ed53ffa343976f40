/** The trend in a sentence, and what is wrong with the angle. */
import { fromMph } from './spread';
import type { TrendReading } from './trend';

export const ANGLE_WARNED = 20;

export const ANGLE_REFUSED = 45;

export function angleWarnings(readings: readonly TrendReading[]): string[] {
  const wide = readings.filter((r) => Math.abs(r.angleDeg) > ANGLE_WARNED && Math.abs(r.angleDeg) <= ANGLE_REFUSED).length;
  const refused = readings.filter((r) => Math.abs(r.angleDeg) > ANGLE_REFUSED).length;
  return [
    ...(wide > 0 ? [`${wide} readings from more than ${ANGLE_WARNED}° off the line: corrected, but less sure.`] : []),
    ...(refused > 0 ? [`${refused} readings from more than ${ANGLE_REFUSED}° off the line were left out.`] : []),
  ];
}

interface SentenceParts {
  change: { mean: number; sd: number };
  growth: number;
  beyond: number | null;
  weeks: number;
  unit: 'mph' | 'km/h';
  enough: boolean;
  z: number;
  single: number;
  unsureGun: boolean;
}

/** How sure it is that there is more than growth: said as a number only where the change itself is clear. */
function sureness(share: number, clear: boolean): string {
  if (share >= 60 && clear) return `; ${Math.min(share, 99)} % sure there is a gain beyond growth`;
  if (share >= 75) return `; leaning toward more than growth (${Math.min(share, 99)} %)`;
  return share <= 20 ? '; no gain beyond growth is seen' : '; too early to say whether it is more than growth';
}

export function sentenceFor(p: SentenceParts): string {
  const n = (mph: number) => fromMph(Math.abs(mph), p.unit).toFixed(1);
  if (!p.enough || p.beyond === null)
    return `About ${p.single.toFixed(1)} ${p.unit} at full effort on one day; a second day is needed to speak of a change.`;
  const clear = Math.abs(p.change.mean) > p.z * p.change.sd;
  const direction = p.change.mean >= 0 ? 'Up' : 'Down';
  const weeks = Math.max(1, Math.round(p.weeks));
  const first = clear
    ? `${direction} ${n(p.change.mean)} ± ${n(p.z * p.change.sd)} ${p.unit} in ${weeks} weeks`
    : `No clear change in ${weeks} weeks (${p.change.mean >= 0 ? '+' : '−'}${n(p.change.mean)} ± ${n(p.z * p.change.sd)} ${p.unit})`;
  const growth = p.growth >= 0.05 ? `; about ${n(p.growth)} expected from growth` : '';
  const sure = sureness(Math.round(100 * p.beyond), clear);
  return `${first}${growth}${sure}${p.unsureGun ? '; two guns were never compared' : ''}.`;
}
