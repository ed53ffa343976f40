import { SILENT } from '../kind';
import type { EvidenceKind } from '../kind';

export const STYLE_ITEMS = ['high-leg-kick', 'hands-overhead', 'hands-still', 'finish-off-line', 'rubber-side'] as const;
export type StyleItem = (typeof STYLE_ITEMS)[number];
export const STYLE_WORDS: Readonly<Record<StyleItem, string>> = {
  'high-leg-kick': 'high leg kick',
  'hands-overhead': 'hands overhead',
  'hands-still': 'quiet hands',
  'finish-off-line': 'finish off the line',
  'rubber-side': 'side of the rubber',
};

/** Something that is the athlete’s own and is left as it is: it says nothing about any finding. */
export interface StyleEvidence {
  readonly kind: 'style';
  readonly item: StyleItem;
}

export const STYLE_KIND: EvidenceKind<StyleEvidence> = {
  kind: 'style',
  halfLifeDays: 365,
  thingsOf: (item) => [`style:${item.item}`],
  says: () => SILENT,
  numbers: () => [],
  words: (item) => `Left as it is: ${STYLE_WORDS[item.item]}`,
};
