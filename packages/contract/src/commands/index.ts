/** What is asked by command alone: the app has no need of it. */
export * from './camp';
export * from './sequence';
