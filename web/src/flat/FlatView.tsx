import {
  type BagGraph,
  edgeMeetings,
  edgeOf,
  extent,
  formatLength,
  inNet,
  motifOf,
  netBounds,
  type Piece,
  type Plan,
  type Point,
  pathOn,
  pieceIndex,
  sayEdge,
  turnedPieces,
} from '@fennot/core';
import { type KeyboardEvent, memo, type ReactNode, useMemo } from 'react';
import { useSettings } from '../api/queries.ts';
import { Fabric, useCloths } from '../drawing/Fabric.tsx';
import { usePointed } from '../drawing/pointed.ts';
import { useSize } from '../drawing/use-size.ts';
import { frameOf } from './frame.ts';
import type { Obstacle } from './letter-place.ts';
import { Rulers } from './Rulers.tsx';
import { SeamLayer, SeamLetters } from './SeamLayer.tsx';
import { centreOf, walked } from './walk.ts';

interface FlatViewProps {
  readonly plan: Plan;
  /** What the station draws over the net. */
  readonly overlay?: (px: number) => ReactNode;
  /** Whether every piece carries its name. */
  readonly named?: boolean;
  /** Room for so many more pieces on every side. */
  readonly beside?: number;
  /** Seams as stitches and dashes; the joins' threads take their place. */
  readonly seams?: boolean;
  /** Places of the grips that lie on the net, mm, y up. */
  readonly grips?: readonly Point[];
  /** Only the motifs must be seen, as large as they can be. */
  readonly motifs?: boolean;
  /** What else a key does on the net; says whether it was one of its own. */
  readonly onKey?: ((key: string) => boolean) | undefined;
}

const NO_GRIPS: readonly Point[] = [];

/** The net to scale, with every piece as it looks. */
export function FlatView(props: FlatViewProps) {
  const { plan, overlay, named, beside = 0, seams = true, grips = NO_GRIPS, motifs = false, onKey } = props;
  const { system } = useSettings();
  const [ref, size] = useSize<HTMLDivElement>();
  const pointed = usePointed();
  const frame = useMemo(() => frameOf(plan, size, { beside, motifs }), [plan, size, beside, motifs]);
  const { px } = frame;
  const bounds = useMemo(() => netBounds(plan.graph), [plan]);
  const upsideDown = useMemo(() => turnedPieces(plan), [plan]);
  const labels = useMemo(
    // Where motifs are laid, each carries its own name.
    () => (motifs ? [] : labelsOf({ plan, px, named: named === true, turned: upsideDown, lettered: seams })),
    [plan, px, named, upsideDown, seams, motifs],
  );
  const obstacles = useMemo(
    (): Obstacle[] => [
      ...labels.map((label) => ({
        at: label.at,
        width: (label.width / 2) * px,
        height: (LABEL_HEIGHT / 2) * px,
      })),
      ...grips.map((grip) => ({ at: grip, width: GRIP * px, height: GRIP * px })),
    ],
    [labels, grips, px],
  );
  const at = plan.graph.pieces.find(({ id }) => id === pointed.piece);
  const line = plan.lines.find((one) => one.line === pointed.line);
  const edge = pointed.edge;
  const said =
    at && edge !== undefined
      ? `${sayEdge(plan.graph, at.id, edge)}${edgeMeetings(plan.graph, at.id, edge).length > 0 ? ' m goes there.' : ''}`
      : at
        ? sayPiece(plan, at, upsideDown.has(at.id))
        : line
          ? `${line.name}: ${line.a.loops} loops of ${line.a.pieces.join(', ')} with ${line.b.loops} of ${line.b.pieces.join(', ')}.`
          : `${formatLength(bounds.width, system)} by ${formatLength(bounds.height, system)} laid out. Point at a piece or an edge.${upsideDown.size > 0 ? ' ↓ is laid upside down.' : ''}`;

  const onKeyDown = (event: KeyboardEvent) => {
    if (!event.ctrlKey && !event.metaKey && !event.altKey && onKey?.(event.key)) {
      event.preventDefault();
      return;
    }
    const next = walked(plan.graph, pointed, event);
    if (!next) return;
    event.preventDefault();
    pointed.point(next);
  };
  return (
    <section aria-label="Laid flat" className="flex min-h-0 min-w-0 flex-col">
      <header className="flex items-baseline justify-between gap-2 px-3 pt-2 max-sm:invisible max-sm:pb-4">
        <h2 className="text-base">Laid flat</h2>
      </header>
      <div ref={ref} className="relative min-h-0 grow">
        <svg
          // Where motifs are pulled about, a finger on the net pulls them, and not the page.
          className={`absolute inset-0 size-full ${motifs ? 'touch-none' : ''}`}
          viewBox={`${frame.left} ${frame.top} ${frame.width} ${frame.height}`}
          role="application"
          aria-label={`Net of ${plan.graph.pieces.length} pieces. Arrow keys walk from piece to piece, with Shift along the edges of a piece; m goes to the edge that meets it.`}
          // biome-ignore lint/a11y/noNoninteractiveTabindex: the net is one stop of the tab order
          tabIndex={0}
          onKeyDown={onKeyDown}
        >
          {beside === 0 && !motifs && (
            <Rulers
              frame={frame}
              system={system}
              origin={bounds}
              width={bounds.width}
              height={bounds.height}
            />
          )}
          <Pieces plan={plan} px={px} />
          {seams && <SeamLayer plan={plan} px={px} />}
          {at && edge === undefined && <Lit piece={at} px={px} />}
          {at && edge !== undefined && <LitEdge graph={plan.graph} piece={at} edge={edge} px={px} />}
          <Labels labels={labels} px={px} />
          {overlay?.(px)}
          {seams && <SeamLetters plan={plan} px={px} obstacles={obstacles} />}
        </svg>
      </div>
      <p className="truncate px-3 pb-2 text-xs text-soft" aria-live="polite">
        {said}
      </p>
    </section>
  );
}

