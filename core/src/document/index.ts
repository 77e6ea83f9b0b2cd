export * from './features-schema.ts';
export * from './finish-schema.ts';
export * from './look-up.ts';
export * from './read.ts';
export * from './same.ts';
export * from './schema.ts';
export * from './strap-schema.ts';
export { VERSION } from './versions/index.ts';
export * from './with-hook.ts';
