import { swatchOf } from '../../document/index.ts';
import { countProgram, rowOfFabric, topsOfRows } from '../../fabric/index.ts';
import { fabricOf } from '../../fit/index.ts';
import { fitsMultiple } from '../../panel/index.ts';
import { type Check, differ } from './check.ts';

/** Panels of a fabric against their rows, written out whole and counted one by one. */
export const fabrics: Check = {
  name: 'Fabrics and stripes',
  how: 'every panel of a fabric written out row for row over its own count: it comes out where its multiple says so, with as many stitches of each kind; stitches by colour add up to all; stripes meet as their rows lie side by side',
  of({ document, graph, tally, stripes }) {
    const said: string[] = [];
    for (const { name, make } of graph.pieces) {
      if (make.of !== 'panel' || make.panel !== undefined) continue;
      const fabric = fabricOf(document, swatchOf(document, make.swatch));
      if (!fabric) continue;
      const own = fabric.written.rows.split('\n').filter((line) => /^\s*(?:rows?|rounds?)\s/i.test(line));
      // As written once, and then each row again by its number: nothing of the repeat is left to the reader.
      const again = Array.from({ length: Math.max(0, make.rows - fabric.repeated.last) }, (_, k) => {
        const row = fabric.repeated.last + k + 1;
        return `Row ${row}: as row ${rowOfFabric(fabric, row)}`;
      });
      const text = [`ch ${make.stitches}`, ...own, ...again].join('\n');
      const { rows, problems } = countProgram(text, fabric.rules);
      const fits = make.stitches >= fabric.counts[0] && fitsMultiple(make.stitches, fabric.multiple);
      if (fits !== (problems.length === 0))
        said.push(
          `${name}: its multiple says ${fits}, its rows say: ${problems[0]?.message ?? 'they come out'}`,
        );
      if (!fits) continue;
      const tops = topsOfRows(fabric, make.stitches);
      for (const row of rows.slice(0, make.rows)) {
        said.push(...differ(`${name}, stitches of row ${row.number}`, row.makes, make.stitches, 0));
        for (const [kind, many] of tops(row.number))
          said.push(
            ...differ(
              `${name}, ${kind} in row ${row.number}`,
              many,
              row.tops.kind.filter((one) => one === kind).length,
              1e-9,
            ),
          );
      }
    }
    const { panelColours, motifColours } = tally.effort;
    const pieces = tally.effort.parts.filter(({ part }) => part === 'motifs' || part === 'panels');
    said.push(
      ...differ(
        'Yarn of pieces by colour, mm',
        [...panelColours, ...motifColours].reduce((sum, { length }) => sum + length, 0),
        pieces.reduce((sum, { yarn }) => sum + yarn, 0),
        0.001,
      ),
    );
    for (const { name, rows, runs } of stripes().panels)
      said.push(
        ...differ(
          `${name}, rows of all stripes`,
          runs.reduce((sum, { first, last }) => sum + last - first + 1, 0),
          rows,
          0,
        ),
      );
    return said;
  },
};
