export * from './cloth.ts';
export * from './fill-up.ts';
export * from './lining.ts';
export * from './lining-svg.ts';
export * from './order.ts';
export * from './plan-finish.ts';
export * from './ready.ts';
