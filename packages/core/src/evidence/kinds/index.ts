/** Every kind of evidence. A new one is a file beside these, two lines here, and its schema in the contract. */
import type { EvidenceKind } from '../kind';
import { EYE_KIND } from './eye';
import type { EyeEvidence } from './eye';
import { SCREEN_KIND } from './screen';
import type { ScreenEvidence } from './screen';
import { MEASURE_KIND } from './measure';
import type { MeasureEvidence } from './measure';
import { SEQUENCE_KIND } from './sequence';
import type { SequenceEvidence } from './sequence';
import { MISS_KIND } from './miss';
import type { MissEvidence } from './miss';
import { VELOCITY_KIND } from './velocity';
import type { VelocityEvidence } from './velocity';
import { SLOW_KIND } from './slow';
import type { SlowEvidence } from './slow';
import { TRANSFER_KIND } from './transfer';
import type { TransferEvidence } from './transfer';
import { HISTORY_KIND } from './history';
import type { HistoryEvidence } from './history';
import { OUTCOME_KIND } from './outcome';
import type { OutcomeEvidence } from './outcome';
import { STYLE_KIND } from './style';
import type { StyleEvidence } from './style';
import { TOLD_KIND } from './told';
import type { ToldEvidence } from './told';
import { GLANCE_KIND } from './glance';
import type { GlanceEvidence } from './glance';

/** One thing observed. */
export type Evidence =
  | EyeEvidence
  | ScreenEvidence
  | MeasureEvidence
  | SequenceEvidence
  | MissEvidence
  | VelocityEvidence
  | SlowEvidence
  | TransferEvidence
  | HistoryEvidence
  | OutcomeEvidence
  | StyleEvidence
  | ToldEvidence
  | GlanceEvidence;
type KindOf<Item> = Item extends { readonly kind: string } ? EvidenceKind<Item> : never;

export const KINDS: { readonly [K in Evidence['kind']]: KindOf<Extract<Evidence, { kind: K }>> } = {
  eye: EYE_KIND,
  screen: SCREEN_KIND,
  measure: MEASURE_KIND,
  sequence: SEQUENCE_KIND,
  miss: MISS_KIND,
  velocity: VELOCITY_KIND,
  slow: SLOW_KIND,
  transfer: TRANSFER_KIND,
  history: HISTORY_KIND,
  outcome: OUTCOME_KIND,
  style: STYLE_KIND,
  told: TOLD_KIND,
  glance: GLANCE_KIND,
};
