import type { Fabric } from '../drape/cloth/fabric.ts';

/** One right-angled triangle with sides of 100 mm, lying flat where it is drawn. */
export const oneTriangle: Fabric = {
  count: 3,
  patches: [
    {
      nodes: [0, 1, 2],
      flat: [
        { x: 0, y: 0 },
        { x: 100, y: 0 },
        { x: 0, y: 100 },
      ],
      holds: true,
    },
  ],
  creases: [],
  start: Float64Array.of(0, 0, 0, 100, 0, 0, 0, 100, 0),
};
