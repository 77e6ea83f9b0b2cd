export * from './bounds.ts';
export * from './count.ts';
export * from './id.ts';
export * from './letters.ts';
export * from './limits.ts';
export * from './sentences.ts';
export * from './text.ts';
