/** Words that passwords are made of first, of which digits and signs at the end make no other. Provenance `house`, from common sense. */
const USUAL = new Set(
  (
    'password passwort passcode letmein welcome admin administrator login access secret master default changeme guest test ' +
    'testing hello iloveyou loveyou whatever trustme nothing sunshine princess dragon monkey superman football baseball softball ' +
    'basketball pitcher pitching fastpitch windmill coach coaching strikeout fastball curveball homerun sports team summer winter ' +
    'spring autumn monday january internet computer samsung google qwerty qwertz azerty asdf asdfgh zxcvb abc abcd abcdef'
  ).split(' '),
);
const LOOK_ALIKE: Readonly<Record<string, string>> = {
  '0': 'o',
  '1': 'i',
  '3': 'e',
  '4': 'a',
  '5': 's',
  '7': 't',
  '@': 'a',
  $: 's',
  '!': 'i',
};
/** Rows of keys and of numbers; a password that walks along one is tried first, either way. */
const RUNS = [
  '01234567890',
  'abcdefghijklmnopqrstuvwxyz',
  'qwertyuiop',
  'qwertzuiop',
  'azertyuiop',
  'asdfghjkl',
  'zxcvbnm',
  '1q2w3e4r5t6z7u8i9o0p',
  '1q2w3e4r5t6y7u8i9o0p',
  '1qaz2wsx3edc4rfv5tgb',
];
/** So many keys in a row count as a walk. */
const WALK = 4;

const mirrored = (text: string): string => [...text].reverse().join('');

/** What is left of a password when all walks along keys are taken out. */
function withoutWalks(password: string): string {
  let left = '';
  for (let i = 0; i < password.length;) {
    let length = 0;
    for (const run of RUNS.flatMap((r) => [r, mirrored(r)]))
      while (i + length < password.length && run.includes(password.slice(i, i + length + 1))) length++;
    if (length >= WALK) i += length;
    else left += password[i++];
  }
  return left;
}

/** Whether a password is one that everybody tries first: a usual word with digits behind, walks along keys, one piece over and over. */
export function isUsual(password: string): boolean {
  const plain = password.toLowerCase();
  const spelled = (text: string) => [...text].map((c) => LOOK_ALIKE[c] ?? c).join('');
  const bare = plain.replace(/[\d\W_]+$/u, '').replace(/^[\d\W_]+/u, '');
  const words = [plain, bare, spelled(plain), spelled(bare), spelled(plain).replace(/[\W_]/gu, '')];
  if (words.some((word) => USUAL.has(word))) return true;
  if (withoutWalks(plain).length <= 2) return true;
  return /^(.{1,5})\1+.{0,2}$/u.test(plain);
}
