export * from './hook.ts';
export * from './length.ts';
export * from './whole-yarn.ts';
