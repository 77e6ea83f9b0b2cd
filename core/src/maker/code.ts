/**
 * Characters of codes that are read from one screen and typed on another: figures and letters without I, L, O and U, so that
 * none is taken for another and no word comes about. Thirty-two of them: five bits each.
 */
export const CODE_LETTERS = '0123456789ABCDEFGHJKMNPQRSTVWXYZ';

/** Letters that are taken for figures. */
const MISREAD: Readonly<Record<string, string>> = { O: '0', I: '1', L: '1' };

/** So many characters stand together. */
const GROUP = 5;

/** Codes that are good once and soon over: 50 bits. */
export const CODE_LENGTH = 10;
/** Codes that are kept on paper for years: 125 bits. */
export const RECOVERY_LENGTH = 25;

/** A code as it is compared: without the lines and blanks it is written with, misread letters put right. */
export const plainCode = (typed: string): string =>
  typed
    .normalize('NFKC')
    .toUpperCase()
    .replaceAll(/[\s\-–—_.]/gu, '')
    .replaceAll(/[OIL]/g, (letter) => MISREAD[letter] ?? letter);

/** A code as it is shown: in groups, however it was written. */
export const shownCode = (code: string): string =>
  (plainCode(code).match(new RegExp(`.{1,${GROUP}}`, 'g')) ?? []).join('-');

/** A code of random bytes, one character for each. */
export const codeFrom = (random: Uint8Array): string =>
  Array.from(random, (byte) => CODE_LETTERS[byte % CODE_LETTERS.length]).join('');
