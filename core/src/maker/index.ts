export * from './code.ts';
export * from './name.ts';
export * from './password.ts';
