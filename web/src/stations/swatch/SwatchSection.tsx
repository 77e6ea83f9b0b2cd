import {
  type BagDocument,
  boundsOf,
  countSchema,
  formatSmall,
  foundationChain,
  heldYarn,
  hookName,
  mm,
  readFabric,
  repeatOf,
  STITCHES,
  type Swatch,
  stitchName,
  swatchGauge,
  swatchSchema,
  TURNINGS,
  turningName,
  usualRate,
  withHook,
  yarnOf,
} from '@fennot/core';
import { useSettings } from '../../api/queries.ts';
import { swatchTile } from '../../drawing/cloth-tile.ts';
import { Button } from '../../ui/Button.tsx';
import { Choice } from '../../ui/Choice.tsx';
import { LengthField, NumberField, TextField } from '../../ui/fields.tsx';
import { Row, Section } from '../../ui/Section.tsx';
import type { Outcome } from '../../ui/tell.ts';
import type { StationProps } from '../station.ts';
import { FabricField } from './FabricField.tsx';
import { LibraryLine } from './library/LibraryLine.tsx';
import { SwatchDrawing } from './SwatchDrawing.tsx';

/** What a hook makes of a yarn, by the hook that is usual for it. */
function hookHint({ hook, strands }: Swatch, weight: number): string {
  const { hook: usual } = heldYarn(weight, strands);
  const told = `usual for this yarn: ${(Math.round(2 * usual) / 2).toFixed(1)} mm`;
  if (hook < 0.8 * usual) return `${told}; so thin a hook makes a dense, heavy fabric`;
  if (hook > 1.25 * usual) return `${told}; so thick a hook makes a loose, open fabric`;
  return told;
}

type Counted = NonNullable<Swatch['stitches']>;

/** One swatch: its yarn, hook and stitch, and how many stitches and rows over which length. */
export function SwatchSection(props: StationProps & { readonly swatch: Swatch }) {
  const { plan, store, swatch } = props;
  const { terms, system } = useSettings();
  const { document } = plan;
  const yarn = yarnOf(document, swatch.yarn);
  const gauge = swatchGauge(document, swatch);
  const rate = usualRate(document, swatch);
  const reading = readFabric(document, swatch);
  const repeats = reading?.is === 'fabric' ? reading.fabric : undefined;
  const set = (change: Partial<Swatch>) =>
    store.getState().change(
      (doc): BagDocument => ({
        ...doc,
        swatches: doc.swatches.map((one) => (one.id === swatch.id ? { ...one, ...change } : one)),
      }),
    );
  const chain = foundationChain(20, swatch.stitch, swatch.turning);
  const start: Counted = { count: 20, length: mm(20 * gauge.pitch.value) };
  const startRows: Counted = { count: 10, length: mm(10 * gauge.row.value) };
  return (
    <Section title="Swatch">
      <SwatchDrawing tile={swatchTile(document, swatch)} gauge={gauge} system={system} />
      <p className="text-sm" data-testid="gauge">
        <b>{formatSmall(gauge.pitch.value, system)}</b> a stitch,{' '}
        <b>{formatSmall(gauge.row.value, system)}</b> a row <Origin origin={gauge.pitch.origin} />
      </p>
      <Counts
        label="Stitches"
        name="stitches"
        counted={swatch.stitches}
        repeat={repeats?.multiple.multiple}
        start={start}
        onChange={(stitches) => set({ stitches })}
      />
      <Counts
        label="Rows"
        name="rows"
        counted={swatch.rows}
        repeat={repeats && repeatOf(repeats)}
        start={startRows}
        onChange={(rows) => set({ rows })}
      />
      {swatch.blocked ? (
        <>
          <p className="text-xs font-medium text-soft">After blocking (this is what counts)</p>
          <Counts
            label="Stitches, blocked"
            name="stitches"
            counted={swatch.blocked.stitches}
            repeat={repeats?.multiple.multiple}
            start={start}
            onChange={(stitches) =>
              set({ blocked: stitches && swatch.blocked && { ...swatch.blocked, stitches } })
            }
          />
          <Counts
            label="Rows, blocked"
            name="rows"
            counted={swatch.blocked.rows}
            repeat={repeats && repeatOf(repeats)}
            start={startRows}
            onChange={(rows) => set({ blocked: rows && swatch.blocked && { ...swatch.blocked, rows } })}
          />
        </>
      ) : (
        swatch.stitches &&
        swatch.rows && (
          <Button
            small
            className="self-start"
            onClick={() =>
              set({ blocked: { stitches: swatch.stitches ?? start, rows: swatch.rows ?? startRows } })
            }
          >
            I have blocked it
          </Button>
        )
      )}
      {[swatch.stitches, swatch.rows].some((counted) => counted?.hook !== undefined) && (
        <p className="text-xs text-soft" data-testid="other-hook">
          Counted with another hook: for {hookName(swatch.hook)} the size is a guess until you count anew.
        </p>
      )}
      <FabricField {...props} />
      <Row>
        <Choice
          label={repeats ? 'Stitch that heights are told in' : 'Stitch'}
          value={swatch.stitch}
          options={STITCHES.map((stitch) => ({ value: stitch, label: stitchName(stitch, terms) }))}
          onChange={(stitch) => set({ stitch })}
        />
        <NumberField
          label={`Hook: ${hookName(swatch.hook)}`}
          name="the hook"
          value={swatch.hook}
          bounds={boundsOf(swatchSchema.shape.hook)}
          step={0.5}
          suffix="mm"
          onChange={(hook) => store.getState().change((doc) => withHook(doc, swatch.id, hook))}
          hint={hookHint(swatch, yarn.weight)}
        />
      </Row>
      <Row>
        <Choice
          label="Yarn"
          value={swatch.yarn}
          options={document.yarns.map(({ id, name, colourName }) => ({
            value: id,
            label: `${name}, ${colourName}`,
          }))}
          onChange={(id) => set({ yarn: id })}
        />
        <NumberField
          label="Strands held"
          name="strands"
          value={swatch.strands}
          bounds={boundsOf(swatchSchema.shape.strands)}
          onChange={(strands) => set({ strands })}
          hint={
            swatch.strands > 1
              ? `about as thick as ${heldYarn(yarn.weight, swatch.strands).weight.name} yarn`
              : undefined
          }
        />
      </Row>
      <Choice
        label="At the start of a row"
        value={swatch.turning}
        options={TURNINGS.map((turning) => ({ value: turning, label: turningName[turning] }))}
        onChange={(turning) => set({ turning })}
        hint={`For 20 stitches chain ${chain.chains}, first stitch in chain ${chain.firstIn} from the hook.`}
      />
      <NumberField
        label="Insertions a row end takes"
        name="insertions a row end takes"
        value={swatch.rowEnds ?? rate}
        bounds={boundsOf(swatchSchema.shape.rowEnds.unwrap())}
        step={0.5}
        hint={`usual for ${repeats ? 'these rows, one with the other' : 'this stitch'}: ${Math.round(100 * rate) / 100}`}
        onChange={(own) => set({ rowEnds: own === rate ? undefined : own })}
      />
      <TextField label="Name of the swatch" value={swatch.name} onChange={(name) => set({ name })} />
      <LibraryLine plan={plan} store={store} what={{ of: 'swatch', id: swatch.id }} />
    </Section>
  );
}

