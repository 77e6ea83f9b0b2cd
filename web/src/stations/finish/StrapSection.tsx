import {
  type BandPlan,
  boundsOf,
  formatLength,
  mm,
  must,
  panelsIn,
  STRAP_KINDS,
  type StrapKind,
  type StrapPlaces,
  type StrapPlan,
  strapsSchema,
} from '@fennot/core';
import { useSettings } from '../../api/queries.ts';
import type { BagStore } from '../../open-bag/store.ts';
import { OpenRows } from '../../row-bench/OpenRows.tsx';
import { Choice } from '../../ui/Choice.tsx';
import { LengthField, NumberField } from '../../ui/fields.tsx';
import { Row, Section } from '../../ui/Section.tsx';
import { AdjustFields } from './AdjustFields.tsx';
import { BandList } from './BandList.tsx';
import type { FinishProps } from './finish-props.ts';
import { HungStrap } from './HungStrap.tsx';
import { WornFields } from './WornFields.tsx';

const KIND_NAMES: Record<StrapKind, string> = {
  rows: 'Worked in short rows, sewn on',
  along: 'Worked along its length, sewn on',
  tube: 'A tube, worked in a spiral',
  doubled: 'Folded double and stitched',
  chained: 'Chained out of the edge round',
  edge: 'A handle in the edge: chain, skip, carry on',
};

/** Before the id of a panel that is the strap. */
const BY_ROWS = 'rows:';

/** A drop nobody has wished for yet, mm. */
const USUAL_DROP = 260;

interface StrapSectionProps extends FinishProps {
  readonly store: BagStore;
  readonly straps: StrapPlan | undefined;
  /** Those that come with the way of building. */
  readonly bands: readonly BandPlan[];
}

/** Straps: kind, drop, stretch, counts, and where they are fixed. */
export function StrapSection({ plan, store, finish, set, straps: own, bands }: StrapSectionProps) {
  const { system } = useSettings();
  const { straps } = finish;
  const { swatches, brief, panels = [] } = plan.document;
  const choose = (value: string) => {
    if (value === 'none') set({ straps: undefined });
    else
      set({
        straps: {
          kind: 'rows',
          swatch: must(swatches.at(-1), 'swatch').id,
          drop: brief.strapDrop?.value ?? USUAL_DROP,
          wide: 6,
          ...straps,
          many: value === 'two' ? 2 : 1,
        },
      });
  };
  const flapped = plan.graph.facets.some(({ face }) => face === 'flap');
  return (
    <Section title="Straps">
      {bands.length > 0 && <BandList bands={bands} system={system} />}
      <Choice
        label={bands.length > 0 ? 'Other straps' : 'Straps'}
        value={straps === undefined ? 'none' : straps.many === 2 ? 'two' : 'one'}
        options={[
          { value: 'none', label: 'None' },
          { value: 'one', label: 'One, from side to side' },
          { value: 'two', label: 'Two equal ones, one on each face' },
        ]}
        onChange={choose}
      />
      {straps && own && (
        <>
          <p className="text-sm" data-testid="strap-plan">
            Work{' '}
            <b>
              {own.count} {own.counts}
            </b>
            : {formatLength(own.worked, system)} unstretched, which hang {formatLength(own.hanging, system)}{' '}
            long under load ({Math.round(own.stretch)} % stretch, {own.measured ? 'measured' : 'estimated'}).{' '}
            {formatLength(own.width, system)} wide.
            {straps.many === 2 ? ' Work both to the same count.' : ''}
          </p>
          {own.front && <Places title="On the front" places={own.front} />}
          {own.back && (
            <Places title={flapped ? 'On the back, under the flap too' : 'On the back'} places={own.back} />
          )}
          {own.front && own.back && own.front.loops !== own.back.loops && (
            <p className="text-sm text-loosestrife">
              ✗ Front and back differ by {Math.abs(own.front.loops - own.back.loops)} stitches: count from the
              sides, the middle takes the difference.
            </p>
          )}
          {own.hanging < own.apart && (
            <p className="text-sm text-loosestrife">
              It does not reach: its ends are {formatLength(own.apart, system)} apart.
            </p>
          )}
          {own.wanted !== undefined && own.wanted !== own.count && (
            <p className="text-sm text-loosestrife">
              The drop below would take {own.wanted} {own.counts}.
            </p>
          )}
          <Choice
            label="Made as"
            value={straps.panel === undefined ? straps.kind : `${BY_ROWS}${straps.panel}`}
            options={[
              ...STRAP_KINDS.map((kind) => ({ value: kind as string, label: KIND_NAMES[kind] })),
              ...panels.map(({ id, name }) => ({ value: `${BY_ROWS}${id}`, label: `By its rows: ${name}` })),
            ]}
            onChange={(value) => {
              const { panel: _, ...others } = straps;
              const kind = STRAP_KINDS.find((one) => one === value);
              return set({
                straps: kind
                  ? { ...others, kind }
                  : { ...others, kind: 'rows', panel: value.slice(BY_ROWS.length) },
              });
            }}
          />
          <OpenRows document={plan.document} store={store} panels={panelsIn(straps)} />
          <Row>
            <LengthField
              label="Drop"
              value={mm(straps.drop)}
              bounds={boundsOf(strapsSchema.shape.drop)}
              onChange={(drop) => set({ straps: { ...straps, drop } })}
            />
            {straps.panel === undefined && (
              <NumberField
                label="Stitches wide"
                name="wide"
                value={straps.wide}
                bounds={boundsOf(strapsSchema.shape.wide)}
                onChange={(wide) => set({ straps: { ...straps, wide } })}
              />
            )}
          </Row>
          <HungStrap straps={straps} own={own} onChange={(hung) => set({ straps: { ...straps, hung } })} />
          {swatches.length > 1 && straps.panel === undefined && (
            <Choice
              label="Worked in"
              value={straps.swatch}
              options={swatches.map(({ id, name }) => ({ value: id, label: name }))}
              onChange={(swatch) => set({ straps: { ...straps, swatch } })}
            />
          )}
          <AdjustFields
            straps={straps}
            own={own}
            onChange={(adjust) => set({ straps: { ...straps, adjust } })}
          />
          <WornFields
            plan={plan}
            straps={straps}
            onChange={(next) => set({ straps: { ...straps, ...next } })}
          />
        </>
      )}
    </Section>
  );
}

function Places({ title, places }: { readonly title: string; readonly places: StrapPlaces }) {
  const { loops, fromSide, under, between } = places;
  const total = Math.max(1, loops);
  const part = (n: number, colour: string, label: string) => (
    <span
      className="flex items-center justify-center overflow-hidden text-[11px] font-semibold tabular-nums"
      style={{ width: `${(100 * n) / total}%`, background: colour }}
      title={label}
    >
      {n}
    </span>
  );
  return (
    <div className="text-xs">
      <p className="text-soft">
        {title}, {loops} stitches of the edge round: {fromSide} in from either side, {under} under the strap,{' '}
        {between} between.
      </p>
      <div className="mt-0.5 flex h-6 overflow-hidden rounded-sm border border-line" aria-hidden="true">
        {part(fromSide, 'var(--ground)', 'from the side')}
        {part(under, 'var(--marigold)', 'under the strap')}
        {part(between, 'var(--ground)', 'between')}
        {part(under, 'var(--marigold)', 'under the strap')}
        {part(fromSide, 'var(--ground)', 'from the side')}
      </div>
    </div>
  );
}
