/** What a spreadsheet may take for a formula at the beginning of a cell. */
const FORMULA = /^[=+\-@\t\r']/;
const WRITTEN = /^'(?=[=+\-@\t\r'])/;

/** Text as it stands in a cell, so that no spreadsheet works it out: behind an apostrophe where it might. */
export const inert = (text: string): string => (FORMULA.test(text) ? `'${text}` : text);

/** Text out of such a cell. */
export const fromInert = (cell: string): string => cell.replace(WRITTEN, '');
