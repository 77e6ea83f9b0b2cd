import {
  type Block,
  type CountedProgram,
  goesOnIn,
  grant,
  STITCHES,
  type Stitch,
  stitchName,
  type Wish,
} from '@fennot/core';
import { useState } from 'react';
import { Button } from '../ui/Button.tsx';
import { Choice } from '../ui/Choice.tsx';
import { NumberField } from '../ui/fields.tsx';

interface RowsWriterProps {
  readonly counted: CountedProgram;
  /** What is worked where no row says otherwise. */
  readonly usual: Stitch;
  /** Insertions a row end usually takes. */
  readonly rowEnd: number;
  /** The panel's sections side by side, where it has any. */
  readonly blocks: readonly Block[];
  readonly onAdd: (text: string) => void;
}

const WISHES: ReadonlyArray<{ readonly value: Wish['of']; readonly label: string }> = [
  { value: 'straight', label: 'Rows as they are' },
  { value: 'to', label: 'Widen or narrow to a count' },
  { value: 'shells', label: 'A row of shells' },
  { value: 'disc', label: 'A disc, from a ring' },
  { value: 'half-disc', label: 'A half disc, from a ring' },
  { value: 'handle', label: 'A handle carried through' },
  { value: 'eyelets', label: 'A row of eyelets' },
  { value: 'edge', label: 'A first round on the edge' },
  { value: 'sections', label: 'Sections in their fabrics' },
];

/** An insertion rate as stitches beside so many rows: 1.5 is 3 beside each 2. */
function asRatio(rate: number): { beside: number; perRows: number } {
  const perRows = [1, 2, 3, 4].find((rows) => Math.abs(rate * rows - Math.round(rate * rows)) < 0.05) ?? 4;
  return { beside: Math.max(1, Math.round(rate * perRows)), perRows };
}

/** Numbers of each wish, with what they begin as. */
const FIRST: { readonly [K in Wish['of']]: Extract<Wish, { of: K }> } = {
  straight: { of: 'straight', rows: 4 },
  to: { of: 'to', stitches: 40, rows: 6, where: 'edges' },
  shells: { of: 'shells', each: 5, gap: 2 },
  disc: { of: 'disc', more: 6, rounds: 8 },
  'half-disc': { of: 'half-disc', first: 7, more: 6, rows: 8 },
  handle: { of: 'handle', chains: 14 },
  eyelets: { of: 'eyelets', holes: 8 },
  edge: { of: 'edge', along: 'round', beside: 1, perRows: 1, corner: 3 },
  sections: { of: 'sections', rows: 12 },
};

/** Rows that Fennot writes, by what they are to come to. */
export function RowsWriter({ counted, usual, rowEnd, blocks, onAdd }: RowsWriterProps) {
  const [open, setOpen] = useState(false);
  const [wish, setWish] = useState<Wish>(FIRST.straight);
  const [own, setStitch] = useState<Stitch | undefined>(undefined);
  const stitch = own ?? goesOnIn(counted, usual);
  const granted = grant(wish, counted, stitch, blocks);
  if (!open)
    return (
      <Button small className="self-start" onClick={() => setOpen(true)}>
        Let Fennot write rows ...
      </Button>
    );
  const number = (
    name: string,
    label: string,
    value: number,
    min: number,
    max: number,
    set: (n: number) => Wish,
  ) => (
    <NumberField
      key={name}
      name={name}
      label={label}
      value={value}
      bounds={{ min, max, whole: true }}
      onChange={(n) => {
        setWish(set(n));
        return undefined;
      }}
    />
  );
  const { terms } = counted.rules;
  return (
    <section
      aria-label="Rows that Fennot writes"
      className="w-full shrink-0 rounded-sm border border-line bg-card p-2"
    >
      <div className="grid grid-cols-2 gap-2 lg:grid-cols-4">
        <Choice
          label="Write"
          value={wish.of}
          options={WISHES.filter(({ value }) => value !== 'sections' || blocks.length > 0)}
          onChange={(of) => setWish(of === 'edge' ? { ...FIRST.edge, ...asRatio(rowEnd) } : FIRST[of])}
        />
        {fieldsOf(wish, number, setWish)}
        {wish.of !== 'shells' && wish.of !== 'sections' && (
          <Choice
            label="in"
            value={stitch}
            options={STITCHES.map((one) => ({ value: one, label: stitchName(one, terms) }))}
            onChange={setStitch}
          />
        )}
      </div>
      <p role="status" className={`pt-1 text-xs ${granted.ok ? 'text-soft' : 'text-loosestrife'}`}>
        {granted.ok ? granted.note : granted.problem}
      </p>
      <div className="flex gap-2 pt-1">
        <Button
          small
          look="main"
          disabled={!granted.ok}
          onClick={() => {
            if (granted.ok) onAdd(granted.text);
          }}
        >
          Write them below
        </Button>
        <Button small look="bare" onClick={() => setOpen(false)}>
          Close
        </Button>
      </div>
    </section>
  );
}

