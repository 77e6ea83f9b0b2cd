import { useState } from 'react';
import { Choice } from '../../ui/Choice.tsx';
import type { StationProps } from '../station.ts';
import { JoinedStrip } from './JoinedStrip.tsx';
import { MotifSection } from './MotifSection.tsx';
import { SwatchSection } from './SwatchSection.tsx';
import { YarnSection } from './YarnSection.tsx';

/** What the maker's own hands make: swatch, motif, and what they measure. */
export function SwatchStation(props: StationProps) {
  const { document } = props.plan;
  const [swatchId, setSwatch] = useState(document.swatches[0]?.id);
  const [motifId, setMotif] = useState(document.motifs[0]?.id);
  const swatch = document.swatches.find(({ id }) => id === swatchId) ?? document.swatches[0];
  const motif = document.motifs.find(({ id }) => id === motifId) ?? document.motifs[0];
  const options = (list: ReadonlyArray<{ id: string; name: string }>) =>
    list.map(({ id, name }) => ({ value: id, label: name }));
  return (
    <>
      {document.swatches.length > 1 && swatch && (
        <div className="px-4 pt-3">
          <Choice
            label="Swatch"
            value={swatch.id}
            options={options(document.swatches)}
            onChange={setSwatch}
          />
        </div>
      )}
      {swatch && <SwatchSection key={swatch.id} {...props} swatch={swatch} />}
      {document.motifs.length > 1 && motif && (
        <div className="px-4 pt-3">
          <Choice label="Square" value={motif.id} options={options(document.motifs)} onChange={setMotif} />
        </div>
      )}
      <MotifSection key={motif?.id ?? 'none'} {...props} motif={motif} />
      {motif && <JoinedStrip {...props} motif={motif} />}
      <YarnSection {...props} />
    </>
  );
}
