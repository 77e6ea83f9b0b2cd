export * from './group-by.ts';
export * from './hull.ts';
export * from './must.ts';
export * from './plane.ts';
export * from './tolerances.ts';
export * from './union-find.ts';
