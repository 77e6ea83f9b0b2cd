import { describe, expect, test } from 'vitest';
import { FAMILIES } from '../families/index.ts';
import { beginDocument, planOf } from '../plan/index.ts';
import { BACK, CORNER, camera, FRONT, project, seenFacets } from './project.ts';

describe('the made-up projection', () => {
  test('keeps lengths across the line of sight, and up stays up from every side', () => {
    for (const view of [FRONT, BACK, CORNER, { turn: 2.2, tilt: -0.7 }]) {
      const eye = camera(view);
      const lengths = [eye.right, eye.up, eye.towards].map(({ x, y, z }) => Math.hypot(x, y, z));
      for (const length of lengths) expect(length).toBeCloseTo(1, 9);
      const up = project(eye, { x: 0, y: 1, z: 0 });
      expect(up.x).toBeCloseTo(0, 9);
      expect(up.y).toBeGreaterThan(0);
    }
  });

  test('front and back are each other’s mirror: right on one is left on the other', () => {
    const p = { x: 10, y: 3, z: 0 };
    expect(project(camera(FRONT), p).x).toBeCloseTo(10, 9);
    expect(project(camera(BACK), p).x).toBeCloseTo(-10, 9);
  });

  test('in every family the front shows outsides of the front, the back those of the back', () => {
    for (const { id } of FAMILIES) {
      const plan = planOf(beginDocument({ name: 'x', family: id }));
      for (const [view, face, other] of [
        [FRONT, 'front', 'back'],
        [BACK, 'back', 'front'],
      ] as const) {
        const outside = seenFacets(plan.graph.facets, view).filter(({ inside }) => !inside);
        const faces = new Set(outside.map(({ facet }) => facet.face));
        expect(faces.has(face)).toBe(true);
        expect(faces.has(other)).toBe(false);
      }
    }
  });

  test('what shows its inside is drawn before all that shows its outside', () => {
    const plan = planOf(beginDocument({ name: 'x', family: 'boxed' }));
    const order = seenFacets(plan.graph.facets, CORNER).map(({ inside }) => inside);
    expect(order.lastIndexOf(true)).toBeLessThan(order.indexOf(false));
  });
});
