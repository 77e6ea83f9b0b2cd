import { type BagDocument, fabricOf, type Panel, rateOf, swatchOf, type WrittenRows } from '@fennot/core';
import { useCallback } from 'react';
import { useSettings } from '../api/queries.ts';
import type { BagStore } from '../open-bag/store.ts';
import { judgedPanel } from './judged.ts';
import { RowBench } from './RowBench.tsx';
import { RowsWriter } from './RowsWriter.tsx';
import { SectionsField } from './SectionsField.tsx';
import { Twins } from './Twins.tsx';
import { withPanel } from './with-panel.ts';

interface PanelBenchProps {
  readonly document: BagDocument;
  readonly store: BagStore;
  readonly panel: Panel;
  readonly leave: { current: () => string | undefined };
}

/** The bench with the rows of a panel on it. */
export default function PanelBench({ document, store, panel, leave }: PanelBenchProps) {
  const { system } = useSettings();
  const swatch = swatchOf(document, panel.swatch);
  const { sections } = panel;
  const blocks = (sections ?? []).map(({ stitches, swatch: id }) => {
    const own = swatchOf(document, id);
    return { name: own.name, stitches, in: fabricOf(document, own) ?? own.stitch };
  });
  const judge = useCallback(
    ({ rows, terms }: WrittenRows) => judgedPanel(rows, { document, swatch, terms, system }, sections),
    [document, swatch, system, sections],
  );
  return (
    <RowBench
      name={panel.name}
      written={panel}
      judge={judge}
      put={(written) => store.getState().change(withPanel(panel.id, written))}
      leave={leave}
      help={({ counted }, add) => (
        <>
          <SectionsField document={document} store={store} panel={panel} counted={counted} />
          <RowsWriter
            counted={counted}
            usual={swatch.stitch}
            rowEnd={rateOf(document, swatch)}
            blocks={blocks}
            onAdd={add}
          />
        </>
      )}
      beside={({ counted }) => <Twins document={document} panel={panel} counted={counted} />}
    />
  );
}
