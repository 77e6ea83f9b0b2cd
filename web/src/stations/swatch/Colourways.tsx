import { type BagDocument, freeId, LIMITS, type Motif, must, yarnOf } from '@fennot/core';
import { Plus, X } from 'lucide-react';
import { Button } from '../../ui/Button.tsx';
import { type Outcome, tell } from '../../ui/tell.ts';

interface ColourwaysProps {
  readonly motif: Motif;
  readonly document: BagDocument;
  readonly onChange: (colourways: Motif['colourways']) => Outcome;
}

/** Colours of the rounds, a row a colourway. Pressing a round takes the next yarn. */
export function Colourways({ motif, document, onChange }: ColourwaysProps) {
  const { yarns } = document;
  const nextYarn = (id: string) => yarns[(yarns.findIndex((y) => y.id === id) + 1) % yarns.length]?.id ?? id;
  const setRound = (w: number, r: number) =>
    onChange(
      motif.colourways.map((way, i) =>
        i === w ? { ...way, rounds: way.rounds.map((yarn, k) => (k === r ? nextYarn(yarn) : yarn)) } : way,
      ),
    );
  const setRounds = (w: number, rounds: string[]) =>
    onChange(motif.colourways.map((way, i) => (i === w ? { ...way, rounds } : way)));
  return (
    <div>
      <h4 className="text-sm font-semibold">Colourways</h4>
      <p className="text-xs text-soft">
        From the centre out; the last colour goes on. Press one to change it.
      </p>
      {motif.colourways.map((way, w) => (
        <div key={way.id} className="mt-1.5 flex items-center gap-1">
          {way.rounds.map((yarn, r) => {
            const own = yarnOf(document, yarn);
            return (
              <button
                key={r}
                type="button"
                aria-label={`Colourway ${w + 1}, round ${r + 1}: ${own.colourName}. Press for the next yarn.`}
                title={own.colourName}
                onClick={() => tell(setRound(w, r))}
                style={{ background: own.colour }}
                className="size-7 rounded-full border border-ink/30"
              />
            );
          })}
          <Button
            look="bare"
            small
            aria-label={`Colourway ${w + 1}: one more round colour`}
            disabled={way.rounds.length >= LIMITS.rounds}
            onClick={() => setRounds(w, [...way.rounds, nextYarn(must(way.rounds.at(-1), 'round'))])}
          >
            <Plus size={13} />
          </Button>
          {(way.rounds.length > 1 || motif.colourways.length > 1) && (
            <Button
              look="bare"
              small
              aria-label={
                way.rounds.length > 1
                  ? `Colourway ${w + 1}: one round colour fewer`
                  : `Remove colourway ${w + 1}`
              }
              onClick={() =>
                way.rounds.length > 1
                  ? setRounds(w, way.rounds.slice(0, -1))
                  : onChange(motif.colourways.filter((_, i) => i !== w))
              }
            >
              <X size={13} />
            </Button>
          )}
        </div>
      ))}
      <Button
        small
        className="mt-2"
        disabled={motif.colourways.length >= LIMITS.colourways}
        onClick={() => {
          const last = motif.colourways.at(-1);
          // One that was taken out may still be named where it lay: its name is not given again.
          const { cells = {}, stock = [], kept = [] } = document.arrangement ?? {};
          const laid = [cells, ...kept.map((one) => one.cells)].flatMap((one) => Object.values(one));
          const id = freeId('way', [
            ...motif.colourways.map((way) => way.id),
            ...laid.flatMap(({ design }) => design ?? []),
            ...stock.map(({ design }) => design),
          ]);
          return onChange([
            ...motif.colourways,
            {
              id,
              name: `Colourway ${motif.colourways.length + 1}`,
              rounds: (last?.rounds ?? []).map(nextYarn),
            },
          ]);
        }}
      >
        <Plus size={13} /> Another colourway
      </Button>
    </div>
  );
}
