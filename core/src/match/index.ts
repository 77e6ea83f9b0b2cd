export * from './edge-meetings.ts';
export * from './marks.ts';
export * from './pairing.ts';
export * from './sides.ts';
export * from './strip.ts';