type NumberOf = (
  name: string,
  label: string,
  value: number,
  min: number,
  max: number,
  set: (n: number) => Wish,
) => React.ReactNode;

function fieldsOf(wish: Wish, number: NumberOf, setWish: (wish: Wish) => void): React.ReactNode {
  switch (wish.of) {
    case 'straight':
      return number('rows', 'rows', wish.rows, 1, 400, (rows) => ({ ...wish, rows }));
    case 'to':
      return (
        <>
          {number('stitches', 'stitches', wish.stitches, 1, 2000, (stitches) => ({ ...wish, stitches }))}
          {number('rows', 'over rows', wish.rows, 1, 400, (rows) => ({ ...wish, rows }))}
          <Choice
            label="where"
            value={wish.where}
            options={[
              { value: 'edges', label: 'at both edges' },
              { value: 'spread', label: 'spread along the row' },
            ]}
            onChange={(where) => setWish({ ...wish, where })}
          />
        </>
      );
    case 'shells':
      return (
        <>
          {number('stitches of a shell', 'stitches each', wish.each, 2, 20, (each) => ({ ...wish, each }))}
          {number('stitches passed over', 'passed over beside', wish.gap, 0, 20, (gap) => ({ ...wish, gap }))}
        </>
      );
    case 'handle':
      return number('chains of the handle', 'chains', wish.chains, 1, 200, (chains) => ({ ...wish, chains }));
    case 'eyelets':
      return number('eyelets', 'eyelets', wish.holes, 1, 200, (holes) => ({ ...wish, holes }));
    case 'edge':
      return (
        <>
          <Choice
            label="along"
            value={wish.along}
            options={[
              { value: 'round', label: 'all of it, round' },
              { value: 'both', label: 'both sides and the last row' },
              { value: 'left', label: 'its left side' },
              { value: 'right', label: 'its right side' },
            ]}
            onChange={(along) => setWish({ ...wish, along })}
          />
          {number('stitches beside rows', 'stitches beside', wish.beside, 1, 12, (beside) => ({
            ...wish,
            beside,
          }))}
          {number('rows they stand beside', 'every so many rows', wish.perRows, 1, 12, (perRows) => ({
            ...wish,
            perRows,
          }))}
          {wish.along === 'round' &&
            number('stitches in a corner', 'in a corner', wish.corner, 1, 9, (corner) => ({
              ...wish,
              corner,
            }))}
        </>
      );
    case 'sections':
      return number('rows', 'rows', wish.rows, 1, 400, (rows) => ({ ...wish, rows }));
    case 'disc':
      return (
        <>
          {number('more in each round', 'more in each round', wish.more, 3, 40, (more) => ({
            ...wish,
            more,
          }))}
          {number('rounds', 'rounds', wish.rounds, 1, 60, (rounds) => ({ ...wish, rounds }))}
        </>
      );
    case 'half-disc':
      return (
        <>
          {number('stitches of the first row', 'first row', wish.first, 2, 60, (first) => ({
            ...wish,
            first,
          }))}
          {number('more in each row', 'more in each', wish.more, 0, 40, (more) => ({ ...wish, more }))}
          {number('rows', 'rows', wish.rows, 1, 60, (rows) => ({ ...wish, rows }))}
        </>
      );
  }
}
