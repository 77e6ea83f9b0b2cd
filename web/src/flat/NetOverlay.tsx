import type { Construction, NetEditor, Point } from '@fennot/core';
import type { KeyboardEvent, ReactNode } from 'react';
import type { Outcome } from '../ui/tell.ts';
import { useNetTool } from './net-tool.ts';

interface NetOverlayProps {
  readonly editor: NetEditor<Construction>;
  readonly px: number;
  readonly onChange: (construction: Construction) => Outcome;
}

const points = (outline: readonly Point[]) => outline.map(({ x, y }) => `${x},${-y}`).join(' ');

/** The places of a net that can be pressed with the tool in hand: pieces, folds, edges. */
export function NetOverlay({ editor, px, onChange }: NetOverlayProps) {
  const { tool } = useNetTool();
  switch (tool) {
    case 'square':
    case 'panel':
      return <Pieces editor={editor} px={px} of={tool} onChange={onChange} />;
    case 'fold':
      return <Folds editor={editor} px={px} onChange={onChange} />;
    case 'pair':
      return <Edges editor={editor} px={px} onChange={onChange} />;
  }
}

interface TargetProps {
  readonly label: string;
  readonly onPress: () => void;
  readonly pressed?: boolean;
  readonly children: ReactNode;
}

/** Something on the net that can be pressed, by pointer or keyboard. */
function Target({ label, onPress, pressed, children }: TargetProps) {
  const onKeyDown = (event: KeyboardEvent) => {
    if (event.key !== 'Enter' && event.key !== ' ') return;
    event.preventDefault();
    event.stopPropagation();
    onPress();
  };
  return (
    // biome-ignore lint/a11y/useSemanticElements: there are no buttons inside a drawing
    <g
      role="button"
      tabIndex={0}
      aria-label={label}
      aria-pressed={pressed}
      onClick={onPress}
      onKeyDown={onKeyDown}
      className="group cursor-pointer outline-none"
    >
      <title>{label}</title>
      {children}
    </g>
  );
}

function Pieces({ editor, px, of, onChange }: NetOverlayProps & { readonly of: 'square' | 'panel' }) {
  return (
    <g>
      {editor.spots.map(({ id, outline, add }) => {
        const middle = {
          x: outline.reduce((sum, p) => sum + p.x / 4, 0),
          y: outline.reduce((sum, p) => sum + p.y / 4, 0),
        };
        return (
          <Target key={id} label={`Lay a ${of} at ${id}`} onPress={() => onChange(add(of))}>
            <polygon
              points={points(outline)}
              fill="var(--card)"
              fillOpacity={0.35}
              stroke="var(--soft)"
              strokeWidth={px}
              strokeDasharray={`${4 * px} ${4 * px}`}
              className="group-hover:fill-kingfisher-pale group-focus-visible:stroke-kingfisher"
            />
            <path
              d={`M${middle.x - 6 * px} ${-middle.y}h${12 * px}M${middle.x} ${-middle.y - 6 * px}v${12 * px}`}
              stroke="var(--kingfisher)"
              strokeWidth={2 * px}
              opacity={0.6}
            />
          </Target>
        );
      })}
      {editor.pieces.map((piece) => {
        const { take } = piece;
        const press = piece.of === of ? take : piece.turn;
        if (!press) return null;
        const label = piece.of === of ? `Take ${piece.name} away` : `Make ${piece.name} a ${of}`;
        return (
          <Target key={piece.id} label={label} onPress={() => onChange(press())}>
            <polygon
              points={points(piece.outline)}
              fill="transparent"
              stroke="transparent"
              strokeWidth={3 * px}
              className="group-hover:stroke-loosestrife group-focus-visible:stroke-kingfisher"
            />
          </Target>
        );
      })}
    </g>
  );
}

const FOLD_WORDS = { 180: 'folded over', 90: 'folded up into a wall' } as const;

function Folds({ editor, px, onChange }: NetOverlayProps) {
  return (
    <g>
      {editor.folds.map(({ id, from, to, angle, next }) => (
        <Target
          key={id}
          label={`Fold line ${id}: ${angle ? FOLD_WORDS[angle] : 'no fold'}. Press to change.`}
          pressed={angle !== undefined}
          onPress={() => onChange(next())}
        >
          <path d={`M${from.x} ${-from.y}L${to.x} ${-to.y}`} stroke="transparent" strokeWidth={14 * px} />
          <path
            d={`M${from.x} ${-from.y}L${to.x} ${-to.y}`}
            stroke={angle ? 'var(--kingfisher)' : '#f6f4e8'}
            strokeOpacity={angle ? 1 : 0.75}
            strokeWidth={(angle ? 4 : 1.8) * px}
            strokeDasharray={
              angle === 90
                ? `${3 * px} ${5 * px}`
                : angle
                  ? `${10 * px} ${4 * px} ${2 * px} ${4 * px}`
                  : `${2 * px} ${6 * px}`
            }
            className="group-hover:stroke-loosestrife group-focus-visible:stroke-loosestrife"
          />
          {angle && (
            <g transform={`translate(${from.x} ${-from.y}) scale(${px})`}>
              <rect x={-15} y={-9} width={30} height={18} rx={4} fill="var(--kingfisher)" />
              <text textAnchor="middle" y={4} fontSize={11} fontWeight={700} fill="var(--card)">
                {angle}°
              </text>
            </g>
          )}
        </Target>
      ))}
    </g>
  );
}

function Edges({ editor, px, onChange }: NetOverlayProps) {
  const { picked, pick } = useNetTool();
  const press = (edge: NetEditor<Construction>['edges'][number]) => {
    if (picked !== undefined && picked !== edge.id) {
      onChange(editor.pair(picked, edge.id));
      pick(undefined);
    } else if (picked === edge.id) pick(undefined);
    else if (edge.partner !== undefined) onChange(editor.part(edge.id));
    else pick(edge.id);
  };
  const nameOf = (id: string) => editor.edges.find((edge) => edge.id === id)?.name ?? id;
  return (
    <g>
      {editor.edges.map((edge) => {
        const own = picked === edge.id;
        const colour = own ? 'var(--kingfisher)' : edge.partner ? 'var(--loosestrife)' : 'var(--marigold)';
        const label = edge.partner
          ? `${edge.name} meets ${nameOf(edge.partner)}. Press to part them.`
          : picked === undefined
            ? `${edge.name} is open. Press to pick it.`
            : `${edge.name}. Press to pair it with ${nameOf(picked)}.`;
        const way = `M${edge.from.x} ${-edge.from.y}L${edge.to.x} ${-edge.to.y}`;
        return (
          <Target key={edge.id} label={label} pressed={own} onPress={() => press(edge)}>
            <path d={way} stroke="transparent" strokeWidth={16 * px} />
            <path
              d={way}
              stroke={colour}
              strokeWidth={(own ? 7 : 4.5) * px}
              strokeLinecap="round"
              strokeDasharray={edge.partner ? `${7 * px} ${5 * px}` : undefined}
              className="group-hover:stroke-kingfisher group-focus-visible:stroke-kingfisher"
            />
          </Target>
        );
      })}
    </g>
  );
}
