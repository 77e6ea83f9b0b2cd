export * from './count.ts';
export * from './strip.ts';
