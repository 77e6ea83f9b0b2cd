export { type Filling, fillBag, RAMP } from './fill.ts';
export { HANDLINGS, type Handling } from './handling.ts';
export { type Mesh, meshOf } from './mesh.ts';
export type { PieceGrid } from './piece-grid.ts';
export { type FilledShape, shapeOf } from './shape.ts';
export { FRAME } from './solve.ts';
