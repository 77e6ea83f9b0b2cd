import { planOf } from '@fennot/core';
import { expect, test } from 'vitest';
import { CHECKS } from '../../../core/src/testing/verify/index.ts';
import { demoBags } from './index.ts';

test.each(demoBags().map((document) => [document.name, document] as const))(
  'every figure of %s agrees with another way of working it out',
  (_name, document) => {
    const plan = planOf(document);
    for (const check of CHECKS) expect(check.of(plan), check.name).toEqual([]);
  },
);
