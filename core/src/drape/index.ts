export type { Form, Turn, Vec } from './body/body.ts';
export type { LeftOut, Packed } from './body/packing.ts';
export { type Filling, type FillWith, fillBag, usualFilling } from './fill.ts';
export { type Closing, closingOf } from './hang/closing.ts';
export type { StrapNodes } from './hang/strap-fabric.ts';
export { type Mesh, meshOf } from './mesh/mesh.ts';
export { type Hanger, hangerOf, POSES, type Pose, usualPose } from './pose.ts';
export { type FilledShape, shapeOf } from './shape.ts';
