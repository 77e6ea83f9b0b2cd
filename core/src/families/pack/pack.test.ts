import { describe, expect, test } from 'vitest';
import { checkGraph, measure } from '../../bag/index.ts';
import { planOf } from '../../plan/index.ts';
import { testDocument } from '../../testing/arbitraries.ts';
import { built, panel, squares } from '../../testing/built.ts';
import { familyOf } from '../index.ts';
import type { Pack } from './index.ts';

const body = { family: 'two-faces', face: squares(3, 3), tuck: 0 } as const;
const back: Pack = {
  family: 'pack',
  body,
  worn: { on: 'back', flap: panel(36, 30), eyelets: 16, strap: 620 },
};
const waist: Pack = { family: 'pack', body, worn: { on: 'waist', belt: 900, holes: 5 } };

describe('a pack on the back', () => {
  test('measures as its body does: the flap hangs on it', () => {
    const plain = built(body).size;
    const { size } = built(back);
    for (const key of ['width', 'height', 'depth', 'opening'] as const)
      expect(size[key]).toBeCloseTo(plain[key], 6);
  });

  test('has two equal straps behind, and its eyelets', () => {
    const { graph } = built(back);
    const straps = graph.trim?.straps ?? [];
    expect(straps.map(({ name, length, behind }) => [name, length, behind])).toEqual([
      ['Left strap', 620, true],
      ['Right strap', 620, true],
    ]);
    // One mirrors the other.
    const [left, right] = straps;
    expect(left?.to.x).toBeCloseTo(-(right?.to.x ?? 0), 9);
    expect(left?.from.x).toBeCloseTo(-(right?.from.x ?? 0), 9);
    expect(graph.trim?.eyelets).toBe(16);
  });

  test('a flap that leans hangs by the middle of its upper side, not of its width', () => {
    // Written rows that lie upright: their upper side is one side of a piece that is narrower there, and off its middle.
    const leaning: Pack = {
      ...back,
      worn: {
        on: 'back',
        flap: { of: 'rows', panel: 'widens', upright: true, open: 5 },
        eyelets: 16,
        strap: 620,
      },
    };
    const { graph } = built(leaning);
    expect(checkGraph(graph)).toEqual([]);
    const seams = graph.seams.filter(({ line }) => line === 'flap');
    expect(seams.length).toBeGreaterThan(0);
  });

  test('its flap grows in the middle of the back’s rim', () => {
    const { graph } = built(back);
    const flap = graph.facets.filter(({ face }) => face === 'flap');
    const xs = flap.flatMap(({ motion, outline }) =>
      outline.map(({ x, y }) => motion.origin.x + x * motion.u.x + y * motion.v.x),
    );
    expect(Math.max(...xs) + Math.min(...xs)).toBeCloseTo(0, 6);
    expect(graph.seams.some(({ line, kind }) => line.startsWith('flap') && kind === 'grown')).toBe(true);
  });

  test('says at its steps that cords and straps can strangle', () => {
    const document = testDocument(back);
    const { controls } = familyOf(back);
    const hints = controls(built(back).materials, document).flatMap((one) => one.hint ?? []);
    expect(hints.join(' ')).toContain('never on small children’s things');
  });
});

describe('a pack round the waist', () => {
  test('has its belt in two equal parts, one at either side, and no flap', () => {
    const { graph, size } = built(waist);
    expect(graph.trim?.straps?.map(({ length }) => length)).toEqual([450, 450]);
    expect(graph.trim?.straps?.map(({ from }) => from.x)).toEqual([-size.width / 2, size.width / 2]);
    expect(graph.facets.some(({ face }) => face === 'flap')).toBe(false);
  });

  test('a bag worn one way can be worn the other, on the same body', () => {
    const { materials, choices } = built(waist);
    const worn = familyOf(waist)
      .controls(materials, choices)
      .find(({ id }) => id === 'worn');
    if (worn?.kind !== 'choice') throw new Error('no choice');
    const other = worn.set('back');
    expect(other).toMatchObject({ family: 'pack', body, worn: { on: 'back' } });
    expect(measure(planOf(testDocument(other)).graph).width).toBeCloseTo(built(waist).size.width, 6);
  });
});
