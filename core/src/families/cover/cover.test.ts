import { describe, expect, test } from 'vitest';
import { planOf } from '../../plan/index.ts';
import { testDocument } from '../../testing/arbitraries.ts';
import { built, squares } from '../../testing/built.ts';
import { mm } from '../../units/index.ts';
import type { Cover } from './index.ts';

const body = { family: 'two-faces', face: squares(3, 3), tuck: 0 } as const;
const { size } = built(body);
/** A cover over a ready-made bag that is larger than it by a share. */
const over = (share: number): Cover => ({
  family: 'cover',
  over: { width: size.width * (1 + share), height: size.height * (1 + share), depth: 0 },
  loops: true,
  body,
});
const verdicts = (construction: Cover) =>
  planOf({ ...testDocument(construction), brief: {} })
    .tapes.filter(({ measure }) => measure === 'width' || measure === 'height')
    .map(({ verdict }) => verdict);

describe('a cover over a ready-made bag', () => {
  test('takes its target from the bag: 96 to 100 per cent of it', () => {
    const [width] = planOf({ ...testDocument(over(0)), brief: {} }).tapes;
    expect(width?.target?.value).toBeCloseTo(0.98 * size.width, 6);
    expect(width?.target?.tolerance).toBeCloseTo(0.02 * size.width, 6);
  });

  test('two per cent under is right; larger than the bag is over; a tenth smaller is under', () => {
    for (const verdict of verdicts(over(0.02))) expect(['reached', 'likely']).toContain(verdict);
    expect(verdicts(over(-0.03))).toEqual(['over', 'over']);
    expect(verdicts(over(0.12))).toEqual(['under', 'under']);
  });

  test('the brief’s own word comes first', () => {
    const document = testDocument(over(0.02));
    const brief = { width: { value: mm(size.width), tolerance: mm(5) } };
    const [width] = planOf({ ...document, brief }).tapes;
    expect(width?.target).toEqual(brief.width);
  });

  test('loops sit over its handles, a quarter in from either side, in front and behind; or are left out', () => {
    const straps = built(over(0)).graph.trim?.straps ?? [];
    expect(straps.map(({ name }) => name)).toEqual([
      'Front loop, left',
      'Front loop, right',
      'Back loop, left',
      'Back loop, right',
    ]);
    const middles = straps.map(({ from, to }) => (from.x + to.x) / 2);
    expect(middles).toEqual([-size.width / 4, size.width / 4, -size.width / 4, size.width / 4]);
    expect(built({ ...over(0), loops: false }).graph.trim?.straps).toEqual([]);
  });
});
