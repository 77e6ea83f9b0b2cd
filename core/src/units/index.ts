export * from './hook.ts';
export * from './length.ts';
