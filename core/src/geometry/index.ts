export * from './group-by.ts';
export * from './plane.ts';
