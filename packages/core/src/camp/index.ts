/** Camps: for whoever schedules one, not for the app's first screen. */
export { violationsOf } from './check';
export { campGain } from './gain';
export { scheduleCamp } from './schedule';
export { scoreOf, scorePartsOf } from './score';
export * from './types';
