import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { planned } from '../plan/index.ts';
import { documents, testDocument } from '../testing/arbitraries.ts';
import { squares } from '../testing/built.ts';
import { isDeep, smallPicture } from './index.ts';

/** The picture of a document that can be planned. */
function pictureOf(document: Parameters<typeof planned>[0]): string | undefined {
  const answer = planned(document);
  return answer.ok ? smallPicture(answer.plan) : undefined;
}

describe('the small picture', () => {
  test('of any bag is whole: every figure is a number, and what is used is defined, once', () => {
    fc.assert(
      fc.property(documents, (document) => {
        const picture = pictureOf(document);
        if (picture === undefined) return;
        expect(picture).not.toMatch(/NaN|Infinity|undefined|null/);
        const defined = [...picture.matchAll(/ id="(\w+)"/g)].map(([, id]) => id);
        expect(new Set(defined).size).toBe(defined.length);
        const used = [...picture.matchAll(/(?:href="#|url\(#)(\w+)/g)].map(([, id]) => id);
        for (const id of used) expect(defined).toContain(id);
        const [, box = ''] = /viewBox="([^"]+)"/.exec(picture) ?? [];
        const [, , width, height] = box.split(' ').map(Number);
        expect(Math.min(width ?? 0, height ?? 0)).toBeGreaterThan(0);
      }),
      { numRuns: 100 },
    );
  });

  test('draws each motif once, however many squares are of it, in the colours of its rounds', () => {
    const document = testDocument({ family: 'two-faces', face: squares(4, 5), tuck: 0 });
    const picture = pictureOf(document) ?? '';
    // Two colourways take turns, and a square has half a join more at each side that is joined: of forty squares those
    // in the rim's row are a little lower than the others.
    expect(picture.match(/<g id="d\d+">/g)).toHaveLength(4);
    expect(picture.match(/<use /g)?.length).toBeGreaterThanOrEqual(20);
    for (const { colour } of document.yarns.slice(0, 1)) expect(picture).toContain(`fill="${colour}"`);
  });

  test('shows the bag and not its straps: long ones run out of it', () => {
    const document = testDocument({ family: 'two-faces', face: squares(3, 3), tuck: 0 });
    const strapped = (drop: number) =>
      pictureOf({
        ...document,
        finish: { straps: { kind: 'rows', swatch: 's2', many: 1, drop, wide: 6 } },
      }) ?? '';
    const tall = (picture: string) => Number(/viewBox="\S+ \S+ \S+ (\S+)"/.exec(picture)?.[1]);
    const bare = tall(pictureOf(document) ?? '');
    expect(tall(strapped(60))).toBeGreaterThan(bare);
    expect(tall(strapped(1000))).toBe(tall(strapped(700)));
    expect(tall(strapped(1000))).toBeLessThan(2 * bare);
  });

  test('a bag of some depth is told from a flat one', () => {
    expect([0, 4.9, 5.1, 80].map(isDeep)).toEqual([false, false, true, true]);
  });
});
