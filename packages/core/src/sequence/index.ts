/** Body-speed sequences: for whoever reads one, not for the app's first screen. */
export { readSequence } from './sequence';
export * from './types';
