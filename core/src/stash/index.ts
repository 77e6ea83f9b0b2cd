export * from './allot.ts';
export * from './csv.ts';
export { type Decoded, decoded } from './decode.ts';
export * from './lot.ts';
export * from './merge.ts';
