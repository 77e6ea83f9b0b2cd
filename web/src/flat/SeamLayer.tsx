import { groupBy, inNet, type Plan, type Point, pathOn, pieceIndex } from '@fennot/core';
import { memo, useMemo } from 'react';
import { usePointed } from '../drawing/pointed.ts';
import { type TaggedSide, taggedSides } from '../drawing/tags.ts';

interface SeamLayerProps {
  readonly plan: Plan;
  /** mm of one pixel. */
  readonly px: number;
}

const pathOf = (paths: ReadonlyArray<readonly Point[]>) =>
  paths.map((path) => `M${path.map(({ x, y }) => `${x} ${-y}`).join('L')}`).join('');

/** The lines of every flat line, and the folds, in the net. */
function flatLines({ graph }: Plan) {
  const piece = pieceIndex(graph);
  const flat = graph.seams
    .filter(({ kind }) => kind === 'flat')
    .map(({ line, a }) => {
      const own = piece(a.piece);
      return { line, path: pathOn(own, a).map((p) => inNet(own, p)) };
    });
  const folds = graph.folds.map((fold) => {
    const own = piece(fold.piece);
    return [inNet(own, fold.from), inNet(own, fold.to)];
  });
  const lines = [...groupBy(flat, ({ line }) => line)].map(([line, list]) => ({
    line,
    path: pathOf(list.map(({ path }) => path)),
  }));
  return { lines, folds: pathOf(folds) };
}

/** Flat joins as rows of small stitches, closing edges dashed with their letters, folds dash-dotted. */
export const SeamLayer = memo(function SeamLayer({ plan, px }: SeamLayerProps) {
  const pointed = usePointed();
  const { graph, document } = plan;
  const colour = document.yarns.find(({ id }) => id === document.joins.yarn)?.colour ?? '#444444';
  const { lines, folds } = useMemo(() => flatLines(plan), [plan]);
  const tagged = useMemo(() => taggedSides(graph), [graph]);
  const lit = lines.find(({ line }) => line === pointed.line);
  return (
    <g fill="none">
      <path
        d={lines.map(({ path }) => path).join('')}
        stroke={colour}
        strokeWidth={3 * px}
        strokeDasharray={`${4.5 * px} ${2.4 * px}`}
        strokeLinecap="round"
        pointerEvents="none"
      />
      {lit && <path d={lit.path} stroke="var(--kingfisher)" strokeWidth={5 * px} strokeLinecap="round" />}
      {lines.map(({ line, path }) => (
        <path
          key={line}
          d={path}
          stroke="transparent"
          strokeWidth={12 * px}
          onPointerEnter={() => pointed.point({ line })}
          onPointerLeave={() => pointed.point({})}
        />
      ))}
      <path
        d={folds}
        stroke="var(--card)"
        strokeWidth={2.4 * px}
        strokeDasharray={`${9 * px} ${4 * px} ${2 * px} ${4 * px}`}
        pointerEvents="none"
      />
      {tagged.map((side, i) => (
        <ClosingSide key={i} side={side} px={px} lit={pointed.line === side.line} />
      ))}
    </g>
  );
});

interface ClosingSideProps {
  readonly side: TaggedSide;
  readonly px: number;
  readonly lit: boolean;
}

/** One side of a closing line, with the letter it shares with its partner. */
function ClosingSide({ side: { line, kind, tag, paths, at, inward }, px, lit }: ClosingSideProps) {
  const { point } = usePointed.getState();
  const [x, y] = [at.x + inward.x * 14 * px, -at.y - inward.y * 14 * px];
  const path = pathOf(paths);
  // What is grown is there already: it is not to be closed.
  const colour = kind === 'grown' ? 'var(--reed)' : 'var(--loosestrife)';
  return (
    <g onPointerEnter={() => point({ line })} onPointerLeave={() => point({})}>
      <path
        d={path}
        stroke={colour}
        strokeWidth={(lit ? 6 : 3) * px}
        strokeDasharray={lit ? undefined : kind === 'grown' ? `${2 * px} ${3 * px}` : `${7 * px} ${4 * px}`}
      />
      <path d={path} stroke="transparent" strokeWidth={14 * px} />
      <circle
        cx={x}
        cy={y}
        r={9 * px}
        fill={lit ? colour : 'var(--card)'}
        stroke={colour}
        strokeWidth={1.5 * px}
      />
      <text
        x={x}
        y={y + 4 * px}
        textAnchor="middle"
        fontSize={12 * px}
        fontWeight={700}
        fill={lit ? 'var(--card)' : colour}
      >
        {tag}
      </text>
    </g>
  );
}
