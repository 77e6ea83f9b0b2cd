import { askewIn } from '@fennot/core';
import { usePointed } from '../../drawing/pointed.ts';
import { Section } from '../../ui/Section.tsx';
import type { StationProps } from '../station.ts';

/** Whether motifs that have a top hang upright, on every face they are seen on. */
export function OneWaySection({ plan }: Pick<StationProps, 'plan'>) {
  if (!plan.cells.some(({ motif }) => plan.document.motifs.find(({ id }) => id === motif)?.oneWay))
    return null;
  const found = askewIn(plan);
  const name = (id: string) => plan.graph.pieces.find((piece) => piece.id === id)?.name ?? id;
  return (
    <Section title="One way up">
      {found.length === 0 ? (
        <p className="text-sm text-reed" data-testid="one-way">
          All hang upright. What carries ↓ is laid upside down.
        </p>
      ) : (
        <ul className="flex flex-col gap-0.5 text-sm text-loosestrife" data-testid="one-way">
          {found.map(({ piece, face, how, folded }) => (
            <li key={`${piece} ${face}`}>
              <button
                type="button"
                className="text-left hover:underline"
                onClick={() => usePointed.getState().point({ piece })}
              >
                {name(piece)} is {how} on the {face}
                {folded ? ': folded over, it is upright on one face only.' : '.'}
              </button>
            </li>
          ))}
        </ul>
      )}
    </Section>
  );
}
