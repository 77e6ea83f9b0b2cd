import { type BandPlan, formatLength, widerForClasp } from '@fennot/core';
import { useSettings } from '../../api/queries.ts';

/** A band that is sewn into a ring round the drawn-in bag, and whether it carries its clasp. */
export function WaistBand({ own }: { readonly own: BandPlan }) {
  const { system } = useSettings();
  const { band, rows, worked, width } = own;
  const wider = widerForClasp(own);
  const clasp = band.ring?.clasp ?? 0;
  return (
    <p className="text-sm">
      {rows} rows of {band.wide} {band.wide === 1 ? 'stitch' : 'stitches'}, {formatLength(worked, system)}{' '}
      long and {formatLength(width, system)} wide; its ends are sewn together round the drawn-in bag.
      {clasp > 0 && (
        <span className={wider === undefined ? 'text-reed' : 'text-loosestrife'}>
          {' '}
          {wider === undefined
            ? `It carries the clasp of ${formatLength(clasp, system)}.`
            : `The clasp is ${formatLength(clasp, system)} high: ${wider} stitches carry it.`}
        </span>
      )}
    </p>
  );
}
