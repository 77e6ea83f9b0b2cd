export * from './lines.ts';
export * from './reading.ts';
