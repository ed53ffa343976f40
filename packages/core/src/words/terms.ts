/** What the field calls things, beside the plain words, so that a coach, a therapist and a book mean the same thing. */
import type { MeasureId } from '../delivery/measures';
import type { FindingId } from '../findings/ids';

/** Names of the measures as in the literature of the delivery. */
export const MEASURE_TERMS: Readonly<Record<MeasureId, string>> = {
  'hip-shoulder-separation': 'hip–shoulder separation',
  'pelvis-rotation': 'pelvis rotation',
  'trunk-rotation': 'upper trunk rotation',
  'pelvis-start-lead': 'onset of pelvis rotation before foot contact',
  'contact-to-pelvis-peak': 'foot contact to peak pelvis angular velocity',
  'contact-to-release': 'foot contact to ball release',
  'hand-break-lead': 'hand separation before foot contact',
  'hand-up-lead': 'throwing hand at shoulder height before foot contact',
  'throwing-hand-height': 'hand height relative to the shoulder',
  'elbow-height': 'shoulder abduction',
  'elbow-flexion': 'elbow flexion',
  'elbow-behind': 'horizontal abduction, elbow behind the trunk',
  'stride-length': 'stride length',
  'stride-direction': 'stride offset',
  'lead-foot-angle': 'stride foot angle',
  'lead-knee-flexion': 'lead knee flexion',
  'lead-knee-extension': 'lead knee extension, contact to release',
  'lead-knee-in-out': 'dynamic knee valgus or varus',
  'lead-shin-angle': 'lead shank inclination',
  'drive-shin-angle': 'drive shank inclination',
  'drive-knee-over-toe': 'anterior knee translation of the drive leg',
  'hip-travel-dip': 'loss of forward pelvis velocity',
  'drive-hip-drop': 'vertical pelvis displacement',
  'drive-hip-travel': 'forward pelvis displacement',
  'hip-path-rise': 'angle of the pelvis path',
  'trunk-tilt-forward': 'forward trunk tilt',
  'trunk-turn-back': 'loss of forward trunk tilt before release',
  'trunk-tilt-side': 'lateral trunk tilt',
  'pelvis-tilt': 'pelvic obliquity',
  'heel-peel-lead': 'drive heel-off before foot contact',
  'push-off-spread': 'synchrony of triple extension',
  'finish-spread': 'synchrony of the finish',
  'glove-travel-side': 'lateral displacement of the glove',
  'chest-past-knee': 'trunk over the lead knee',
};

/** Names of limits as a therapist knows them; habits and thoughts have no other name than the coach's. */
const LIMIT_TERMS: Partial<Record<FindingId, string>> = {
  'drive-hip-ir': 'hip internal rotation, drive side',
  'lead-hip-ir': 'hip internal rotation, lead side',
  'hip-er': 'hip external rotation',
  'hip-abduction': 'hip abduction range',
  'hip-extension': 'hip extension range',
  'thoracic-rotation': 'thoracic rotation',
  ankle: 'ankle dorsiflexion',
  'abductor-strength': 'hip abductor strength',
  'hip-flexor-strength': 'hip flexor strength',
  'trunk-stability': 'lateral trunk endurance',
  'single-leg-strength': 'single-leg strength and control',
  'low-power': 'lower-body power',
};

/** Names of habits where coaches and books share one. */
const HABIT_TERMS: Partial<Record<FindingId, string>> = {
  'fly-open': 'early upper trunk rotation',
  'turn-together': 'low hip–shoulder separation',
  'late-hips': 'late pelvis rotation',
  'knee-caves': 'dynamic knee valgus',
  'no-brace': 'no lead knee extension',
  'short-stride': 'short stride',
  'stride-offline': 'stride offset',
  'lean-back': 'backward trunk tilt at contact',
  'low-elbow': 'low shoulder abduction',
  'long-lever': 'low elbow flexion at contact',
  'arm-drag': 'elbow behind the trunk, horizontal abduction',
  'early-peel': 'early heel-off',
  'knee-led-load': 'knee-dominant loading',
  stall: 'loss of pelvis velocity',
  'locked-landing': 'extended lead knee at contact',
  'sunk-landing': 'deep lead knee flexion at contact',
};

/** The field's own name of a finding; null where the coach's word is the only one. */
export const termOf = (finding: FindingId): string | null => LIMIT_TERMS[finding] ?? HABIT_TERMS[finding] ?? null;
