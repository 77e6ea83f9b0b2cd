import { extent, type Plan, type SeenFacet } from '@fennot/core';
import { Fabric, useCloths } from '../drawing/Fabric.tsx';
import { usePointed } from '../drawing/pointed.ts';
import { useCellDrag } from '../flat/use-cell-drag.ts';
import type { BagStore } from '../open-bag/store.ts';
import { useArranging } from '../stations/arrange/arranging.ts';
import { points } from './Facets.tsx';

interface MadeUpCellsProps {
  readonly plan: Plan;
  readonly store: BagStore;
  readonly seen: readonly SeenFacet[];
}

/** The motifs of the made-up bag under the hand, as those of the net: dragged onto one another, painted. */
export function MadeUpCells({ plan, store, seen }: MadeUpCellsProps) {
  const drag = useCellDrag(plan, store);
  const held = useArranging((state) => state.held);
  const own = new Set(plan.cells.map(({ piece }) => piece));
  const outside = seen.filter(({ facet, inside }) => !inside && own.has(facet.piece));
  const over = drag.from && drag.over !== drag.from ? drag.over : undefined;
  const lifted = outside.find(({ facet }) => facet.piece === drag.from);
  return (
    <g>
      {outside.map(({ facet, matrix }, i) => (
        <polygon
          key={`${facet.piece}/${i}`}
          {...drag.bind(facet.piece)}
          transform={`scale(1 -1) matrix(${matrix.join(' ')})`}
          points={points(facet.outline)}
          data-cell-id={facet.piece}
          fill="transparent"
          stroke={facet.piece === over || facet.piece === held ? 'var(--kingfisher)' : 'none'}
          strokeWidth={5}
          vectorEffect="non-scaling-stroke"
          className="cursor-grab touch-none active:cursor-grabbing"
          onPointerEnter={() => usePointed.getState().point({ piece: facet.piece })}
        />
      ))}
      {lifted && drag.at && <Lifted plan={plan} seen={lifted} at={drag.at} />}
    </g>
  );
}

interface LiftedProps {
  readonly plan: Plan;
  readonly seen: SeenFacet;
  readonly at: { readonly x: number; readonly y: number };
}

/** A motif in the hand, as it lay on the bag. */
function Lifted({ plan, seen: { facet, matrix }, at }: LiftedProps) {
  const { piece, cloth } = useCloths(plan)(facet.piece);
  const { width, height } = extent(piece.outline);
  const [a, b, c, d] = matrix;
  return (
    <g transform={`translate(${at.x} ${at.y}) scale(1 -1)`} pointerEvents="none" opacity={0.92}>
      <g transform={`matrix(${a} ${b} ${c} ${d} 0 0) translate(${-width / 2} ${-height / 2})`}>
        <Fabric piece={piece} cloth={cloth} />
      </g>
    </g>
  );
}
