import { type BagDocument, freeId, LIMITS, type Panel, panelsUsed, type Terms } from '@fennot/core';
import { PencilLine, Plus, Trash2 } from 'lucide-react';
import { useState } from 'react';
import { useSettings } from '../../api/queries.ts';
import { BenchModal } from '../../row-bench/BenchModal.tsx';
import { withPanel } from '../../row-bench/with-panel.ts';
import { Button } from '../../ui/Button.tsx';
import { Choice } from '../../ui/Choice.tsx';
import { TextField } from '../../ui/fields.tsx';
import { Section } from '../../ui/Section.tsx';
import type { StationProps } from '../station.ts';

/** Rows to begin with: they come out, and show how rows are written. */
const FIRST_ROWS: Record<Terms, string> = {
  us: 'ch 31\nRow 1: sc in 2nd ch from hook, sc across (30)\nRows 2-30: sc across\n',
  uk: 'ch 31\nRow 1: dc in 2nd ch from hook, dc across (30)\nRows 2-30: dc across\n',
};

/** Panels by their rows, as their maker writes them. */
export function PanelsSection({ plan, store }: StationProps) {
  const { document } = plan;
  const { terms } = useSettings();
  const panels = document.panels ?? [];
  const [open, setOpen] = useState<string | undefined>(undefined);
  const { change } = store.getState();
  const shown = panels.find(({ id }) => id === open);
  const add = () => {
    const id = freeId(
      'panel',
      panels.map((one) => one.id),
    );
    const refusal = change((doc): BagDocument => {
      const [swatch] = doc.swatches;
      if (!swatch) return doc;
      const fresh: Panel = {
        id,
        name: `Panel ${id.split('-').at(-1)}`,
        swatch: swatch.id,
        terms,
        rows: FIRST_ROWS[terms],
      };
      return { ...doc, panels: [...(doc.panels ?? []), fresh] };
    });
    if (refusal === undefined) setOpen(id);
    return refusal;
  };
  return (
    <Section title="Panels by their rows">
      {panels.length === 0 && (
        <p className="text-xs text-soft">
          Write a panel’s rows as you would by hand: each is counted, and the piece is drawn. Under Build a
          face can be made of it.
        </p>
      )}
      {panels.map((panel) => {
        const used = panelsUsed(document).includes(panel.id);
        return (
          <div key={panel.id} className="grid grid-cols-[1fr_auto_auto] items-end gap-2">
            <TextField
              label="Panel"
              value={panel.name}
              onChange={(name) => change(withPanel(panel.id, { name }))}
            />
            <Button small aria-label={`Rows of ${panel.name}`} onClick={() => setOpen(panel.id)}>
              <PencilLine size={13} /> Rows
            </Button>
            <Button
              small
              look="bare"
              disabled={used}
              title={used ? 'The bag is made of it' : undefined}
              aria-label={`Take ${panel.name} out`}
              onClick={() =>
                change(
                  (doc): BagDocument => ({ ...doc, panels: doc.panels?.filter(({ id }) => id !== panel.id) }),
                )
              }
            >
              <Trash2 size={13} />
            </Button>
            {document.swatches.length > 1 && (
              <div className="col-span-3">
                <Choice
                  label="Worked as swatch"
                  value={panel.swatch}
                  options={document.swatches.map(({ id, name }) => ({ value: id, label: name }))}
                  onChange={(swatch) => change(withPanel(panel.id, { swatch }))}
                />
              </div>
            )}
          </div>
        );
      })}
      <Button small className="self-start" disabled={panels.length >= LIMITS.panels} onClick={add}>
        <Plus size={13} /> Write a panel
      </Button>
      <BenchModal document={document} store={store} panel={shown} onClose={() => setOpen(undefined)} />
    </Section>
  );
}
