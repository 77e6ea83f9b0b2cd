export * from './bands.ts';
export * from './drop.ts';
export * from './figure.ts';
export * from './hung.ts';
export * from './straps.ts';
