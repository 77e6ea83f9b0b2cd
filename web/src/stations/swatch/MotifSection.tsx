import {
  type BagDocument,
  boundsOf,
  ENDS,
  firstRowOf,
  increasesOf,
  isSquare,
  longOf,
  MOTIF_KINDS,
  type Motif,
  measurementSchema,
  mm,
  moreARowOf,
  motifSchema,
  SQUARE_KINDS,
  sideLoops,
  sideStitches,
  sizeTable,
  TURNINGS,
  turningName,
  yarnOf,
} from '@fennot/core';
import { Plus, X } from 'lucide-react';
import { lazy, Suspense } from 'react';
import { motifPicture } from '../../drawing/motif-picture.ts';
import { Button } from '../../ui/Button.tsx';
import { Choice } from '../../ui/Choice.tsx';
import { LengthField, NumberField, TextField } from '../../ui/fields.tsx';
import { Row, Section } from '../../ui/Section.tsx';
import { tell } from '../../ui/tell.ts';
import type { StationProps } from '../station.ts';
import { Colourways } from './Colourways.tsx';
import { LibraryLine } from './library/LibraryLine.tsx';
import { KIND_NAMES, SIZE_NAMES } from './motif-names.ts';
import { WorkedAs } from './WorkedAs.tsx';
import { withMotif } from './with-motif.ts';

const SizeChart = lazy(() => import('./SizeChart.tsx'));

