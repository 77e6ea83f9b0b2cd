export * from './check.ts';
export * from './corners.ts';
export * from './graph.ts';
export * from './level.ts';
export { MEASURES, type Measure, measure } from './measure.ts';
export * from './place.ts';
export * from './rim.ts';
export * from './seam-id.ts';
export * from './waist.ts';
