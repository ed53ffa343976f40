export const DISCIPLINES = ['overhand', 'windmill'] as const;
export type Discipline = (typeof DISCIPLINES)[number];

/** The six links of a delivery in time order; the same ids serve both disciplines. */
export const LINKS = ['set', 'lift', 'move', 'land', 'turn', 'finish'] as const;
export type Link = (typeof LINKS)[number];

const WINDMILL_NAMES: Partial<Record<Link, string>> = { lift: 'Load', move: 'Push', turn: 'Whip' };
const OVERHAND_NAMES: Record<Link, string> = {
  set: 'Set',
  lift: 'Lift',
  move: 'Move',
  land: 'Land',
  turn: 'Turn',
  finish: 'Finish',
};

/** The name of a link as the discipline's instructors say it. */
export function linkName(link: Link, discipline: Discipline): string {
  return (discipline === 'windmill' ? WINDMILL_NAMES[link] : undefined) ?? OVERHAND_NAMES[link];
}

/** Where a link stands in the chain, 0 to 5. */
export const linkOrder = (link: Link): number => LINKS.indexOf(link);
