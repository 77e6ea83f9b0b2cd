import {
  type AllottedLot,
  gramsLeft,
  type LengthSystem,
  lengthOfGrams,
  money,
  wholeYarn,
} from '@fennot/core';
import { Link } from 'react-router';
import { Balls, gramsText, leftText } from '../../enough/balls.tsx';
import type { TableColumn } from '../../ui/SortableTable.tsx';

/** A lot in the table. */
export interface LotRow extends AllottedLot {
  readonly id: string;
  /** Bags that something of it is set aside for, by name. */
  readonly bags: ReadonlyArray<{
    readonly id: string;
    readonly name: string;
    readonly asked: number;
    readonly got: number;
  }>;
}

/** The columns of the stash. */
export const lotColumns = (
  system: LengthSystem,
  onEdit: (row: LotRow) => void,
): ReadonlyArray<TableColumn<LotRow>> => [
  {
    id: 'colour',
    head: 'Colour',
    by: ({ kept: { lot } }) => lot.colourName,
    words: ({ kept: { lot } }) => `${lot.colourName} ${lot.note}`,
    cell: (row) => (
      <button
        type="button"
        onClick={() => onEdit(row)}
        className="flex items-center gap-2 font-semibold hover:text-kingfisher"
        aria-label={`Change ${row.kept.lot.colourName}, ${row.kept.lot.yarn}${row.kept.lot.dyeLot ? `, lot ${row.kept.lot.dyeLot}` : ''}`}
      >
        <span className="flex w-20 shrink-0">
          <Balls lot={row.kept.lot} />
        </span>
        {row.kept.lot.colourName}
      </button>
    ),
  },
  {
    id: 'yarn',
    head: 'Yarn',
    by: ({ kept: { lot } }) => lot.yarn,
    words: ({ kept: { lot } }) => `${lot.yarn} ${lot.fibre}`,
    cell: ({ kept: { lot } }) => lot.yarn,
  },
  {
    id: 'dye',
    head: 'Dye lot',
    by: ({ kept: { lot } }) => lot.dyeLot || undefined,
    words: ({ kept: { lot } }) => lot.dyeLot,
    cell: ({ kept: { lot } }) => lot.dyeLot || <span className="text-soft">lost</span>,
  },
  {
    id: 'left',
    head: 'Left',
    right: true,
    by: ({ left }) => left,
    cell: ({ kept: { lot }, left }) => (
      <span title={leftText(lot)}>
        {gramsText(left)}
        <span className="text-soft">
          {lengthOfGrams(lot, left) === undefined
            ? ', ? m'
            : `, ${wholeYarn(lengthOfGrams(lot, left) ?? 0, system, { spare: true })}`}
        </span>
      </span>
    ),
  },
  {
    id: 'free',
    head: 'Free',
    right: true,
    by: ({ free }) => free,
    cell: ({ free, left }) => <span className={free < left ? '' : 'text-soft'}>{gramsText(free)}</span>,
  },
  {
    id: 'for',
    head: 'Set aside for',
    by: ({ bags }) => bags[0]?.name,
    words: ({ bags }) => bags.map(({ name }) => name).join(' '),
    cell: ({ bags, contested }) => (
      <span className="flex gap-x-2">
        {bags.map(({ id, name, asked, got }) => (
          <Link
            key={id}
            to={`/bags/${id}/finish`}
            className="underline decoration-line underline-offset-2 hover:text-kingfisher"
            title={`${gramsText(asked)} wanted, ${gramsText(got)} there`}
          >
            {name}
          </Link>
        ))}
        {contested && (
          <b className="text-loosestrife" title="More is wanted than there is">
            too little
          </b>
        )}
      </span>
    ),
  },
  {
    id: 'price',
    head: 'A ball cost',
    right: true,
    by: ({ kept: { lot } }) => lot.price?.amount,
    cell: ({ kept: { lot } }) => (lot.price ? money(lot.price.amount, lot.price.currency) : ''),
  },
  {
    id: 'place',
    head: 'Where',
    by: ({ kept: { lot } }) => lot.place || undefined,
    words: ({ kept: { lot } }) => lot.place,
    cell: ({ kept: { lot } }) => lot.place,
  },
];

/** Rows of the table out of the stash. */
export const rowsOf = (lots: readonly AllottedLot[], names: Readonly<Record<string, string>>): LotRow[] =>
  lots.map((one) => ({
    ...one,
    id: one.kept.id,
    left: gramsLeft(one.kept.lot),
    bags: one.grants.map(({ allotment, grams }) => ({
      id: allotment.bag,
      name: names[allotment.bag] ?? 'a bag',
      asked: allotment.grams,
      got: grams,
    })),
  }));
