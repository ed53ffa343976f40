/** Made-up athletes, throws, cameras and logs: for the demo, the figures and the tests, not for the product's own screens. */
export * from './athlete';
export * from './camera';
export * from './camp';
export * from './cases';
export * from './delivery';
export * from './drill-work';
export * from './faults';
export * from './film';
export * from './inclinometer';
export * from './link-figure';
export * from './log';
export * from './simulate';
export * from './plan-request';
export * from './radar';
export * from './film-trial';
