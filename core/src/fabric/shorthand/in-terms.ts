import type { Terms } from '../../stitches/index.ts';
import type { WrittenRows } from '../panel.ts';
import { readLine } from './read-program.ts';
import { abbreviation, meantBy, NAMES } from './vocabulary.ts';
import { writeRow } from './write-row.ts';

const STITCH = new RegExp(`\\b(?:${NAMES.join('|')})\\b`, 'i');

/**
 * The same rows in the words of the other country: they count the same. What cannot be read stays as it stands, and so
 * does whatever a row does not count: names, notes.
 */
export function inTerms({ rows, terms: from }: WrittenRows, to: Terms): WrittenRows {
  if (from === to) return { rows, terms: to };
  let now = from;
  const lines = rows.split(/\r\n|\r|\n/).map((text) => {
    const line = readLine(text, now);
    if (line.of === 'terms') {
      now = line.terms;
      return `${to.toUpperCase()} terms`;
    }
    if (line.of === 'edge')
      return text.replace(STITCH, (word) => {
        const name = NAMES.find((one) => one === word.toLowerCase());
        return name ? abbreviation(meantBy(name, now).stitch, to) : word;
      });
    if (line.of !== 'row' || line.problems.length > 0 || line.body.of !== 'worked') return text;
    const note = /\s*#(?!\s*\d).*$/.exec(text)?.[0] ?? '';
    const count = line.written ? ` (${line.written.many})` : '';
    return `${text.slice(0, line.span.to)} ${writeRow(line.body.instructions, to)}${count}${note}`;
  });
  return { rows: lines.join('\n'), terms: to };
}
