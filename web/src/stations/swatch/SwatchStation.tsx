import { isSquare, LIMITS, MOTIF_KINDS, READY_MOTIFS, swatchesUsed, withoutSwatch } from '@fennot/core';
import { Plus, Trash2 } from 'lucide-react';
import { useState } from 'react';
import { Button } from '../../ui/Button.tsx';
import { Choice } from '../../ui/Choice.tsx';
import type { StationProps } from '../station.ts';
import { JoinedStrip } from './JoinedStrip.tsx';
import { FromLibrary } from './library/FromLibrary.tsx';
import { Lessons } from './library/Lessons.tsx';
import { MotifSection } from './MotifSection.tsx';
import { PanelsSection } from './PanelsSection.tsx';
import { SwatchSection } from './SwatchSection.tsx';
import { FIRST_NAMES, withMotif, withReady } from './with-motif.ts';
import { withSwatchLike } from './with-swatch.ts';
import { YarnSection } from './YarnSection.tsx';

/** What the maker's own hands make: swatch, motif, and what they measure. */
export function SwatchStation(props: StationProps) {
  const { document } = props.plan;
  const [swatchId, setSwatch] = useState(document.swatches[0]?.id);
  const [motifId, setMotif] = useState(document.motifs[0]?.id);
  const swatch = document.swatches.find(({ id }) => id === swatchId) ?? document.swatches[0];
  const used = swatch !== undefined && swatchesUsed(document).includes(swatch.id);
  const { change } = props.store.getState();
  const motif = document.motifs.find(({ id }) => id === motifId) ?? document.motifs[0];
  const options = (list: ReadonlyArray<{ id: string; name: string }>) =>
    list.map(({ id, name }) => ({ value: id, label: name }));
  return (
    <>
      <Lessons {...props} />
      {swatch && (
        <div className="flex flex-col gap-2 px-4 pt-3">
          {document.swatches.length > 1 && (
            <Choice
              label="Swatch"
              value={swatch.id}
              options={options(document.swatches)}
              onChange={setSwatch}
            />
          )}
          <FromLibrary store={props.store} of="swatch" onAdded={setSwatch} />
          <div className="flex gap-2">
            <Button
              small
              disabled={document.swatches.length >= LIMITS.swatches}
              onClick={() => {
                const next = withSwatchLike(document, swatch);
                const refusal = change(() => next);
                if (refusal === undefined) setSwatch(next.swatches.at(-1)?.id);
                return refusal;
              }}
            >
              <Plus size={13} /> Another swatch
            </Button>
            {document.swatches.length > 1 && (
              <Button
                small
                look="bare"
                disabled={used}
                title={used ? 'Something of the bag is worked in it' : undefined}
                aria-label={`Take ${swatch.name} out`}
                onClick={() => change((doc) => withoutSwatch(doc, swatch.id))}
              >
                <Trash2 size={13} />
              </Button>
            )}
          </div>
        </div>
      )}
      {swatch && <SwatchSection key={swatch.id} {...props} swatch={swatch} />}
      {motif && (
        <div className="flex flex-col gap-2 px-4 pt-3">
          <FromLibrary store={props.store} of="motif" onAdded={setMotif} />
          {document.motifs.length > 1 && (
            <Choice label="Motif" value={motif.id} options={options(document.motifs)} onChange={setMotif} />
          )}
          <Choice
            label="Add a motif"
            value="none"
            options={[
              { value: 'none', label: 'of another shape or kind ...' },
              ...MOTIF_KINDS.map((kind) => ({ value: String(kind), label: FIRST_NAMES[kind] })),
              ...READY_MOTIFS.map(({ id, name, says }) => ({ value: id, label: `${name}: ${says}` })),
            ]}
            onChange={(kind) => {
              if (kind === 'none') return;
              const ready = READY_MOTIFS.find(({ id }) => id === kind);
              const plain = MOTIF_KINDS.find((one) => one === kind);
              const next = ready ? withReady(document, ready) : plain ? withMotif(document, plain) : document;
              const refusal = props.store.getState().change(() => next);
              if (refusal === undefined) setMotif(next.motifs.at(-1)?.id);
              return refusal;
            }}
          />
        </div>
      )}
      <MotifSection key={motif?.id ?? 'none'} {...props} motif={motif} />
      {motif && isSquare(motif.kind) && <JoinedStrip {...props} motif={motif} />}
      <PanelsSection {...props} />
      <YarnSection {...props} />
    </>
  );
}
