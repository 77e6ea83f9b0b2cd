import { describe, expect, test } from 'vitest';
import { sizeTable } from '../fit/index.ts';
import { testDocument } from '../testing/arbitraries.ts';
import { documentSchema, withHook } from './index.ts';

describe('another hook', () => {
  const document = testDocument();
  const [swatch] = document.swatches.filter(({ id }) => document.motifs.some((one) => one.swatch === id));
  const id = swatch?.id ?? '';
  const side = (doc: typeof document) => sizeTable(doc).side('m1', 4);

  test('makes every square larger, as a guess, and says so; the old hook gives the old size back to the digit', () => {
    const thicker = withHook(document, id, (swatch?.hook ?? 5) * 1.2);
    expect(documentSchema.safeParse(thicker).success).toBe(true);
    expect(side(document).origin).toBe('measured');
    expect(side(thicker).origin).toBe('estimated');
    expect(side(thicker).value).toBeGreaterThan(1.1 * side(document).value);
    const back = withHook(thicker, id, swatch?.hook ?? 5);
    expect(JSON.stringify(back)).toBe(JSON.stringify(document));
    expect(side(back)).toEqual(side(document));
  });

  test('changes nothing of what other swatches say', () => {
    const other = withHook(document, 's2', 7);
    expect(side(other)).toEqual(side(document));
    expect(sizeTable(other).pitch('s2').origin).toBe('estimated');
    expect(sizeTable(other).pitch('s2').value).toBeGreaterThan(sizeTable(document).pitch('s2').value);
  });

  test('a strip joined with the old one is taken to grow as its squares do: the join stays a join', () => {
    const joins = {
      ...document.joins,
      measuredStrip: {
        motif: 'm1',
        rounds: 4,
        motifs: 5,
        length: sizeTable(document).side('m1', 4).value * 5 + 12,
      },
    };
    const measured = documentSchema.parse({ ...document, joins });
    const before = sizeTable(measured).join().value;
    const after = sizeTable(withHook(measured, id, (swatch?.hook ?? 5) * 1.2)).join();
    expect(Math.abs(after.value - before)).toBeLessThan(4);
    expect(after.origin).toBe('estimated');
  });
});
