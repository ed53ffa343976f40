export * from './athlete';
export * from './commands';
export * from './evidence';
export * from './schema';
