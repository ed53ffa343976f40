/** Heights and weights as people write them. */
import { round } from '../shared/maths';
import type { RosterChoices } from './fields';

const numberOf = (text: string): number => Number(text.replace(/\s/g, '').replace(',', '.'));

/** Height in metres from 178, 178 cm, 1.78, 1,78 m, 5'10", 5 ft 10, 70 in. */
export function readHeight(text: string, bare: RosterChoices['heightUnit']): number | null {
  const written = text.trim().toLowerCase();
  const feet = /^(\d)\s*(?:'|’|ft|feet)\s*(\d{1,2}(?:\.\d+)?)?\s*(?:"|”|''|in|inches)?$/.exec(written);
  if (feet) return round((Number(feet[1]) * 12 + Number(feet[2] ?? 0)) * 0.0254, 3);
  const plain = /^([\d.,]+)\s*(m|cm|in|inches|")?$/.exec(written);
  if (!plain) return null;
  const value = numberOf(plain[1]!);
  if (!Number.isFinite(value)) return null;
  const unit = plain[2] === '"' || plain[2] === 'inches' ? 'in' : (plain[2] ?? (value < 3 ? 'm' : bare));
  return round(unit === 'm' ? value : unit === 'cm' ? value / 100 : value * 0.0254, 3);
}

/** Mass in kilograms from 70, 70 kg, 154 lb. */
export function readMass(text: string, bare: RosterChoices['massUnit']): number | null {
  const plain = /^([\d.,]+)\s*(kg|kgs|lb|lbs|pounds)?$/.exec(text.trim().toLowerCase());
  if (!plain) return null;
  const value = numberOf(plain[1]!);
  if (!Number.isFinite(value)) return null;
  const unit = plain[2] ?? bare;
  return round(unit.startsWith('kg') ? value : value * 0.45359237, 1);
}
