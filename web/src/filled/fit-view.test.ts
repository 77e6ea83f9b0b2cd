import fc from 'fast-check';
import { expect, test } from 'vitest';
import { ballRound, distanceToSee, VIEW_ANGLE } from './fit-view.ts';

test('a bag of any shape is seen whole from the distance it is looked at from, in a frame of any shape', () => {
  const place = fc.double({ min: -900, max: 900, noNaN: true });
  fc.assert(
    fc.property(
      fc.array(fc.tuple(place, place, place), { minLength: 2, maxLength: 20 }),
      fc.double({ min: 0.3, max: 3, noNaN: true }),
      (vertices, aspect) => {
        const { centre, radius } = ballRound(Float32Array.from(vertices.flat()), 0);
        const far = distanceToSee(radius, aspect);
        // Looked at along any direction, a vertex lies within the ball, so its angle off the middle is at most that
        // of the ball's edge: asin(radius / far), which must not be more than half the narrower angle of view.
        const half = (VIEW_ANGLE * Math.PI) / 360;
        const narrow = Math.min(half, Math.atan(Math.tan(half) * aspect));
        if (radius > 1) expect(Math.asin(radius / far)).toBeLessThan(narrow);
        for (const [x, y, z] of vertices)
          expect(Math.hypot(x - centre.x, y - centre.y, z - centre.z)).toBeLessThanOrEqual(radius + 0.01);
      },
    ),
  );
});
