import { type BagDocument, isSquare, type Motif, yarnOf } from '@fennot/core';
import { motifPicture } from '../../drawing/motif-picture.ts';

interface DesignPictureProps {
  readonly document: BagDocument;
  readonly motif: Motif;
  readonly design: string;
  readonly rounds: number;
  readonly className?: string;
}

/** A motif in one of its colourways, small. */
export function DesignPicture({
  document,
  motif,
  design,
  rounds,
  className = 'size-10',
}: DesignPictureProps) {
  const way = motif.colourways.find(({ id }) => id === design);
  const colours = (way?.rounds ?? []).map((yarn) => yarnOf(document, yarn).colour);
  return (
    <img
      src={motifPicture(motif, rounds, colours)}
      alt=""
      draggable={false}
      className={`${className} object-contain ${isSquare(motif.kind) ? 'rounded-[3px]' : ''}`}
    />
  );
}
