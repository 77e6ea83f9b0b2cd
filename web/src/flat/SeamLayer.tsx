import {
  groupBy,
  inNet,
  type Plan,
  type Point,
  pathOn,
  pieceIndex,
  type TaggedSide,
  taggedSides,
  yarnOf,
} from '@fennot/core';
import { memo, useMemo } from 'react';
import { usePointed } from '../drawing/pointed.ts';
import { letterPlaces, type Obstacle } from './letter-place.ts';

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

/** Flat joins as rows of small stitches, closing edges dashed, folds dash-dotted. */
export const SeamLayer = memo(function SeamLayer({ plan, px }: SeamLayerProps) {
  const pointed = usePointed();
  const { graph, document } = plan;
  const colour = yarnOf(document, document.joins.yarn).colour;
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

interface SeamLettersProps extends SeamLayerProps {
  /** What the letters must not lie under. */
  readonly obstacles: readonly Obstacle[];
}

/** The letters that the two sides of a closing line share, clear of names and grips. */
export const SeamLetters = memo(function SeamLetters({ plan, px, obstacles }: SeamLettersProps) {
  const pointed = usePointed();
  const tagged = useMemo(() => taggedSides(plan.graph), [plan.graph]);
  const places = useMemo(
    () => letterPlaces(tagged, obstacles, { radius: 10 * px, far: 14 * px }),
    [tagged, obstacles, px],
  );
  return (
    <g pointerEvents="none">
      {tagged.map((side, i) => {
        const at = places[i] ?? side.at;
        const lit = pointed.line === side.line;
        const colour = colourOf(side);
        return (
          <g key={i} transform={`translate(${at.x} ${-at.y}) scale(${px})`}>
            <circle r={9} fill={lit ? colour : 'var(--card)'} stroke={colour} strokeWidth={1.5} />
            <text
              y={4}
              textAnchor="middle"
              fontSize={side.tag.length > 1 ? 10 : 12}
              fontWeight={700}
              fill={lit ? 'var(--card)' : colour}
            >
              {side.tag}
            </text>
          </g>
        );
      })}
    </g>
  );
});

/** What is grown is there already: it is not to be closed. */
const colourOf = ({ kind }: TaggedSide) => (kind === 'grown' ? 'var(--reed)' : 'var(--loosestrife)');

interface ClosingSideProps {
  readonly side: TaggedSide;
  readonly px: number;
  readonly lit: boolean;
}

/** One side of a closing line, dashed. */
function ClosingSide({ side, px, lit }: ClosingSideProps) {
  const { point } = usePointed.getState();
  const { line, kind, paths } = side;
  const path = pathOf(paths);
  return (
    <g onPointerEnter={() => point({ line })} onPointerLeave={() => point({})}>
      <path
        d={path}
        stroke={colourOf(side)}
        strokeWidth={(lit ? 6 : 3) * px}
        strokeDasharray={lit ? undefined : kind === 'grown' ? `${2 * px} ${3 * px}` : `${7 * px} ${4 * px}`}
      />
      <path d={path} stroke="transparent" strokeWidth={14 * px} />
    </g>
  );
}
