import { ZxcvbnFactory } from '@zxcvbn-ts/core';
import * as common from '@zxcvbn-ts/language-common';

const guesser = new ZxcvbnFactory({ dictionary: common.dictionary, graphs: common.adjacencyGraphs });

/** How hard a password is to guess for somebody who knows the maker's name, 0 to 4. */
export const scoreOf = (password: string, name: string): number =>
  guesser.check(password, [name, 'fennot', 'crochet']).score;
