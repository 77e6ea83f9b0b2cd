import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { type Form, halfOf } from '../../fit/index.ts';
import {
  type Body,
  back,
  drift,
  edgePlaces,
  outside,
  pushBody,
  settleBody,
  turned,
  type Vec,
  yielding,
} from './body.ts';

const side = fc.double({ min: 0.1, max: 2, noNaN: true });
const axis = fc.constantFrom<0 | 1 | 2>(0, 1, 2);
const forms: fc.Arbitrary<Form> = fc.oneof(
  fc.tuple(side, side, side).map((half): Form => ({ is: 'box', half })),
  fc.record({ is: fc.constant('round' as const), axis, radius: side, half: side }),
);
const place = fc.double({ min: -3, max: 3, noNaN: true });
const places = fc.tuple(place, place, place);

/** Whether a place lies in a form, written down plainly. */
const within = (form: Form, p: Vec): boolean =>
  form.is === 'box'
    ? p.every((value, k) => Math.abs(value) <= (form.half[k] ?? 0))
    : Math.abs(p[form.axis]) <= form.half &&
      Math.hypot(p[((form.axis + 1) % 3) as 0 | 1 | 2], p[((form.axis + 2) % 3) as 0 | 1 | 2]) <= form.radius;

describe('the skin of a body', () => {
  test('what is inside has a negative distance, what is outside a positive one', () => {
    fc.assert(
      fc.property(forms, places, (form, p) => {
        const { off } = outside(form, p);
        if (Math.abs(off) > 1e-9) expect(off < 0).toBe(within(form, p));
      }),
    );
  });

  test('going back along the way out by the distance comes to the skin', () => {
    fc.assert(
      fc.property(forms, places, (form, p) => {
        const { off, way } = outside(form, p);
        fc.pre(off > 1e-6);
        expect(Math.hypot(...way)).toBeCloseTo(1, 9);
        const on: Vec = [p[0] - off * way[0], p[1] - off * way[1], p[2] - off * way[2]];
        expect(outside(form, on).off).toBeCloseTo(0, 9);
      }),
    );
  });

  test('its edges lie on it, no farther apart than asked', () => {
    fc.assert(
      fc.property(forms, (form) => {
        const edges = edgePlaces(form, 0.3);
        for (const p of edges) expect(outside(form, p).off).toBeCloseTo(0, 9);
        const [x, y, z] = halfOf(form);
        for (const k of [0, 1, 2] as const) {
          const reach = Math.max(...edges.map((p) => p[k]));
          expect(reach).toBeLessThanOrEqual([x, y, z][k] ?? 0);
          expect(reach).toBeGreaterThan(0.9 * ([x, y, z][k] ?? 0));
        }
      }),
    );
  });
});

const body = (): Body => ({
  id: 'b',
  form: { is: 'box', half: [1, 1, 1] },
  at: [0, 0, 0],
  turn: [0, 0, 0, 1],
  speed: [0, 0, 0],
  spin: [0, 0, 0],
  inverseMass: 0.5,
  // A cube of 2 that weighs 2: 2 (4 + 4) / 12.
  inverseInertia: [0.75, 0.75, 0.75],
  wasAt: [0, 0, 0],
  wasTurned: [0, 0, 0, 1],
});

describe('a body in motion', () => {
  test('falls by half g t squared', () => {
    const falling = body();
    for (let k = 0; k < 1000; k++) {
      drift(falling, 1, 0.001);
      settleBody(falling, 0.001, 1, 100);
    }
    expect(falling.at[1]).toBeCloseTo(-0.5, 2);
  });

  test('spins on as it was spun', () => {
    const spun = body();
    spun.spin = [0, 0, 1];
    for (let k = 0; k < 1000; k++) {
      drift(spun, 0, 0.001);
      settleBody(spun, 0.001, 1, 100);
    }
    // After a second by 1 radian about z: what pointed to x now points to (cos 1, sin 1).
    const [x, y] = turned(spun.turn, [1, 0, 0]);
    expect(x).toBeCloseTo(Math.cos(1), 3);
    expect(y).toBeCloseTo(Math.sin(1), 3);
  });

  test('a push moves the place it is given at by as much as it yields there', () => {
    const small = fc.double({ min: -1, max: 1, noNaN: true });
    fc.assert(
      fc.property(fc.tuple(small, small, small), fc.tuple(small, small, small), (arm, other) => {
        const length = Math.hypot(...other);
        fc.pre(length > 0.1);
        const way: Vec = [other[0] / length, other[1] / length, other[2] / length];
        const pushed = body();
        const size = 1e-5;
        pushBody(pushed, arm, way, size);
        const moved = turned(pushed.turn, arm);
        const along = [0, 1, 2].reduce(
          (sum, k) => sum + (way[k] ?? 0) * ((pushed.at[k] ?? 0) + (moved[k] ?? 0) - (arm[k] ?? 0)),
          0,
        );
        expect(along / size).toBeCloseTo(yielding(body(), arm, way), 3);
      }),
    );
  });

  test('turned and turned back is where it was', () => {
    fc.assert(
      fc.property(places, (p) => {
        const half = Math.SQRT1_2;
        turned(back([half, 0, 0, half]), turned([half, 0, 0, half], p)).forEach((value, k) => {
          expect(value).toBeCloseTo(p[k] ?? 0, 9);
        });
      }),
    );
  });
});
