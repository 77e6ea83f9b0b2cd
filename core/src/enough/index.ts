export * from './basket.ts';
export * from './cures.ts';
export * from './dye-lots.ts';
export * from './enough.ts';
export * from './spending.ts';
export * from './words.ts';
