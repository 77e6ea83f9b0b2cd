export { type Filling, fillBag, RAMP } from './fill.ts';
export { type Mesh, meshOf, type PieceGrid } from './mesh.ts';
export { type FilledShape, shapeOf } from './shape.ts';
export { FRAME } from './solve.ts';
