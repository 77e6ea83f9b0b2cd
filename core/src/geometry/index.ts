export * from './group-by.ts';
export * from './hull.ts';
export * from './plane.ts';
