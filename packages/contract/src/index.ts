export * from './athlete';
export * from './commands';
export * from './evidence';
export * from './records';
export * from './routes';
export * from './schema';