/** The fabric of every piece; drawn anew only when the plan changes. */
const Pieces = memo(function Pieces({ plan, px }: { readonly plan: Plan; readonly px: number }) {
  const cloths = useCloths(plan);
  const { point } = usePointed.getState();
  return (
    <g transform="scale(1 -1)">
      {plan.graph.pieces.map((piece) => {
        return (
          <g
            key={piece.id}
            transform={`translate(${piece.at.x} ${piece.at.y}) rotate(${(piece.turn * 180) / Math.PI})`}
            onPointerEnter={() => point({ piece: piece.id })}
            onPointerLeave={() => point({})}
            data-piece={piece.name}
          >
            <Fabric piece={piece} cloth={cloths(piece.id).cloth} />
            <polygon
              points={piece.outline.map(({ x, y }) => `${x},${y}`).join(' ')}
              fill="transparent"
              stroke="#1e2b28"
              strokeOpacity={0.25}
              strokeWidth={px}
            />
          </g>
        );
      })}
    </g>
  );
});

/** The outline of the piece that is pointed at. */
function Lit({ piece, px }: { readonly piece: Piece; readonly px: number }) {
  const outline = piece.outline.map((p) => inNet(piece, p));
  return (
    <polygon
      points={outline.map(({ x, y }) => `${x},${-y}`).join(' ')}
      fill="none"
      stroke="var(--kingfisher)"
      strokeWidth={4 * px}
      pointerEvents="none"
    />
  );
}

interface LitEdgeProps {
  readonly graph: BagGraph;
  readonly piece: Piece;
  readonly edge: number;
  readonly px: number;
}

