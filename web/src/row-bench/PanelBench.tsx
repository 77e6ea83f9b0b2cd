import { type BagDocument, type Panel, swatchOf, type WrittenRows } from '@fennot/core';
import { useCallback } from 'react';
import { useSettings } from '../api/queries.ts';
import type { BagStore } from '../open-bag/store.ts';
import { judgedPanel } from './judged.ts';
import { RowBench } from './RowBench.tsx';
import { RowsWriter } from './RowsWriter.tsx';
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
      help={({ counted }, add) => <RowsWriter counted={counted} usual={swatch.stitch} onAdd={add} />}
      beside={({ counted }) => <Twins document={document} panel={panel} counted={counted} />}
    />
  );
}
