import { type BandPlan, formatLength, type LengthSystem } from '@fennot/core';

/** Straps that come with the way of building: their counts, marks and places. */
export function BandList({
  bands,
  system,
}: {
  readonly bands: readonly BandPlan[];
  readonly system: LengthSystem;
}) {
  return (
    <ul className="flex flex-col gap-2" aria-label="Straps that come with this bag">
      {bands.map((own) => (
        <li key={own.band.name} className="text-sm">
          {bandText(own, (length) => formatLength(length, system))}
        </li>
      ))}
    </ul>
  );
}

/** A band in sentences: how it is worked, where its marks go, how it is fixed. */
function bandText(
  { band, rows, worked, hanging, width, stretch, marks, seat, shorter }: BandPlan,
  length: (mm: number) => string,
) {
  const rowsOf = (...kinds: string[]) => marks.filter(({ is }) => kinds.includes(is)).map(({ row }) => row);
  const holes = rowsOf('hole');
  const [begins, ends] = [rowsOf('middle begins')[0], rowsOf('middle ends')[0]];
  return (
    <>
      <b>{band.name}</b>
      {band.many > 1 ? `, ${band.many} alike` : ''}: {rows} rows of {band.wide}{' '}
      {band.wide === 1 ? 'stitch' : 'stitches'}, {length(worked)} unstretched and {length(width)} wide; it
      hangs {length(hanging)} long ({Math.round(stretch)} % stretch, estimated).
      {begins !== undefined && ends !== undefined && (
        <>
          {' '}
          Mark rows {begins} and {ends}: the {ends - begins} rows between are its middle, {begins} hang on
          either side.
        </>
      )}
      {seat && (
        <>
          {' '}
          Of {seat.loops} loops of the back’s upper edge leave {seat.fromSide} free on either side, and sew
          the middle over the {seat.under} between; its ends go to the lower corners.
        </>
      )}
      {holes.length > 0 && (
        <>
          {' '}
          Button holes after rows {holes.join(', ')} from its end: the belt comes out{' '}
          {shorter.map((by, i) => (i === 0 ? 'as long as planned' : `${length(by)} shorter`)).join(', ')}.
        </>
      )}
    </>
  );
}
