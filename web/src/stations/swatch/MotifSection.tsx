import {
  type BagDocument,
  MOTIF_KINDS,
  type Motif,
  mm,
  sideLoops,
  sideStitches,
  sizeTable,
  TURNING_SCHOOLS,
  turningSchoolName,
} from '@fennot/core';
import { Plus, X } from 'lucide-react';
import { lazy, Suspense } from 'react';
import { motifPicture } from '../../drawing/motif-picture.ts';
import { Button } from '../../ui/Button.tsx';
import { Choice } from '../../ui/Choice.tsx';
import { LengthField, NumberField, TextField } from '../../ui/fields.tsx';
import { Row, Section } from '../../ui/Section.tsx';
import type { StationProps } from '../station.ts';

const SizeChart = lazy(() => import('./SizeChart.tsx'));

const KIND_NAMES: Record<Motif['kind'], string> = {
  cluster: 'Cluster square: groups of three',
  solid: 'Solid square: a stitch in every stitch',
};

/** A square motif: how it is worked, how it is coloured, and what finished ones measure. */
export function MotifSection({ plan, store, motif }: StationProps & { readonly motif: Motif | undefined }) {
  const { document } = plan;
  const { change } = store.getState();
  if (!motif) {
    return (
      <Section title="Square">
        <p className="text-sm text-soft">This bag is of worked panels only.</p>
        <Button small className="self-start" onClick={() => change(withFirstMotif)}>
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
  const rounds = inUse ?? 5;
  const { size } = sizeTable(document).motif(motif.id);
  const colourOf = (yarn: string) => document.yarns.find(({ id }) => id === yarn)?.colour ?? '#888888';
  const setMeasured = (i: number, fields: Partial<Motif['measured'][number]>) =>
    set({ measured: motif.measured.map((one, k) => (k === i ? { ...one, ...fields } : one)) });
  return (
    <Section title="Square">
      <div className="flex gap-3">
        <img
          src={motifPicture(motif, rounds, (motif.colourways[0]?.rounds ?? []).map(colourOf))}
          alt={`${motif.name} of ${rounds} rounds`}
          className="size-28 shrink-0"
        />
        <p className="text-sm">
          <b>{rounds} rounds</b>
          <br />
          {sideStitches(motif, rounds)} stitches a side
          <br />
          {sideLoops(motif, rounds)} loops to join
          <br />
          <span className="text-soft">
            each round after the first adds {sideStitches(motif, 2) - sideStitches(motif, 1)} a side
          </span>
        </p>
      </div>
      <Choice
        label="Worked as"
        value={motif.kind}
        options={MOTIF_KINDS.map((kind) => ({ value: kind, label: KIND_NAMES[kind] }))}
        onChange={(kind) => set({ kind, ...(kind === 'solid' ? { gapChains: 0 } : {}) })}
      />
      <Row>
        <Choice
          label="Corner"
          value={String(motif.cornerChains)}
          options={['1', '2', '3'].map((n) => ({ value: n, label: `chain ${n}` }))}
          onChange={(n) => set({ cornerChains: Number(n) })}
        />
        {motif.kind === 'cluster' && (
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
        value={motif.school}
        options={TURNING_SCHOOLS.map((school) => ({ value: school, label: turningSchoolName[school] }))}
        onChange={(school) => set({ school })}
      />
      <label className="flex items-center gap-2 text-sm">
        <input
          type="checkbox"
          checked={motif.oneWay}
          onChange={(event) => set({ oneWay: event.target.checked })}
          className="size-4 accent-kingfisher"
        />
        Has a top and a bottom
      </label>

      <h4 className="mt-1 text-sm font-semibold">Finished squares under the tape</h4>
      <Suspense fallback={<div className="h-40" />}>
        <SizeChart motif={motif} size={size} rounds={rounds} />
      </Suspense>
      {motif.measured.length === 0 && (
        <p className="text-xs text-soft">
          None measured yet: the size is estimated from the gauge. Measure one, or better three, and watch the
          band shrink.
        </p>
      )}
      {motif.measured.map((one, i) => (
        <div key={i} className="grid grid-cols-[1fr_1.2fr_auto] items-start gap-2">
          <NumberField
            label={`Rounds, square ${i + 1}`}
            name="rounds"
            value={one.rounds}
            min={1}
            max={30}
            onChange={(n) => setMeasured(i, { rounds: n })}
          />
          <LengthField
            label="side"
            value={one.size}
            onChange={(length) => setMeasured(i, { size: length })}
          />
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
        <Plus size={13} /> I measured a square
      </Button>
      <Colourways motif={motif} document={document} onChange={(colourways) => set({ colourways })} />
      <TextField label="Name of the square" value={motif.name} onChange={(name) => set({ name })} />
    </Section>
  );
}

interface ColourwaysProps {
  readonly motif: Motif;
  readonly document: BagDocument;
  readonly onChange: (colourways: Motif['colourways']) => void;
}

/** Colours of the rounds, a row a colourway. Pressing a round takes the next yarn. */
function Colourways({ motif, document, onChange }: ColourwaysProps) {
  const { yarns } = document;
  const nextYarn = (id: string) => yarns[(yarns.findIndex((y) => y.id === id) + 1) % yarns.length]?.id ?? id;
  const setRound = (w: number, r: number) =>
    onChange(
      motif.colourways.map((way, i) =>
        i === w ? { ...way, rounds: way.rounds.map((yarn, k) => (k === r ? nextYarn(yarn) : yarn)) } : way,
      ),
    );
  const setRounds = (w: number, rounds: string[]) =>
    onChange(motif.colourways.map((way, i) => (i === w ? { ...way, rounds } : way)));
  return (
    <div>
      <h4 className="text-sm font-semibold">Colourways</h4>
      <p className="text-xs text-soft">
        From the centre out; the last colour goes on. Press one to change it.
      </p>
      {motif.colourways.map((way, w) => (
        <div key={way.id} className="mt-1.5 flex items-center gap-1">
          {way.rounds.map((yarn, r) => {
            const own = yarns.find(({ id }) => id === yarn);
            return (
              <button
                key={r}
                type="button"
                aria-label={`Colourway ${w + 1}, round ${r + 1}: ${own?.colourName ?? yarn}. Press for the next yarn.`}
                title={own?.colourName}
                onClick={() => setRound(w, r)}
                style={{ background: own?.colour }}
                className="size-7 rounded-full border border-ink/30"
              />
            );
          })}
          <Button
            look="bare"
            small
            aria-label={`Colourway ${w + 1}: one more round colour`}
            onClick={() => setRounds(w, [...way.rounds, nextYarn(way.rounds.at(-1) ?? '')])}
          >
            <Plus size={13} />
          </Button>
          {(way.rounds.length > 1 || motif.colourways.length > 1) && (
            <Button
              look="bare"
              small
              aria-label={
                way.rounds.length > 1
                  ? `Colourway ${w + 1}: one round colour fewer`
                  : `Remove colourway ${w + 1}`
              }
              onClick={() =>
                way.rounds.length > 1
                  ? setRounds(w, way.rounds.slice(0, -1))
                  : onChange(motif.colourways.filter((_, i) => i !== w))
              }
            >
              <X size={13} />
            </Button>
          )}
        </div>
      ))}
      <Button
        small
        className="mt-2"
        disabled={motif.colourways.length >= 24}
        onClick={() => {
          const last = motif.colourways.at(-1);
          const used = new Set(motif.colourways.map(({ id }) => id));
          const id = Array.from({ length: 99 }, (_, i) => `c${i + 1}`).find((one) => !used.has(one)) ?? 'c99';
          onChange([
            ...motif.colourways,
            {
              id,
              name: `Colourway ${motif.colourways.length + 1}`,
              rounds: (last?.rounds ?? []).map(nextYarn),
            },
          ]);
        }}
      >
        <Plus size={13} /> Another colourway
      </Button>
    </div>
  );
}

function withFirstMotif(doc: BagDocument): BagDocument {
  const [swatch] = doc.swatches;
  const [yarn] = doc.yarns;
  if (!swatch || !yarn) return doc;
  const motif: Motif = {
    id: 'm1',
    name: 'Cluster square',
    kind: 'cluster',
    cornerChains: 2,
    gapChains: 0,
    school: 'counts',
    swatch: swatch.id,
    oneWay: false,
    colourways: [{ id: 'c1', name: 'First colourway', rounds: doc.yarns.slice(0, 3).map(({ id }) => id) }],
    measured: [],
  };
  return { ...doc, motifs: [motif] };
}