/** The edge that is pointed at, and what it meets. */
function LitEdge({ graph, piece, edge, px }: LitEdgeProps) {
  const find = pieceIndex(graph);
  const along = (own: Piece, part: { edge: number; from: number; to: number }) =>
    `M${pathOn(own, part)
      .map((p) => inNet(own, p))
      .map(({ x, y }) => `${x} ${-y}`)
      .join('L')}`;
  const whole = along(piece, { edge, from: 0, to: edgeOf(piece, edge).length });
  const partners = edgeMeetings(graph, piece.id, edge)
    .map(({ other }) => along(find(other.piece), other))
    .join('');
  return (
    <g fill="none" strokeLinecap="round" pointerEvents="none">
      <path d={whole + partners} stroke="var(--card)" strokeWidth={9 * px} />
      <path d={whole} stroke="var(--kingfisher)" strokeWidth={6 * px} />
      <path
        d={partners}
        stroke="var(--loosestrife)"
        strokeWidth={6 * px}
        strokeDasharray={`${10 * px} ${8 * px}`}
      />
    </g>
  );
}

interface LabelsProps {
  readonly plan: Plan;
  readonly px: number;
  readonly named: boolean;
  /** Pieces that must be laid upside down, to hang upright on the far face. */
  readonly turned: ReadonlySet<string>;
  /** Whether letters of seams stand on the pieces as well. */
  readonly lettered: boolean;
}

/** Least width and height of a piece that carries its name, and of one that carries letters round it, px. */
const NAME_ROOM = 30;
const NAME_AND_LETTERS_ROOM = 44;

/** What a piece carries on the drawing, and where: text, the middle of it, and its width in pixels. */
function labelOf(piece: Piece, { px, named, turned, lettered }: Omit<LabelsProps, 'plan'>) {
  const box = extent(piece.outline);
  const down = turned.has(piece.id);
  const roomy = Math.min(box.width, box.height) / px > (lettered ? NAME_AND_LETTERS_ROOM : NAME_ROOM);
  if ((!named && !down) || !roomy) return undefined;
  const room = box.width / px - 6;
  // `Front A1` becomes `A1` where it would not fit.
  const name =
    piece.name.length * 6.6 + 24 > room ? piece.name.slice(piece.name.indexOf(' ') + 1) : piece.name;
  const text = [named ? name : '', down ? '↓' : ''].filter(Boolean).join(' ');
  const centre = centreOf(piece);
  // A long strip has marks and letters at its middle.
  const at = box.width > 4 * box.height ? { ...centre, x: centre.x - box.width / 6 } : centre;
  return { id: piece.id, text, at, width: text.length * 6.6 + 10 };
}

const labelsOf = ({ plan, ...options }: LabelsProps) =>
  plan.graph.pieces.flatMap((piece) => labelOf(piece, options) ?? []);

type Label = ReturnType<typeof labelsOf>[number];

/** The names of the pieces. */
function Labels({ labels, px }: { readonly labels: readonly Label[]; readonly px: number }) {
  return labels.map(({ id, text, at, width }) => (
    <g key={id} transform={`translate(${at.x} ${-at.y}) scale(${px})`} pointerEvents="none">
      <rect
        x={-width / 2}
        y={-10}
        width={width}
        height={LABEL_HEIGHT}
        rx={4}
        fill="var(--card)"
        fillOpacity={0.9}
      />
      <text textAnchor="middle" y={4} fontSize={12} fontWeight={600} fill="var(--ink)">
        {text}
      </text>
    </g>
  ));
}

const LABEL_HEIGHT = 19;
/** A grip's radius, px. */
const GRIP = 12;

function sayPiece(plan: Plan, piece: Piece, turned: boolean): string {
  const { make } = piece;
  const meets = plan.graph.seams.filter(({ a, b }) => a.piece === piece.id || b.piece === piece.id);
  const find = pieceIndex(plan.graph);
  const partners = [...new Set(meets.map(({ a, b }) => find(a.piece === piece.id ? b.piece : a.piece).name))];
  const what =
    make.of === 'motif'
      ? `${motifOf(plan.document, make.motif).name}, ${make.rounds} rounds, ${piece.edges[0]?.loops} loops a side`
      : `${make.stitches} stitches by ${make.rows} rows`;
  const head = turned ? ' Lay it upside down: it then hangs upright.' : '';
  return `${piece.name}: ${what}. Meets ${partners.join(', ')}.${head}`;
}
