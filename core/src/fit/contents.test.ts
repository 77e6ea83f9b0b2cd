import { expect, test } from 'vitest';
import { mm } from '../units/index.ts';
import { contentFits } from './index.ts';

const bag = { width: 300, height: 320, depth: 80, opening: 760 };
const box = (height: number, width: number, thickness: number) => ({
  shape: 'box' as const,
  id: 'b',
  name: 'Box',
  height: mm(height),
  width: mm(width),
  thickness: mm(thickness),
});

test('a binder of 318 by 285 by 75: by hand', () => {
  // Its section is 285 by 75: girth 720 against 760 round the mouth and 760 round the body; 318 of 320 high.
  const [fit] = contentFits(bag, [box(318, 285, 75)]);
  expect(fit).toMatchObject({ fits: true, binds: 'height', room: 2 });
});

test('too thick a thing is stopped at the mouth, too long a one by the height', () => {
  expect(contentFits({ ...bag, opening: 700 }, [box(300, 285, 75)])[0]).toMatchObject({
    fits: false,
    binds: 'opening',
    room: -20,
  });
  expect(contentFits(bag, [box(360, 100, 20)])[0]).toMatchObject({ fits: false, binds: 'height', room: -40 });
});

test('it does not matter which way round a box is written down', () => {
  const ways = [box(300, 200, 50), box(50, 300, 200), box(200, 50, 300)];
  expect(new Set(contentFits(bag, ways).map(({ room }) => room)).size).toBe(1);
});

test('a flask stands by its girth, a flat tin goes in edge first', () => {
  const round = (diameter: number, height: number) => ({
    shape: 'cylinder' as const,
    id: 'c',
    name: 'Round',
    diameter: mm(diameter),
    height: mm(height),
  });
  const narrow = { width: 120, height: 260, depth: 0, opening: 240 };
  // Pi * 76 = 239 round: just within 240.
  expect(contentFits(narrow, [round(76, 200)])[0]).toMatchObject({ fits: true, binds: 'opening' });
  expect(contentFits(narrow, [round(78, 200)])[0]?.fits).toBe(false);
  expect(contentFits(narrow, [round(100, 15)])[0]?.fits).toBe(true);
});
