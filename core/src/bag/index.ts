export * from './check.ts';
export * from './corners.ts';
export * from './geometry.ts';
export * from './graph.ts';
export * from './measure.ts';
export * from './place.ts';
export * from './rim.ts';
