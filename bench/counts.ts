import { countProgram, disc, shaped, workedPiece, writeRows } from '@fennot/core';
import { report, time } from './time.ts';

const RULES = { terms: 'us', turning: 'does-not-count', usual: 'low' } as const;
const SIZES = { pitch: 6, row: 5.7, usual: 0.95 };

/** 400 rows of 200, each written out in its own way. */
const rows = (word: (row: number) => string) =>
  `ch 200\n${Array.from({ length: 400 }, (_, i) => `Row ${i + 1}: ${word(i)}`).join('\n')}`;

/** Rows in shorthand: read and counted while they are typed, and the shape they make. */
export function benchCounts(): void {
  console.log('Rows in shorthand (aim 8 ms for 400 rows of 200 while typing):');
  let typed = 0;
  const large = (i: number) =>
    rows((row) => (row === 200 ? `${i % 99} sc, sc across` : `(${(row % 19) + 1} sc, dc) x2, sc across`));
  report(
    '  one row of 400 rewritten',
    time(() => countProgram(large(typed++), RULES)),
    'all rows read before, but for one',
  );
  report(
    '  400 rows for the first time',
    time(() => {
      typed++;
      return countProgram(
        rows((row) => `(${(row % 19) + 1} sc, dc) x2, ${typed % 99} sc, sc across`),
        RULES,
      );
    }),
    'nothing of them known',
  );
  const megabyte = 'Row 1: (sc, inc) x3, '.repeat(50_000);
  report(
    '  a megabyte in one line',
    time(() => countProgram(megabyte, RULES), 5, 1),
    'aim 1000',
  );
  const lines = Array.from(
    { length: 4000 },
    (_, i) => `Row ${i + 1}: ${'sc, 2 dc, (hdc, inc) x2, '.repeat(10)}`,
  ).join('\n');
  report(
    `  ${(lines.length / 1e6).toFixed(1)} megabytes in 4000 lines`,
    time(() => countProgram(lines, RULES), 5, 1),
    'aim 1000',
  );
  console.log('The shape that counts make (aim 1000 ms for 30 rows of 140):');
  const fan = shaped(80, 140, 30, { stitch: 'low', where: 'spread' });
  for (const [name, text] of [
    ['30 rows up to 140', `ch 80\n${fan && writeRows(fan, 1, 'us', 'Row')}`],
    ['a disc of 30 rounds', writeRows(disc(6, 30, 'low'), 1, 'us', 'Round')],
    ['400 rows of 200', rows(() => 'sc across')],
  ] as const) {
    const program = countProgram(text, RULES);
    const piece = workedPiece(program, SIZES, 1);
    report(
      `  ${name}`,
      time(() => workedPiece(program, SIZES, 1), 10, 2),
      `off by ${(100 * (piece?.laid.strain ?? 0)).toFixed(1)} %`,
    );
  }
}
