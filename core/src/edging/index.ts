export * from './count.ts';
export * from './flap-root.ts';
export * from './strip.ts';
