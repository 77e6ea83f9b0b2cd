import {
  type BagDocument,
  boundsOf,
  formatSmall,
  type Motif,
  measuredStripSchema,
  mm,
  sizeTable,
} from '@fennot/core';
import { useSettings } from '../../api/queries.ts';
import { Button } from '../../ui/Button.tsx';
import { LengthField, NumberField } from '../../ui/fields.tsx';
import { Row, Section } from '../../ui/Section.tsx';
import type { StationProps } from '../station.ts';
import { Origin } from './SwatchSection.tsx';

/** What a join adds or takes between two squares, by table or by a joined strip under the tape. */
export function JoinedStrip({ plan, store, motif }: StationProps & { readonly motif: Motif }) {
  const { system } = useSettings();
  const { document } = plan;
  const strip = document.joins.measuredStrip;
  const table = sizeTable(document);
  const join = table.join();
  const set = (measuredStrip: BagDocument['joins']['measuredStrip']) =>
    store.getState().change((doc) => ({ ...doc, joins: { ...doc.joins, measuredStrip } }));
  const rounds =
    plan.graph.pieces.flatMap(({ make }) => (make.of === 'motif' ? [make.rounds] : []))[0] ??
    motif.measured[0]?.rounds ??
    5;
  const words =
    join.value >= 0 ? `adds ${formatSmall(join.value, system)}` : `takes ${formatSmall(-join.value, system)}`;
  return (
    <Section title="What a join adds">
      <p className="text-sm">
        Each join {words} <Origin origin={join.origin} />
      </p>
      {strip ? (
        <>
          <Row>
            <NumberField
              label="Squares joined"
              name="squares"
              value={strip.motifs}
              bounds={boundsOf(measuredStripSchema.shape.motifs)}
              onChange={(motifs) => set({ ...strip, motifs, hook: undefined })}
            />
            <LengthField
              label="measure together"
              value={strip.length}
              onChange={(length) => set({ ...strip, length, hook: undefined })}
            />
          </Row>
          <Button small look="bare" className="self-start" onClick={() => set(undefined)}>
            Go back to the estimate
          </Button>
        </>
      ) : (
        <Button
          small
          className="self-start"
          onClick={() =>
            set({
              motif: motif.id,
              rounds,
              motifs: 3,
              length: mm(Math.round(3 * table.motif(motif.id).size.at(rounds).value + 2 * join.value)),
            })
          }
        >
          I measured a joined strip
        </Button>
      )}
    </Section>
  );
}
