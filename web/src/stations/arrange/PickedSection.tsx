import { type LaidCell, lockSet, painted, turned } from '@fennot/core';
import { Lock, LockOpen, RotateCw } from 'lucide-react';
import { useState } from 'react';
import { usePointed } from '../../drawing/pointed.ts';
import { Button } from '../../ui/Button.tsx';
import { Choice } from '../../ui/Choice.tsx';
import { Section } from '../../ui/Section.tsx';
import type { StationProps } from '../station.ts';
import { useArranging } from './arranging.ts';

const SHARES: Readonly<Record<string, string>> = {
  '1/2': 'half a turn',
  '1/4': 'a quarter',
  '3/4': 'three quarters',
  '1/3': 'a third',
  '2/3': 'two thirds',
  '1/6': 'a sixth',
  '5/6': 'five sixths',
};

/** So many steps of a whole turn, in words. */
function turnText(many: number, steps: number): string {
  const by = [3, 2].find((one) => many % one === 0 && steps % one === 0) ?? 1;
  return SHARES[`${many / by}/${steps / by}`] ?? `${many} of ${steps}`;
}

/** The motif that is looked at: what lies there, turned and locked by buttons as by keys. */
export function PickedSection({ plan, store }: StationProps) {
  const { piece } = usePointed();
  const held = useArranging((state) => state.held);
  const [last, setLast] = useState<string>();
  const pointed = plan.cells.find((cell) => cell.piece === piece);
  // Pointing elsewhere, at these very buttons among others, keeps the one that was chosen.
  if (pointed && pointed.piece !== last) setLast(pointed.piece);
  const cell: LaidCell | undefined = pointed ?? plan.cells.find((one) => one.piece === last);
  const { change } = store.getState();
  if (!cell) return null;
  const motif = plan.document.motifs.find(({ id }) => id === cell.motif);
  const name = plan.graph.pieces.find(({ id }) => id === cell.piece)?.name ?? cell.piece;
  const heldName = plan.graph.pieces.find(({ id }) => id === held)?.name;
  return (
    <Section title={name}>
      <div className="flex items-end gap-2">
        <div className="min-w-0 grow">
          <Choice
            label="Design"
            value={cell.design}
            options={(motif?.colourways ?? []).map((way) => ({ value: way.id, label: way.name }))}
            onChange={(design) =>
              cell.locked
                ? `${name} is locked. Unlock it first.`
                : change((doc) => painted(doc, plan.cells, [cell.piece], design))
            }
          />
        </div>
        {cell.steps > 1 && (
          <Button
            small
            aria-label={`Turn ${name} by ${turnText(1, cell.steps)}`}
            onClick={() => change((doc) => turned(doc, plan.cells, cell))}
          >
            <RotateCw size={14} />
          </Button>
        )}
        <Button
          small
          aria-pressed={cell.locked}
          aria-label={cell.locked ? `Unlock ${name}` : `Lock ${name}`}
          onClick={() => change((doc) => lockSet(doc, plan.cells, cell, !cell.locked))}
        >
          {cell.locked ? <Lock size={14} /> : <LockOpen size={14} />}
        </Button>
      </div>
      <p className="text-xs text-soft">
        {heldName
          ? `${heldName} is picked up: choose the one it changes places with.`
          : `${cell.turn === 0 ? '' : `Turned by ${turnText(cell.steps - cell.turn, cell.steps)} with the clock. `}${cell.locked ? 'Locked: no suggestion moves it.' : 'Drag it onto another: the two change places.'}`}
      </p>
    </Section>
  );
}
