export * from './closures.ts';
export * from './edge.ts';
export * from './edge-strip.ts';
export * from './flap-reach.ts';
export * from './lining.ts';
export * from './lining-svg.ts';
export * from './order.ts';
export * from './plan-finish.ts';
