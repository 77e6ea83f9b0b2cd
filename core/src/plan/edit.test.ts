import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { type BagDocument, documentSchema, keepSame, readDocument } from '../document/index.ts';
import { documents, testDocument } from '../testing/arbitraries.ts';
import { edited, planned } from './index.ts';

const onPoint = (across: number): BagDocument =>
  testDocument({ family: 'on-point', motif: 'm1', rounds: 4, across, rows: 2, bottom: 'tapered' });
const widened = (across: number) => (document: BagDocument) => ({
  ...document,
  construction: onPoint(across).construction,
});
const withLine = (document: BagDocument, line: string): BagDocument => ({
  ...document,
  joins: {
    ...document.joins,
    lines: { [line]: { method: 'mattress' } },
    last: { line: 'left', end: 'first' },
  },
});

describe('a change of a document', () => {
  test('comes out as one that can be read, planned and saved, or is refused in sentences', () => {
    fc.assert(
      fc.property(documents, documents, (from, to) => {
        const answer = edited(from, () => to);
        if (!answer.ok) {
          for (const { message } of answer.problems) expect(message).toMatch(/^[A-Z“].*\.$/);
          return;
        }
        expect(readDocument(JSON.parse(JSON.stringify(answer.document))).ok).toBe(true);
        expect(planned(answer.document).ok).toBe(true);
        expect(answer.plan.document).toBe(answer.document);
      }),
      { numRuns: 60 },
    );
  });

  test('is refused by the field that is wrong', () => {
    const answer = edited(onPoint(2), (document) => ({ ...document, name: ' ' }));
    expect(answer).toEqual({ ok: false, problems: [{ path: 'name', message: 'A name cannot be empty.' }] });
  });

  test('that is none gives the same document', () => {
    const document = keepSame(undefined, onPoint(2));
    const answer = edited(document, (same) => structuredClone(same));
    expect(answer.ok && answer.document).toBe(document);
  });

  test('a choice for a line stays with that line when the bag grows', () => {
    const answer = edited(withLine(onPoint(2), 'rising/3'), widened(4));
    expect(answer.ok && answer.document.joins.lines).toEqual({ 'rising/3': { method: 'mattress' } });
    expect(answer.ok && answer.notes).toEqual([]);
  });

  test('a choice whose line is gone goes with it, in a sentence that names it; the others stay', () => {
    // Two across has rising lines up to 3 half squares right of the corner and more above; one across has not.
    const before = withLine(onPoint(3), 'rising/5');
    const answer = edited(before, widened(1));
    if (!answer.ok) throw new Error('refused');
    expect(answer.notes).toEqual([
      '“Rising line 3” is not there any more, and what was chosen for it goes with it.',
    ]);
    expect(answer.document.joins.lines).toBeUndefined();
    expect(answer.document.joins.last).toEqual({ line: 'left', end: 'first' });
  });
});

describe('what did not change stays the same object', () => {
  const json = fc.jsonValue({ maxDepth: 3 });

  test('whatever is kept equals what was to come', () => {
    fc.assert(
      fc.property(json, json, (before, next) => {
        expect(keepSame(before, next)).toEqual(next);
      }),
    );
  });

  test('a copy is recognised whole, and one change leaves all its neighbours', () => {
    fc.assert(
      fc.property(fc.dictionary(fc.string(), json, { minKeys: 2 }), fc.nat(), (before, pick) => {
        expect(keepSame(before, structuredClone(before))).toBe(before);
        const keys = Object.keys(before);
        const changed = keys[pick % keys.length] ?? '';
        const next = { ...structuredClone(before), [changed]: 'changed indeed' };
        const kept: Record<string, unknown> = keepSame(before, next);
        for (const key of keys) if (key !== changed) expect(kept[key]).toBe(before[key]);
      }),
    );
  });

  test('what is undefined is left out, as in a file', () => {
    expect(Object.keys(keepSame(undefined, { a: 1, b: undefined }))).toEqual(['a']);
    const parsed = documentSchema.parse(testDocument());
    expect(keepSame(undefined, parsed)).toEqual(JSON.parse(JSON.stringify(parsed)));
  });
});

describe('what an edit did not touch is not worked out again', () => {
  test('the bag stays the same through edits of its brief, name, colours and straps; not of its sizes', () => {
    const document = keepSame(undefined, onPoint(2));
    const graphAfter = (make: (document: BagDocument) => BagDocument) => {
      const answer = edited(document, make);
      if (!answer.ok) throw new Error('refused');
      return answer.plan.graph;
    };
    const before = planned(document);
    const graph = before.ok ? before.plan.graph : undefined;
    expect(graphAfter((doc) => ({ ...doc, name: 'Another' }))).toBe(graph);
    expect(
      graphAfter((doc) => ({ ...doc, yarns: doc.yarns.map((yarn) => ({ ...yarn, colour: '#123456' })) })),
    ).toBe(graph);
    const heavier = graphAfter((doc) => ({
      ...doc,
      yarns: doc.yarns.map((yarn) => ({ ...yarn, weight: 6 })),
    }));
    expect(heavier).not.toBe(graph);
  });

  test('a plan by way of what is remembered is the plan worked out from nothing', () => {
    fc.assert(
      fc.property(documents, documents, (first, second) => {
        // The second's sizes under the first's construction, and back: nothing of one is left in the other.
        const mixed = { ...second, construction: first.construction };
        for (const document of [first, mixed, first]) {
          const fresh = structuredClone(document);
          const [known, anew] = [planned(document), planned(fresh)];
          expect(known.ok).toBe(anew.ok);
          if (known.ok && anew.ok) {
            expect(known.plan.tapes).toEqual(anew.plan.tapes);
            expect(known.plan.tally).toEqual(anew.plan.tally);
          }
        }
      }),
      { numRuns: 40 },
    );
  });
});
