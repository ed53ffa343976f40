/** Lists of athletes as files: read where they come in. */
export * from './guess';
export * from './row';
export * from './table';
export * from './text';
