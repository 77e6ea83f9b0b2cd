export * from './clasp.ts';
export * from './multiple.ts';
