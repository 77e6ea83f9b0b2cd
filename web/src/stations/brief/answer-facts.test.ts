import { beginDocument, fullSearch, mm, planOf, search } from '@fennot/core';
import { describe, expect, test } from 'vitest';
import { edgeText, factsOf, givesText, keyOf, onTable } from './answer-facts.ts';

const document = beginDocument({
  name: 'Bag',
  brief: { width: { value: mm(320), tolerance: 12 }, height: { value: mm(335), tolerance: 12 } },
});
const answers = [...search(document, fullSearch(document, false))].at(-1)?.answers ?? [];

describe('what is told of an answer', () => {
  test('is the same lines for each, with figures in all of them', () => {
    expect(answers.length).toBeGreaterThan(2);
    for (const found of answers) {
      const facts = factsOf(planOf(onTable(document, found)), found, 'cm');
      const labels = facts.map(({ label }) => label);
      for (const label of [
        'width',
        'height',
        'opening',
        'pieces',
        'edge',
        'yarn, about',
        'ends to hide',
        'hours, about',
      ])
        expect(labels).toContain(label);
      for (const { text } of facts) expect(text).not.toMatch(/undefined|NaN|^$/);
    }
  });

  test('tells answers apart, and put on the table they are what they were', () => {
    expect(new Set(answers.map(keyOf)).size).toBe(answers.length);
    for (const found of answers) {
      const taken = onTable(document, found);
      expect(taken.construction).toEqual(found.construction);
      expect(taken.features?.edge?.rounds ?? 0).toBe(found.edgeRounds);
    }
  });

  test('says nothing has to give where the target is reached, and what where it is not', () => {
    for (const found of answers) expect(givesText(document, found, 'cm').length === 0).toBe(found.reached);
    const [first] = answers;
    if (!first) throw new Error('no answer');
    const small = { ...first, size: { ...first.size, width: 300, height: 320 } };
    // 308 / 300 and 323 / 320: the width decides, 2.7 per cent.
    expect(givesText(document, small, 'cm')[0]).toContain('a gauge 2.7 % larger');
    expect(edgeText({ ...first, edgeRounds: 1 })).toBe('1 edge round');
  });
});
