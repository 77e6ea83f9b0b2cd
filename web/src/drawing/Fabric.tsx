import { extent, motifOf, onHeadPieces, type Piece, type Plan, pieceIndex, yarnOf } from '@fennot/core';
import { memo, useId, useMemo } from 'react';
import { panelTile } from './cloth-tile.ts';
import { motifPicture } from './motif-picture.ts';
import { rowsPicture } from './rows-picture.ts';
import { type RowsPlace, rowsPlace } from './rows-place.ts';

/** What a piece looks like: one picture stretched over it, or a tile repeated at its gauge. */
export type Cloth =
  | {
      readonly is: 'picture';
      readonly href: string;
      /** How far it is turned against the clock about its middle, as a share of a whole turn. */
      readonly turn: number;
    }
  | {
      readonly is: 'tile';
      readonly href: string;
      /** Size of the tile along its rows, and across them, mm. */
      readonly width: number;
      readonly height: number;
      /** How the rows lie in the piece's drawing. */
      readonly place: RowsPlace;
    };

/** Finds the cloth of each piece of a plan. */
export function clothOf(plan: Plan): (piece: Piece) => Cloth {
  const { document } = plan;
  const colourOf = (yarn: string) => yarnOf(document, yarn).colour;
  const upsideDown = onHeadPieces(document, plan.graph);
  const laid = new Map(plan.cells.map(({ piece, turn, steps }) => [piece, turn / steps]));
  return (piece) => {
    const { make } = piece;
    if (make.of === 'motif') {
      const motif = motifOf(document, make.motif);
      const way = motif.colourways.find(({ id }) => id === plan.designs.get(piece.id));
      const colours = (way?.rounds ?? []).map(colourOf);
      const turn = ((laid.get(piece.id) ?? 0) + (upsideDown.has(piece.id) ? 0.5 : 0)) % 1;
      return { is: 'picture', href: motifPicture(motif, make.rounds, colours), turn };
    }
    const picture = rowsPicture(document, piece);
    if (picture !== undefined) return { is: 'picture', href: picture, turn: 0 };
    const { width, height } = extent(piece.outline);
    const [stitchWay, rowWay] = make.rowsRun === 'upright' ? [height, width] : [width, height];
    const tile = panelTile(document, piece);
    return {
      is: 'tile',
      href: tile.href,
      width: (tile.columns * stitchWay) / make.stitches,
      height: (tile.rows * rowWay) / make.rows,
      place: rowsPlace(piece),
    };
  };
}

interface FabricProps {
  readonly piece: Piece;
  readonly cloth: Cloth;
}

/** A piece's fabric in its own coordinates (mm, y up). The parent turns y over. */
export const Fabric = memo(function Fabric({ piece, cloth }: FabricProps) {
  const id = useId();
  const { width, height } = extent(piece.outline);
  if (cloth.is === 'picture') {
    return (
      <image
        href={cloth.href}
        width={width}
        height={height}
        preserveAspectRatio="none"
        // Pictures are drawn y down.
        transform={
          cloth.turn === 0
            ? `translate(0 ${height}) scale(1 -1)`
            : `rotate(${cloth.turn * 360} ${width / 2} ${height / 2}) translate(0 ${height}) scale(1 -1)`
        }
      />
    );
  }
  return (
    <>
      <pattern
        id={id}
        width={cloth.width}
        height={cloth.height}
        patternUnits="userSpaceOnUse"
        patternTransform={`matrix(${cloth.place.join(' ')})`}
      >
        <image
          href={cloth.href}
          width={cloth.width}
          height={cloth.height}
          preserveAspectRatio="none"
          transform={`translate(0 ${cloth.height}) scale(1 -1)`}
        />
      </pattern>
      <polygon points={piece.outline.map(({ x, y }) => `${x},${y}`).join(' ')} fill={`url(#${id})`} />
    </>
  );
});

/** The cloth of every piece, worked out once a plan. */
export function useCloths(plan: Plan): (id: string) => { piece: Piece; cloth: Cloth } {
  return useMemo(() => {
    const find = pieceIndex(plan.graph);
    const cloth = clothOf(plan);
    const made = new Map(plan.graph.pieces.map((piece) => [piece.id, { piece, cloth: cloth(piece) }]));
    return (id) => made.get(id) ?? { piece: find(id), cloth: cloth(find(id)) };
  }, [plan]);
}
