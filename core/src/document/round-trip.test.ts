import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { planOf } from '../plan/index.ts';
import { constructions, features, finishes, testDocument } from '../testing/arbitraries.ts';
import { type BagDocument, readDocument, readDocumentText, writeDocumentText } from './index.ts';

const documents: fc.Arbitrary<BagDocument> = fc
  .tuple(constructions, features, finishes)
  .map(([construction, own, finish]) => ({ ...testDocument(construction), features: own, finish }));

/** Paths of everything in a document that is no list or object. */
function leavesOf(value: unknown, path: readonly string[] = []): string[][] {
  if (value === undefined) return [];
  if (typeof value !== 'object' || value === null) return [[...path]];
  return Object.entries(value).flatMap(([key, inner]) => leavesOf(inner, [...path, key]));
}

/** The document with one leaf replaced. */
function withLeaf(document: BagDocument, path: readonly string[], put: unknown): unknown {
  const copy = structuredClone(document) as unknown;
  let at: unknown = copy;
  for (const key of path.slice(0, -1)) at = Reflect.get(Object(at), key);
  Reflect.set(Object(at), path.at(-1) ?? '', put);
  return copy;
}

describe('a bag of any kind, with anything on it', () => {
  test('is the same once it has been written and read', () => {
    fc.assert(
      fc.property(documents, (document) => {
        const read = readDocumentText(writeDocumentText(document));
        // What is not there is not written.
        expect(read).toEqual({ ok: true, document: JSON.parse(JSON.stringify(document)) });
      }),
      { numRuns: 150 },
    );
  });

  test('plans the same from its file as before it was saved', () => {
    fc.assert(
      fc.property(documents, (document) => {
        const read = readDocumentText(writeDocumentText(document));
        if (!read.ok) throw new Error('a good document was refused');
        const [before, after] = [planOf(document), planOf(read.document)];
        expect(after.tapes).toEqual(before.tapes);
        expect(after.tally).toEqual(before.tally);
      }),
      { numRuns: 30 },
    );
  });

  test('with something of the wrong kind in any one place is refused there, in sentences', () => {
    fc.assert(
      fc.property(documents, fc.nat(), (document, pick) => {
        const leaves = leavesOf(document);
        const path = leaves[pick % leaves.length] ?? [];
        const read = readDocument(withLeaf(document, path, { not: 'this' }));
        expect(read.ok).toBe(false);
        if (read.ok) return;
        for (const problem of read.problems) {
          expect(problem.message).toMatch(/^[A-Z“].*\.$/);
          expect(problem.message).not.toMatch(/undefined|\[object|expected|Invalid/);
          // It names the place, or what it is part of.
          expect(`${path.join('.')}.`.startsWith(problem.path === '' ? '' : `${problem.path}.`)).toBe(true);
        }
      }),
      { numRuns: 150 },
    );
  });

  test('half a file is never taken for a whole one', () => {
    fc.assert(
      fc.property(documents, fc.double({ min: 0.02, max: 0.98, noNaN: true }), (document, share) => {
        const text = writeDocumentText(document);
        expect(readDocumentText(text.slice(0, Math.floor(text.length * share))).ok).toBe(false);
      }),
      { numRuns: 50 },
    );
  });
});
