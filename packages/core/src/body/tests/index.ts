/** All physical tests, in the order of the catalogue. A new one is a file beside these and two lines here. */
import { hipInternalRotation } from './hip-internal-rotation';
import { hipExternalRotation } from './hip-external-rotation';
import { hipAbduction } from './hip-abduction';
import { hipFlexion } from './hip-flexion';
import { hipExtension } from './hip-extension';
import { trunkRotation } from './trunk-rotation';
import { trunkRotationSlouched } from './trunk-rotation-slouched';
import { kneeToWall } from './knee-to-wall';
import { abductorHold } from './abductor-hold';
import { abductorForce } from './abductor-force';
import { hipFlexorHold } from './hip-flexor-hold';
import { sidePlank } from './side-plank';
import { singleLegBalance } from './single-leg-balance';
import { singleLegSquat } from './single-leg-squat';
import { verticalJump } from './vertical-jump';
import { broadJump } from './broad-jump';
import { squatStrength } from './squat-strength';

export const BODY_TESTS = [
  hipInternalRotation,
  hipExternalRotation,
  hipAbduction,
  hipFlexion,
  hipExtension,
  trunkRotation,
  trunkRotationSlouched,
  kneeToWall,
  abductorHold,
  abductorForce,
  hipFlexorHold,
  sidePlank,
  singleLegBalance,
  singleLegSquat,
  verticalJump,
  broadJump,
  squatStrength,
] as const;
