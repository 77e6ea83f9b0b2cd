import {
  type BagDocument,
  type Check,
  type CheckChoice,
  type Counted,
  choicesAfter,
  planOf,
} from '@fennot/core';
import { expose } from 'comlink';

const checker = {
  /** The ways on after a measure, tried on the bag. */
  choicesAfter: (
    document: BagDocument,
    check: Check,
    mm: number,
    before: Counted | undefined,
  ): CheckChoice[] => choicesAfter(planOf(document), check, mm, before),
};
export type Checker = typeof checker;

expose(checker);
