import {
  type BagDocument,
  boundsOf,
  carryingText,
  LIMITS,
  meetingText,
  type Stripes,
  stripesSchema,
  stripesText,
  yarnOf,
} from '@fennot/core';
import { Plus, Trash2 } from 'lucide-react';
import { useState } from 'react';
import { Button } from '../../ui/Button.tsx';
import { Choice } from '../../ui/Choice.tsx';
import { NumberField } from '../../ui/fields.tsx';
import { Section } from '../../ui/Section.tsx';
import type { StationProps } from '../station.ts';

const ALL = 'all';

/** The stripes that a choice of panel stands for. */
const stripesAt = ({ stripes }: BagDocument, panel: string): Stripes | 'plain' | undefined =>
  panel === ALL ? stripes?.all : stripes?.own?.[panel];

/** The document with the stripes of all panels, or of one, as they are given; `undefined` takes them away. */
function withStripes(doc: BagDocument, panel: string, next: Stripes | 'plain' | undefined): BagDocument {
  const { all, own = {} } = doc.stripes ?? {};
  if (panel === ALL) return { ...doc, stripes: { all: next === 'plain' ? undefined : next, own } };
  const { [panel]: _, ...rest } = own;
  return { ...doc, stripes: { all, own: next === undefined ? rest : { ...rest, [panel]: next } } };
}

/** Colours by row of the bag's panels: which stripes, how they are carried, and whether they meet at the seams. */
export function StripesSection({ plan, store }: StationProps) {
  const { document } = plan;
  const [chosen, setChosen] = useState(ALL);
  const { panels, meetings } = plan.stripes();
  if (panels.length === 0) return null;
  const panel = panels.some(({ piece }) => piece === chosen) ? chosen : ALL;
  const { change } = store.getState();
  const set = (next: Stripes | 'plain' | undefined) => change((doc) => withStripes(doc, panel, next));
  const at = stripesAt(document, panel);
  const colour = (yarn: string) => yarnOf(document, yarn).colourName;
  const striped = panels.filter(({ runs }) => runs.length > 1);
  const [first, second] = document.yarns;
  const fresh: Stripes = {
    bands: [first, second ?? first].flatMap((yarn) => (yarn ? [{ yarn: yarn.id, rows: 2 }] : [])),
    carried: true,
  };
  return (
    <Section title="Stripes">
      {panels.length > 1 && (
        <Choice
          label="Of"
          value={panel}
          options={[
            { value: ALL, label: 'all panels' },
            ...panels.map(({ piece, name }) => ({ value: piece, label: `${name} alone` })),
          ]}
          onChange={setChosen}
        />
      )}
      {at === undefined || at === 'plain' ? (
        <div className="flex flex-wrap items-center gap-2">
          <Button small className="self-start" onClick={() => set(document.stripes?.all ?? fresh)}>
            <Plus size={13} /> Work it in stripes
          </Button>
          {panel !== ALL && document.stripes?.all && at === undefined && (
            <Button small look="bare" onClick={() => set('plain')}>
              Leave it plain
            </Button>
          )}
          {panel !== ALL && (
            <span className="text-xs text-soft">
              {at === 'plain' ? 'Plain, whatever the others have.' : 'As all panels.'}
            </span>
          )}
        </div>
      ) : (
        <Bands document={document} stripes={at} onChange={set} />
      )}
      {striped.map((one) => (
        <p key={one.piece} className="text-sm" data-testid="stripes">
          <b>{one.name}</b>: {stripesText(one, colour)}{' '}
          <span className="text-soft">{carryingText(one, colour)}</span>
        </p>
      ))}
      {meetings.map((meeting) => (
        <p
          key={`${meeting.line} ${meeting.pieces.join()}`}
          className={`text-sm ${meeting.off === 0 ? 'text-reed' : 'text-loosestrife'}`}
          data-testid="stripes-meet"
        >
          {meetingText(meeting)}
        </p>
      ))}
    </Section>
  );
}

interface BandsProps {
  readonly document: BagDocument;
  readonly stripes: Stripes;
  readonly onChange: (stripes: Stripes | undefined) => string | undefined;
}

/** The bands of stripes, one under another as they are worked. */
function Bands({ document, stripes, onChange }: BandsProps) {
  const { bands, carried } = stripes;
  const setBand = (i: number, fields: Partial<Stripes['bands'][number]>) =>
    onChange({ ...stripes, bands: bands.map((band, k) => (k === i ? { ...band, ...fields } : band)) });
  const bounds = boundsOf(stripesSchema.shape.bands.element.shape.rows);
  return (
    <>
      {bands.map((band, i) => (
        <div key={i} className="grid grid-cols-[5rem_1fr_auto] items-end gap-2">
          <NumberField
            label={i === 0 ? 'Rows' : <span className="sr-only">Rows of stripe {i + 1}</span>}
            name="rows of a stripe"
            value={band.rows}
            bounds={bounds}
            onChange={(rows) => setBand(i, { rows })}
          />
          <Choice
            label={i === 0 ? 'of colour' : <span className="sr-only">Colour of stripe {i + 1}</span>}
            value={band.yarn}
            options={document.yarns.map(({ id, name, colourName }) => ({
              value: id,
              label: `${colourName} (${name})`,
            }))}
            onChange={(yarn) => setBand(i, { yarn })}
          />
          <Button
            small
            look="bare"
            aria-label={`Take stripe ${i + 1} out`}
            onClick={() =>
              onChange(
                bands.length === 1 ? undefined : { ...stripes, bands: bands.filter((_, k) => k !== i) },
              )
            }
          >
            <Trash2 size={13} />
          </Button>
        </div>
      ))}
      <div className="flex flex-wrap gap-2">
        <Button
          small
          disabled={bands.length >= LIMITS.bands}
          onClick={() => {
            const last = bands.at(-1);
            return last ? onChange({ ...stripes, bands: [...bands, last] }) : undefined;
          }}
        >
          <Plus size={13} /> Add a stripe
        </Button>
        <Button small look="bare" onClick={() => onChange(undefined)}>
          No stripes
        </Button>
      </div>
      <Choice
        label="Between its stripes a colour is"
        value={carried ? 'carried' : 'cut'}
        options={[
          { value: 'carried', label: 'carried up the side' },
          { value: 'cut', label: 'cut, and joined on anew' },
        ]}
        onChange={(how) => onChange({ ...stripes, carried: how === 'carried' })}
      />
    </>
  );
}
