export { type Filling, fillBag, HANDLINGS, type Handling, RAMP } from './fill.ts';
export { type Mesh, meshOf } from './mesh.ts';
export type { PieceGrid } from './piece-grid.ts';
export { type FilledShape, shapeOf } from './shape.ts';
export { FRAME } from './solve.ts';
