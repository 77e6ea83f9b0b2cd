export type { Turn } from './body/body.ts';
export { type Filling, fillBag, usualFilling } from './fill.ts';
export { closingOf } from './hang/closing.ts';
export type { FillWith } from './laid-out.ts';
export { type Hanger, hangerOf, POSES, type Pose, usualPose } from './pose.ts';
export { type FilledShape, shapeOf } from './shape.ts';
