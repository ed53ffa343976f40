/** A word or phrase that is better not said to the young, and what is said instead. */
export interface SparedWord {
  readonly avoid: string;
  readonly say: string;
}

/** Under this age an academy's words to avoid are replaced in what is shown. Provenance `house`. */
export const SPARED_UNDER = 15;

const escaped = (text: string): string => text.replace(/[.*+?^${}()|[\]\\]/g, '\\$&');

/**
 * A text with words to avoid replaced: whole words, whatever their case, the longest phrase first; a capital at the beginning
 * stays one. What was put in is not looked at again.
 */
export function spareWords(text: string, words: readonly SparedWord[]): string {
  const known = words.filter((w) => w.avoid.trim() !== '').sort((a, b) => b.avoid.length - a.avoid.length);
  if (known.length === 0) return text;
  const pattern = new RegExp(
    `(?<![\\p{L}\\p{N}])(${known.map((w) => escaped(w.avoid.trim())).join('|')})(?![\\p{L}\\p{N}])`,
    'giu',
  );
  return text.replace(pattern, (found) => {
    const { say } = known.find((w) => w.avoid.trim().toLowerCase() === found.toLowerCase())!;
    const capital = found[0] !== found[0]!.toLowerCase();
    return capital ? say.charAt(0).toUpperCase() + say.slice(1) : say;
  });
}
