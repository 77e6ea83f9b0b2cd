import {
  type BagDocument,
  boundsOf,
  motifOf,
  type Stock,
  type Supply,
  stockSchema,
  wholeYarn,
  yarnOf,
} from '@fennot/core';
import { Hand } from 'lucide-react';
import { useSettings } from '../../api/queries.ts';
import { Button } from '../../ui/Button.tsx';
import { NumberField } from '../../ui/fields.tsx';
import { Section } from '../../ui/Section.tsx';
import type { StationProps } from '../station.ts';
import { useArranging } from './arranging.ts';
import { DesignPicture } from './DesignPicture.tsx';

/** The document with a number of one design changed. */
function withStock(
  doc: BagDocument,
  motif: string,
  design: string,
  next: Partial<Stock>,
  placed: number,
): BagDocument {
  const stock = doc.arrangement?.stock ?? [];
  const at = stock.findIndex((one) => one.motif === motif && one.design === design);
  const now = stock[at] ?? { motif, design, many: placed };
  const made = { ...now, ...next };
  // What is finished is there.
  const one = { ...made, many: Math.max(made.many, made.made ?? 0) };
  return {
    ...doc,
    arrangement: {
      ...doc.arrangement,
      stock: at < 0 ? [...stock, one] : stock.map((other, i) => (i === at ? one : other)),
    },
  };
}

const MANY = boundsOf(stockSchema.shape.many);
const MADE = boundsOf(stockSchema.shape.made.unwrap());

/** The designs of the bag with their numbers; one that is pressed is laid wherever the hand goes. */
export function DesignRail({ plan, store }: StationProps) {
  const { document } = plan;
  const { brush, set } = useArranging();
  const task = plan.arranging();
  const { change } = store.getState();
  return (
    <Section
      title="Designs"
      aside={
        brush && (
          <Button small look="bare" onClick={() => set({ brush: undefined })}>
            <Hand size={13} /> Back to moving
          </Button>
        )
      }
    >
      <p className="text-xs text-soft">
        {brush
          ? 'Paint: press or drag over the net, and this design is laid there.'
          : 'Drag a motif onto another to let them change places, or press a design to paint with it.'}
      </p>
      {task.supply.map((supply) => {
        const motif = motifOf(document, supply.motif);
        return (
          <div key={`${supply.motif} ${supply.rounds}`} className="flex flex-col gap-1">
            <h4 className="text-sm font-semibold">
              {motif.name}, {supply.rounds} rounds
            </h4>
            <div className="grid grid-cols-[1fr_4.2rem_4.2rem] items-end gap-x-2 text-xs text-soft">
              <span>on the bag</span>
              <span>there are</span>
              <span>finished</span>
            </div>
            {supply.many.map(({ design, many, given }) => {
              const own = task.designs[design];
              if (!own) return null;
              const placed = task.laid.filter(
                (one, i) => one === design && task.slots[i] !== undefined,
              ).length;
              const on = brush?.motif === motif.id && brush.design === own.design;
              const stock = document.arrangement?.stock?.find(
                (one) => one.motif === motif.id && one.design === own.design,
              );
              const setStock = (next: Partial<Stock>) =>
                change((doc) => withStock(doc, motif.id, own.design, next, placed));
              return (
                <div key={own.design} className="grid grid-cols-[1fr_4.2rem_4.2rem] items-center gap-x-2">
                  <button
                    type="button"
                    aria-pressed={on}
                    onClick={() => set({ brush: on ? undefined : { motif: motif.id, design: own.design } })}
                    className={`flex min-w-0 items-center gap-2 rounded-sm border px-1 py-0.5 text-left ${on ? 'border-kingfisher bg-kingfisher-pale' : 'border-transparent hover:border-kingfisher'}`}
                  >
                    <DesignPicture
                      document={document}
                      motif={motif}
                      design={own.design}
                      rounds={supply.rounds}
                      className="size-9 shrink-0"
                    />
                    <span className="min-w-0">
                      <span className="block text-sm leading-tight">{own.name}</span>
                      <span className={`block text-xs ${placed > many ? 'text-loosestrife' : 'text-soft'}`}>
                        {placed} laid{given && placed > many ? `, ${placed - many} too many` : ''}
                      </span>
                    </span>
                  </button>
                  <NumberField
                    label={<span className="sr-only">{own.name}: how many there are</span>}
                    name="how many there are"
                    value={many}
                    bounds={MANY}
                    onChange={(next) => setStock({ many: next, made: Math.min(next, stock?.made ?? 0) })}
                  />
                  <NumberField
                    label={<span className="sr-only">{own.name}: finished</span>}
                    name="how many are finished"
                    value={stock?.made ?? 0}
                    bounds={MADE}
                    onChange={(next) => setStock({ made: next })}
                  />
                </div>
              );
            })}
            <SupplyLine supply={supply} />
          </div>
        );
      })}
      <YarnLine plan={plan} />
    </Section>
  );
}

/** What the motifs take of each yarn, as they are laid. */
function YarnLine({ plan }: Pick<StationProps, 'plan'>) {
  const { system } = useSettings();
  return (
    <p className="flex flex-wrap gap-x-3 gap-y-0.5 text-xs" data-testid="motif-yarn">
      <span className="text-soft">Yarn for them, about</span>
      {plan.tally.effort.motifColours.map(({ yarn, length }) => {
        const { colour, colourName } = yarnOf(plan.document, yarn);
        return (
          <span key={yarn} className="inline-flex items-center gap-1 whitespace-nowrap">
            <span style={{ background: colour }} className="size-2.5 rounded-full border border-ink/30" />
            {colourName} {wholeYarn(length, system)}
          </span>
        );
      })}
    </p>
  );
}

/** Whether what there is reaches. */
function SupplyLine({ supply: { cells, many, over } }: { readonly supply: Supply }) {
  if (!many.some(({ given }) => given)) return null;
  const said =
    over === 0
      ? `${cells} places, and as many motifs.`
      : over > 0
        ? `${cells} places for ${cells + over}: ${over === 1 ? 'one is' : `${over} are`} left over.`
        : `${cells} places for ${cells + over}: ${-over} more ${-over === 1 ? 'is' : 'are'} needed.`;
  return <p className={`text-sm ${over < 0 ? 'text-loosestrife' : 'text-soft'}`}>{said}</p>;
}
