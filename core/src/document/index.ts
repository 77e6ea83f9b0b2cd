export * from './read.ts';
export * from './schema.ts';
