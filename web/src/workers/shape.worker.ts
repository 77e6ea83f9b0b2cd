import { expose } from 'comlink';
import { shapeOf } from '../row-bench/shape.ts';

const shaper = { shapeOf };
export type Shaper = typeof shaper;

expose(shaper);