export const Origin = ({ origin }: { readonly origin: 'measured' | 'estimated' }) => (
  <span
    className={`rounded-sm px-1 text-xs font-medium ${
      origin === 'measured' ? 'bg-reed-pale text-reed' : 'bg-marigold-pale text-marigold-ink'
    }`}
  >
    {origin}
  </span>
);

interface CountsProps {
  readonly label: string;
  readonly name: string;
  readonly counted: Counted | undefined;
  readonly start: Counted;
  /** Stitches, or rows, of the fabric's repeat: a maker may count in whole ones. */
  readonly repeat: number | undefined;
  readonly onChange: (counted: Counted | undefined) => Outcome;
}

/** How many repeats may be counted, so that their stitches or rows may be. */
function repeatBounds(repeat: number) {
  const { min, max } = boundsOf(countSchema.shape.count);
  return { min: min / repeat, max: max / repeat, whole: false };
}

/** So many over so much; or a button to begin counting. */
function Counts({ label, name, counted, start, repeat = 1, onChange }: CountsProps) {
  if (!counted) {
    return (
      <Button small className="self-start" onClick={() => onChange(start)}>
        Enter {name} counted
      </Button>
    );
  }
  return (
    <div className="grid grid-cols-[1fr_1fr] items-start gap-2">
      <NumberField
        label={`${label} counted`}
        name={name}
        value={counted.count}
        bounds={boundsOf(countSchema.shape.count)}
        problem={
          counted.count < 4 ? `So few ${name} say little: the range stays wide. Count 10 or more.` : undefined
        }
        onChange={(count) => onChange({ count, length: counted.length })}
      />
      <LengthField
        label="over"
        value={counted.length}
        onChange={(length) => onChange({ count: counted.count, length })}
      />
      {repeat > 1 && (
        <NumberField
          label={`${label}, in repeats of ${repeat}`}
          name={`repeats of ${repeat} ${name}`}
          value={counted.count / repeat}
          bounds={repeatBounds(repeat)}
          onChange={(repeats) => onChange({ count: repeats * repeat, length: counted.length })}
        />
      )}
    </div>
  );
}
