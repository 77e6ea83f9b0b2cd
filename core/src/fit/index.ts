export * from './contents.ts';
export * from './finished-size.ts';
export * from './join-mix.ts';
export * from './materials-of.ts';
export * from './packing.ts';
export { panelPiece } from './panel-piece.ts';
export * from './room.ts';
export * from './size-table.ts';
export * from './tape.ts';
