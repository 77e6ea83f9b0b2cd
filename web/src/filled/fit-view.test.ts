import fc from 'fast-check';
import { PerspectiveCamera, Vector3 } from 'three';
import { expect, test } from 'vitest';
import { fitView, VIEW, VIEW_ANGLE } from './fit-view.ts';

test('a bag of any shape is seen whole by the camera, in a frame of any shape, and fills it one way', () => {
  const place = fc.double({ min: -900, max: 900, noNaN: true });
  fc.assert(
    fc.property(
      fc.array(fc.tuple(place, place, place), { minLength: 3, maxLength: 20 }),
      fc.double({ min: 0.3, max: 3, noNaN: true }),
      fc.integer({ min: 1, max: 20 }),
      (vertices, aspect, bag) => {
        // A bag has some extent.
        fc.pre(vertices.some(([x], i) => i > 0 && Math.abs(x - (vertices[0]?.[0] ?? x)) > 1));
        // Some are of the bag, the others stand in it.
        const [own, beside] = [vertices.slice(0, bag), vertices.slice(bag)];
        const { centre, far } = fitView(
          Float32Array.from(own.flat()),
          aspect,
          beside.map((vertex) => new Vector3(...vertex)),
        );
        const camera = new PerspectiveCamera(VIEW_ANGLE, aspect, 1, 100_000);
        camera.position.copy(VIEW.clone().multiplyScalar(far).add(centre));
        camera.lookAt(centre);
        camera.updateMatrixWorld();
        // The library's own projection: what is seen lies between -1 and 1 both ways.
        const seen = vertices.map((vertex) => new Vector3(...vertex).project(camera));
        const widest = Math.max(...seen.flatMap(({ x, y }) => [Math.abs(x), Math.abs(y)]));
        expect(widest).toBeLessThanOrEqual(1);
        // And from no further than it needs to be.
        if (far > 100) expect(widest).toBeGreaterThan(0.9);
      },
    ),
  );
});
