import type { BagDocument, Swatch, WrittenFabric, WrittenRows } from '@fennot/core';
import { useCallback } from 'react';
import { useSettings } from '../api/queries.ts';
import type { BagStore } from '../open-bag/store.ts';
import { judgedFabric } from './judged.ts';
import { RowBench } from './RowBench.tsx';

interface FabricBenchProps {
  readonly document: BagDocument;
  readonly store: BagStore;
  readonly swatch: Swatch;
  readonly fabric: WrittenFabric;
  readonly leave: { current: () => string | undefined };
}

/** The bench with the rows of a fabric on it: what is worked again and again. */
export default function FabricBench({ document, store, swatch, fabric, leave }: FabricBenchProps) {
  const { system } = useSettings();
  const judge = useCallback(
    ({ rows, terms }: WrittenRows) => judgedFabric(rows, { document, swatch, terms, system }),
    [document, swatch, system],
  );
  return (
    <RowBench
      name={fabric.name}
      written={fabric}
      judge={judge}
      put={(written) =>
        store.getState().change(
          (doc): BagDocument => ({
            ...doc,
            fabrics: doc.fabrics?.map((one) => (one.id === fabric.id ? { ...one, ...written } : one)),
          }),
        )
      }
      leave={leave}
      beside={() => (
        <p className="pt-1 text-xs text-soft">
          Rows come again from the first, or as a last line says: “Repeat rows 2-5”. How wide a panel is
          decides its chain.
        </p>
      )}
    />
  );
}
