/** Under this age an academy's words to avoid are spared. Provenance `house`. */
export const SPARED_UNDER = 15;

/**
 * Other wordings of phrases that athletes read, whole for whole, for an academy that would rather not say a word of the first one:
 * a word put in the place of another inside a sentence makes sentences that nobody would say.
 */
const OTHERWISE: Readonly<Record<string, string>> = {
  'A back knee just inside the foot lets you push across instead of up.':
    'A back knee just inside the foot sends you across instead of up.',
  'There is no inside edge to push from.': 'There is no inside edge to go from.',
  'A push from the rear leg starts the whole pitch moving.': 'The rear leg starting first gets the whole pitch moving.',
  'The first push of the pitch is missing.': 'The first move of the pitch is missing.',
  'Waiting a beat before the push sends you out instead of up.': 'Waiting a beat before the back leg goes sends you out, not up.',
  'The push goes up; the stride gets shorter and the head rises.':
    'The leg sends you up; the stride gets shorter and the head rises.',
  'Landing a little taller leaves the front leg something to push with.':
    'Landing a little taller leaves the front leg room to stand up.',
  'There is nothing left to push down with against the turn.': 'There is nothing left to stand up with against the turn.',
  'One push that drags out is faster, and legal.': 'One drive that drags out is faster, and legal.',
  'The second push starts from a body that has already stopped; it may be called illegal.':
    'The second start comes from a body that has already stopped; it may be called illegal.',
  'Let the hip go; the push comes by itself.': 'Let the hip go; the rest comes by itself.',
  'Push the rubber away last': 'Leave the rubber last',
  'Push the ground down': 'Press the ground down',
  'Push the ground away': 'Press the ground away',
  'Push the ground back': 'Send the ground back',
  'Push the mark away': 'Send the mark away',
  'Push the mark away last': 'Send the mark away last',
  'Light band pulling the knee inward, push against it': 'Light band pulling the knee inward, press against it',
  'The last push of the leg': 'The leg letting go last',
  'The push arriving just in time': 'The leg arriving just in time',
  'The back knee stays behind the toes until the push': 'The back knee stays behind the toes until the leg goes',
  'Hips open, shoulders closed at landing, with the push': 'Hips open, shoulders closed at landing, as the leg goes',
  'The back leg finishing its push': 'The back leg finishing its work',
  'Push past the mark': 'Drive past the mark',
  'Wait, wait, push': 'Wait, wait, go',
  'The push coming late': 'The leg going late',
  'The first step is a push, not a lift': 'The first step goes forward, not up',
  'One push, then gliding': 'One drive, then gliding',
  'One push that lasts': 'One drive that lasts',
  'A push that points somewhere': 'A leg that points somewhere',
  'Push once, then drag': 'Drive once, then drag',
  'A push that runs out instead of ending': 'A drive that runs out instead of ending',
};

const escaped = (text: string): string => text.replace(/[.*+?^${}()|[\]\\]/g, '\\$&');

/** Matches each of some words or names as a whole, whatever its case; null where there are none. Blanks round them do not count. */
export function wholeWords(words: readonly string[]): RegExp | null {
  const known = words.map((word) => word.trim()).filter((word) => word !== '');
  if (known.length === 0) return null;
  return new RegExp(`(?<![\\p{L}\\p{N}])(?:${known.map(escaped).join('|')})(?![\\p{L}\\p{N}])`, 'giu');
}

/** Whether a text says one of the words, as a whole word and whatever its case. */
export function says(text: string, words: readonly string[]): boolean {
  const found = wholeWords(words);
  return found !== null && text.search(found) >= 0;
}

/**
 * A phrase as it is said where some words are avoided: the phrase itself, or its other wording as a whole. A phrase that has no
 * other wording free of them stays as it is; `says` tells which those are.
 */
export function spared(phrase: string, avoid: readonly string[]): string {
  if (!says(phrase, avoid)) return phrase;
  const other = OTHERWISE[phrase];
  return other !== undefined && !says(other, avoid) ? other : phrase;
}
