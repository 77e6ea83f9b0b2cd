import {
  type BagDocument,
  boundsOf,
  type Motif,
  makingTrouble,
  presetRounds,
  roundFields,
  sideLoops,
  swatchOf,
} from '@fennot/core';
import { PencilLine } from 'lucide-react';
import { useState } from 'react';
import { MotifBenchModal } from '../../motif-bench/MotifBenchModal.tsx';
import { keptRound, withMaking } from '../../motif-bench/with-making.ts';
import type { BagStore } from '../../open-bag/store.ts';
import { Button } from '../../ui/Button.tsx';
import { Choice } from '../../ui/Choice.tsx';
import { NumberField } from '../../ui/fields.tsx';
import { KIND_NAMES } from './motif-names.ts';

interface WorkedAsProps {
  readonly motif: Motif;
  readonly kinds: readonly Motif['kind'][];
  readonly rounds: number;
  readonly document: BagDocument;
  readonly store: BagStore;
}

/** Shapes that can be made by rounds of one's own, by the kinds that have them. */
const OWN_SHAPE: Partial<Record<Motif['kind'], Motif['kind']>> = {
  cluster: 'solid',
  solid: 'solid',
  hexagon: 'hexagon',
  disc: 'disc',
  'half-disc': 'half-disc',
  triangle: 'triangle',
  rectangle: 'rectangle',
};
const SHAPE_NAMES: Partial<Record<Motif['kind'], string>> = {
  solid: 'Square',
  hexagon: 'Hexagon',
  disc: 'Disc',
  'half-disc': 'Half disc',
  triangle: 'Triangle',
  rectangle: 'Rectangle',
};

/** Where loops of one whose making is not known are counted. */
const LOOPS_ALONG: Partial<Record<Motif['kind'], string>> = {
  disc: 'Loops round about',
  'half-disc': 'Loops along its curve',
  triangle: 'Loops along a short side',
  rectangle: 'Loops along a short side',
};

/** How a motif is worked: as one of the kinds, by rounds of one's own, or nobody knows how. */
export function WorkedAs({ motif, kinds, rounds, document, store }: WorkedAsProps) {
  const [open, setOpen] = useState(false);
  const { change } = store.getState();
  const shape = OWN_SHAPE[motif.kind];
  const put = (fields: Partial<Motif>) =>
    change((doc) => ({
      ...doc,
      motifs: doc.motifs.map((one): Motif => {
        if (one.id !== motif.id) return one;
        const { making: _, ...rest } = one;
        return { ...rest, ...fields };
      }),
    }));
  const choose = (next: string) => {
    const kind = kinds.find((one) => one === next);
    if (kind) return put({ kind, ...(kind !== 'cluster' ? { gapChains: 0 } : {}) });
    if (!shape) return undefined;
    if (next === 'given')
      return put({ kind: shape, making: { of: 'given', loops: Math.min(600, sideLoops(motif, rounds)) } });
    const own = presetRounds(motif, rounds, swatchOf(document, motif.swatch).stitch).map(keptRound);
    const refusal = put({ kind: shape, making: { of: 'rounds', rounds: own } });
    if (refusal === undefined) setOpen(true);
    return refusal;
  };
  const { making } = motif;
  const trouble = making && makingTrouble(making, rounds, motif.kind);
  return (
    <>
      <Choice
        label="Worked as"
        value={making?.of ?? motif.kind}
        options={[
          ...kinds.map((kind) => ({ value: String(kind), label: KIND_NAMES[kind] })),
          ...(shape
            ? [
                { value: 'rounds', label: `${SHAPE_NAMES[shape]} by rounds of your own` },
                { value: 'given', label: `${SHAPE_NAMES[shape]} whose making is not known` },
              ]
            : []),
        ]}
        onChange={choose}
      />
      {making?.of === 'rounds' && (
        <Button small className="self-start" onClick={() => setOpen(true)}>
          <PencilLine size={13} /> On the Motif bench
        </Button>
      )}
      {trouble && (
        <p role="status" className="text-xs font-medium text-loosestrife">
          Round {trouble.round}: {trouble.problem}
        </p>
      )}
      {making?.of === 'given' && (
        <NumberField
          label={LOOPS_ALONG[motif.kind] ?? 'Loops along a side'}
          name="loops"
          value={making.loops}
          bounds={boundsOf(roundFields.loops)}
          hint="Counted as they are joined. Measure one below: until then its size is that of so many stitches."
          onChange={(loops) => change(withMaking(motif.id, { of: 'given', loops }))}
        />
      )}
      <MotifBenchModal
        document={document}
        store={store}
        motif={motif}
        open={open}
        onClose={() => setOpen(false)}
      />
    </>
  );
}
