import type { Terms } from '../../stitches/index.ts';
import type { WrittenRows } from '../panel.ts';
import { inTerms } from '../shorthand/in-terms.ts';

/** A fabric to begin with. */
export interface ReadyFabric {
  readonly id: string;
  readonly name: string;
  /** In US terms. */
  readonly rows: string;
}

/** Fabrics that need not be written: each is only its rows, and can be changed like any other. */
export const READY_FABRICS: readonly ReadyFabric[] = [
  {
    id: 'ribs',
    name: 'Back-loop ribs',
    rows: 'Row 1: sc across\nRow 2: blo sc across\nRepeat row 2',
  },
  {
    id: 'blocks',
    name: 'Woven blocks of three',
    rows: [
      'Row 1: dc across',
      'Row 2: (3 fpdc, 3 bpdc) to end',
      'Row 3: (3 fpdc, 3 bpdc) to end',
      'Row 4: (3 bpdc, 3 fpdc) to end',
      'Row 5: (3 bpdc, 3 fpdc) to end',
      'Repeat rows 2-5',
    ].join('\n'),
  },
  {
    id: 'bobbles',
    name: 'Bobble rows',
    rows: [
      'Row 1: sc across',
      'Row 2: 2 sc, (bobble, 3 sc) to last 3 sts, bobble, 2 sc',
      'Row 3: sc across',
      'Row 4: 4 sc, (bobble, 3 sc) to last st, sc',
    ].join('\n'),
  },
  {
    id: 'lattice',
    name: 'Puff lattice',
    rows: [
      'Row 1: hdc, (ch 1, skip 1, hdc) to end',
      'Row 2: hdc, (puff in next sp, ch 1, skip 1) to last 2 sts, puff in next sp, hdc',
      'Row 3: hdc, ch 1, skip 1, (puff in next sp, ch 1, skip 1) to last st, hdc',
      'Repeat rows 2-3',
    ].join('\n'),
  },
  {
    id: 'linen',
    name: 'Stitch and chain, like linen',
    rows: [
      'Row 1: sc, (ch 1, skip 1, sc) to end',
      'Row 2: sc, (sc in next sp, ch 1, skip 1) to last 2 sts, sc in next sp, sc',
      'Row 3: sc, ch 1, skip 1, (sc in next sp, ch 1, skip 1) to last st, sc',
      'Repeat rows 2-3',
    ].join('\n'),
  },
  { id: 'braid', name: 'Laid braid', rows: 'Row 1: yo sl st across' },
];

/** The rows of a ready fabric in a maker's terms. */
export const readyRows = ({ rows }: ReadyFabric, terms: Terms): string =>
  inTerms({ rows, terms: 'us' }, terms).rows;

/** A fabric to write over: what is written here comes out, and shows how. */
export const firstFabric = (terms: Terms): WrittenRows =>
  inTerms({ rows: 'Row 1: sc across\nRow 2: (dc, sc) to end', terms: 'us' }, terms);
