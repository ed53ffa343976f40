export const HANDS = ['R', 'L'] as const;
export type Hand = (typeof HANDS)[number];

/** Sides as stored: by role in the delivery, never left or right. */
export const TEST_SIDES = ['drive', 'lead', 'to-throwing', 'to-glove', 'none'] as const;
export type TestSide = (typeof TEST_SIDES)[number];

/** Left or right of the athlete's own body for a role. The drive leg is on the throwing side in both disciplines. */
export function bodySide(side: Exclude<TestSide, 'none'>, throws: Hand): 'left' | 'right' {
  const throwing = throws === 'R' ? 'right' : 'left';
  const glove = throws === 'R' ? 'left' : 'right';
  return side === 'drive' || side === 'to-throwing' ? throwing : glove;
}

/** The role that a body side plays for this hand: what a coach taps as left or right becomes drive or lead. */
export function legRole(side: 'left' | 'right', throws: Hand): 'drive' | 'lead' {
  return bodySide('drive', throws) === side ? 'drive' : 'lead';
}
