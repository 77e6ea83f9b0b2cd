export * from './drop.ts';
export * from './figure.ts';
export * from './hung.ts';
export { CARRIED, type Carried, STRAP_KINDS, type StrapKind, type Straps } from './schema.ts';
export * from './straps.ts';
