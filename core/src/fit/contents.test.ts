import { expect, test } from 'vitest';
import type { Content } from '../document/index.ts';
import { mm } from '../units/index.ts';
import { contentFits } from './index.ts';

/** 320 high, and 760 round its mouth and its narrowest place. */
const bag = { height: 320, girth: 760, opening: 760 };
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
  expect(contentFits(bag, [box(360, 100, 60)])[0]).toMatchObject({
    fits: false,
    binds: 'height',
    room: -40,
  });
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
  const narrow = { height: 260, girth: 760, opening: 240 };
  // Pi * 76 = 239 round: just within 240.
  expect(contentFits(narrow, [round(76, 200)])[0]).toMatchObject({ fits: true, binds: 'opening' });
  expect(contentFits(narrow, [round(78, 200)])[0]?.fits).toBe(false);
  expect(contentFits(narrow, [round(100, 15)])[0]?.fits).toBe(true);
});

test('what is too long to stand goes in lying where there is room', () => {
  // Closed only 87 high: a clapper of 150 lies, 60 high; its section is 150 by 60, 420 round.
  const clapper: Content = { shape: 'cylinder', id: 'c', name: 'Clapper', height: mm(150), diameter: mm(60) };
  const low = { height: 87, girth: 516, opening: 600 };
  expect(contentFits(low, [clapper])[0]).toMatchObject({ fits: true, lies: true, binds: 'body', room: 96 });
  // Too narrow for that, too: it is told how far it stands out.
  expect(contentFits({ ...low, girth: 400 }, [clapper])[0]).toMatchObject({
    fits: false,
    lies: false,
    binds: 'height',
    room: -63,
  });
});

test('a waist decides, not the wide body below it', () => {
  // A drum of 600 round goes through the mouth of 760 but not through a waist of 560.
  const drum: Content = { shape: 'cylinder', id: 'd', name: 'Drum', height: mm(200), diameter: mm(190) };
  expect(contentFits(bag, [drum])[0]?.fits).toBe(true);
  const [fit] = contentFits({ ...bag, girth: 560 }, [drum]);
  expect(fit?.fits).toBe(false);
  expect(fit?.binds).toBe('body');
  expect(fit?.room).toBeCloseTo(560 - Math.PI * 190, 6);
});
