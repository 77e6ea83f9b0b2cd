import {
  type BagDocument,
  bordersOf,
  type CountedProgram,
  chainOf,
  LIMITS,
  MOST_SECTIONS,
  type Panel,
  type PanelSection,
  sectionsOfRows,
  swatchOf,
} from '@fennot/core';
import { Columns3, Plus, Trash2 } from 'lucide-react';
import { useState } from 'react';
import type { BagStore } from '../open-bag/store.ts';
import { Button } from '../ui/Button.tsx';
import { Choice } from '../ui/Choice.tsx';
import { NumberField } from '../ui/fields.tsx';
import { withPanel } from './with-panel.ts';

interface SectionsFieldProps {
  readonly document: BagDocument;
  readonly store: BagStore;
  readonly panel: Panel;
  readonly counted: CountedProgram;
}

/** Blocks of a row side by side, each as wide and as high as its own swatch. */
export function SectionsField({ document, store, panel, counted }: SectionsFieldProps) {
  const { sections = [] } = panel;
  const { change } = store.getState();
  const set = (next: readonly PanelSection[]) =>
    change(withPanel(panel.id, { sections: next.length > 1 ? [...next] : undefined }));
  const [open, setOpen] = useState(false);
  const first = chainOf(counted) || 30;
  if (sections.length === 0)
    return (
      <Button
        small
        className="self-start"
        onClick={() => {
          const half = Math.max(1, Math.round(first / 2));
          setOpen(true);
          const other = document.swatches.find(({ id }) => id !== panel.swatch)?.id ?? panel.swatch;
          return set([
            { stitches: half, swatch: panel.swatch },
            { stitches: Math.max(1, first - half), swatch: other },
          ]);
        }}
      >
        <Columns3 size={13} /> Sections side by side ...
      </Button>
    );
  if (!open)
    return (
      <Button small className="self-start" onClick={() => setOpen(true)}>
        <Columns3 size={13} /> Sections {sections.map(({ stitches }) => stitches).join(' + ')} ...
      </Button>
    );
  const put = (i: number, fields: Partial<PanelSection>) =>
    set(sections.map((one, k) => (k === i ? { ...one, ...fields } : one)));
  return (
    <section
      aria-label="Sections side by side"
      className="w-full shrink-0 rounded-sm border border-line bg-card p-2"
    >
      <ul className="grid grid-cols-[5.5rem_1fr_auto] items-end gap-2">
        {sections.map(({ stitches, swatch }, i) => (
          <li key={i} className="contents">
            <NumberField
              name="stitches of the section"
              label={`Section ${i + 1}`}
              value={stitches}
              bounds={{ min: 1, max: LIMITS.worked, whole: true }}
              onChange={(many) => put(i, { stitches: many })}
            />
            <Choice
              label="as large as in"
              value={swatch}
              options={document.swatches.map(({ id, name }) => ({ value: id, label: name }))}
              onChange={(id) => put(i, { swatch: id })}
            />
            <Button
              small
              look="bare"
              aria-label={`Take section ${i + 1} out`}
              onClick={() => set(sections.filter((_, k) => k !== i))}
            >
              <Trash2 size={13} />
            </Button>
          </li>
        ))}
      </ul>
      <p role="status" className="pt-1 text-xs text-soft">
        {sectionsSaid(document, sections, counted)}
      </p>
      <div className="flex gap-2">
        <Button
          small
          disabled={sections.length >= MOST_SECTIONS}
          onClick={() => set([...sections, { stitches: 10, swatch: panel.swatch }])}
        >
          <Plus size={13} /> A section
        </Button>
        <Button small look="bare" onClick={() => setOpen(false)}>
          Close
        </Button>
      </div>
    </section>
  );
}

/** Where markers stand, and what is wrong with the counts. */
function sectionsSaid(
  document: BagDocument,
  sections: readonly PanelSection[],
  counted: CountedProgram,
): string {
  const all = sections.reduce((sum, { stitches }) => sum + stitches, 0);
  const first = chainOf(counted);
  const row = counted.rows[0];
  const alike = new Set(sections.map(({ swatch }) => swatch)).size === 1;
  const said: string[] = [];
  if (row && first > 0) {
    const [within = []] = sectionsOfRows(
      [row],
      first,
      sections.map(({ stitches }) => stitches),
    );
    const borders = bordersOf(within);
    said.push(
      borders.length === 0
        ? 'All of row 1 lies in one section.'
        : `Markers in row 1 after stitch ${borders.join(' and ')}.`,
    );
    if (all !== first)
      said.push(
        all < first
          ? `They come to ${all} of ${first}: the ${first - all} that are over belong to the last.`
          : `They come to ${all}, and row 1 stands on ${first}: ${all - first} of them are not there.`,
      );
  } else if (row) said.push('What begins in a ring has no sections.');
  if (alike)
    said.push(
      document.swatches.length === 1
        ? 'Both are as large as the bag’s one swatch: add another under Swatch.'
        : `All are as large as ${swatchOf(document, sections[0]?.swatch ?? '').name}.`,
    );
  return said.join(' ');
}
