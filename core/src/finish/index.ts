export * from './closures.ts';
export * from './edge.ts';
export * from './lining.ts';
export * from './lining-svg.ts';
export * from './order.ts';
export * from './plan-finish.ts';
export * from './schema.ts';
export * from './straps.ts';