/** A square motif: how it is worked, how it is coloured, and what finished ones measure. */
export function MotifSection({ plan, store, motif }: StationProps & { readonly motif: Motif | undefined }) {
  const { document } = plan;
  const { change } = store.getState();
  if (!motif) {
    return (
      <Section title="Motif">
        <p className="text-sm text-soft">This bag is of worked panels only.</p>
        <Button small className="self-start" onClick={() => change((doc) => withMotif(doc, 'cluster'))}>
          <Plus size={13} /> Add a square
        </Button>
      </Section>
    );
  }
  const set = (fields: Partial<Motif>) =>
    change(
      (doc): BagDocument => ({
        ...doc,
        motifs: doc.motifs.map((one) => (one.id === motif.id ? { ...one, ...fields } : one)),
      }),
    );
  const inUse = plan.graph.pieces.flatMap(({ make }) =>
    make.of === 'motif' && make.motif === motif.id ? [make.rounds] : [],
  )[0];
  const rounds = inUse ?? (motif.making?.of === 'rounds' ? motif.making.rounds.length : 5);
  const square = isSquare(motif.kind);
  const round = motif.kind === 'disc' || motif.kind === 'half-disc';
  // A square that is laid in columns and rows must stay one.
  const kinds = square && inUse !== undefined ? SQUARE_KINDS : MOTIF_KINDS;
  const { size } = sizeTable(document).motif(motif.id);
  const colourOf = (yarn: string) => yarnOf(document, yarn).colour;
  const setMeasured = (i: number, fields: Partial<Motif['measured'][number]>) =>
    set({ measured: motif.measured.map((one, k) => (k === i ? { ...one, ...fields } : one)) });
  return (
    <Section title={square ? 'Square' : KIND_NAMES[motif.kind]}>
      <div className="flex gap-3">
        <img
          src={motifPicture(motif, rounds, (motif.colourways[0]?.rounds ?? []).map(colourOf))}
          alt={`${motif.name} of ${rounds} rounds`}
          className="size-28 shrink-0 object-contain"
        />
        <p className="text-sm">
          <b>{rounds} rounds</b>
          <br />
          {sideStitches(motif, rounds)} stitches {motif.kind === 'disc' ? 'round' : 'a side'}
          <br />
          {sideLoops(motif, rounds)} loops to join
          <br />
          {!motif.making && (
            <span className="text-soft">
              each round after the first adds {sideStitches(motif, 2) - sideStitches(motif, 1)}
              {round ? '' : ' a side'}
            </span>
          )}
        </p>
      </div>
      <WorkedAs motif={motif} kinds={kinds} rounds={rounds} store={store} document={document} />
      {!motif.making && motif.kind === 'half-disc' && (
        <Row>
          <NumberField
            label="Stitches of the first row"
            name="the first row"
            value={firstRowOf(motif)}
            bounds={boundsOf(motifSchema.shape.first.unwrap())}
            onChange={(first) => set({ first })}
          />
          <NumberField
            label="More in each row"
            name="more in each row"
            value={moreARowOf(motif)}
            bounds={boundsOf(motifSchema.shape.more.unwrap())}
            onChange={(more) => set({ more })}
          />
        </Row>
      )}
      {!motif.making && motif.kind === 'disc' && (
        <NumberField
          label="Stitches a full round adds"
          name="increases"
          value={increasesOf(motif)}
          bounds={boundsOf(motifSchema.shape.increases.unwrap())}
          onChange={(increases) => set({ increases })}
        />
      )}
      {motif.making?.of !== 'rounds' && motif.kind === 'rectangle' && (
        <NumberField
          label="Long sides have more stitches by"
          name="long"
          value={longOf(motif, rounds)}
          bounds={boundsOf(motifSchema.shape.long.unwrap())}
          onChange={(long) => set({ long })}
        />
      )}
      <Row>
        {!round && !motif.making && (
          <Choice
            label="Corner"
            value={String(motif.cornerChains)}
            options={['1', '2', '3'].map((n) => ({ value: n, label: `chain ${n}` }))}
            onChange={(n) => set({ cornerChains: Number(n) })}
          />
        )}
        {!motif.making && motif.kind === 'cluster' && (
          <Choice
            label="Between clusters"
            value={String(motif.gapChains)}
            options={[
              { value: '0', label: 'no chain' },
              { value: '1', label: 'chain 1' },
            ]}
            onChange={(n) => set({ gapChains: Number(n) })}
          />
        )}
      </Row>
      <Choice
        label="At the start of a round"
        value={motif.turning}
        options={TURNINGS.map((turning) => ({ value: turning, label: turningName[turning] }))}
        onChange={(turning) => set({ turning })}
      />
      <Choice
        label="Its ends"
        value={motif.ends ?? 'hidden'}
        options={[
          { value: 'hidden', label: 'cut and hidden at last' },
          { value: 'carried', label: 'a colour is carried to its next round' },
          { value: 'worked-over', label: 'worked over as you go' },
        ]}
        onChange={(ends) => set({ ends: ENDS.find((one) => one === ends) })}
      />
      <label className="flex items-center gap-2 text-sm">
        <input
          type="checkbox"
          checked={motif.oneWay}
          onChange={(event) => tell(set({ oneWay: event.target.checked }))}
          className="size-4 accent-kingfisher"
        />
        Has a top and a bottom
      </label>

      <h4 className="mt-1 text-sm font-semibold">Finished ones under the tape</h4>
      <Suspense fallback={<div className="h-40" />}>
        <SizeChart motif={motif} size={size} rounds={rounds} />
      </Suspense>
      {motif.measured.length === 0 && (
        <p className="text-xs text-soft">
          None measured yet: the size is estimated from the gauge. Measure one, or better three, and watch the
          band shrink.
        </p>
      )}
      {motif.measured.some(({ hook }) => hook !== undefined) && (
        <p className="text-xs text-soft">
          Measured with another hook: the size is a guess until you measure one worked with the new one.
        </p>
      )}
      {motif.measured.map((one, i) => (
        <div key={i} className="grid grid-cols-[1fr_1.2fr_1.2fr_auto] items-start gap-2">
          <NumberField
            label={`Rounds, square ${i + 1}`}
            name="rounds"
            value={one.rounds}
            bounds={boundsOf(measurementSchema.shape.rounds)}
            onChange={(n) => setMeasured(i, { rounds: n })}
          />
          <LengthField
            label={SIZE_NAMES[motif.kind]}
            value={one.size}
            onChange={(length) => setMeasured(i, { size: length, hook: undefined })}
          />
          {one.blocked === undefined ? (
            <Button
              look="bare"
              small
              className="mt-[22px]"
              onClick={() => setMeasured(i, { blocked: one.size })}
            >
              Blocked
            </Button>
          ) : (
            <LengthField
              label="blocked"
              value={one.blocked}
              onChange={(length) => setMeasured(i, { blocked: length })}
              onClear={() => setMeasured(i, { blocked: undefined })}
            />
          )}
          <Button
            look="bare"
            small
            className="mt-[22px]"
            aria-label={`Remove square ${i + 1}`}
            onClick={() => set({ measured: motif.measured.filter((_, k) => k !== i) })}
          >
            <X size={14} />
          </Button>
        </div>
      ))}
      <Button
        small
        className="self-start"
        onClick={() =>
          set({
            measured: [
              ...motif.measured,
              { rounds, size: mm(Math.round(motif.measured.at(-1)?.size ?? size.at(rounds).value)) },
            ],
          })
        }
      >
        <Plus size={13} /> I measured a {square ? 'square' : 'motif'}
      </Button>
      <Colourways motif={motif} document={document} onChange={(colourways) => set({ colourways })} />
      <TextField
        label={`Name of the ${square ? 'square' : 'motif'}`}
        value={motif.name}
        onChange={(name) => set({ name })}
      />
      <LibraryLine plan={plan} store={store} what={{ of: 'motif', id: motif.id }} />
    </Section>
  );
}
