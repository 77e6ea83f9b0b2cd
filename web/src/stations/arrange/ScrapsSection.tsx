import {
  annealed,
  type BagDocument,
  LIMITS,
  laidAs,
  laidOfScraps,
  motifOf,
  roundYarn,
  type ScrapsAnswer,
  type ScrapsAsk,
  wholeYarn,
  yarnOf,
} from '@fennot/core';
import { useState } from 'react';
import { useSettings } from '../../api/queries.ts';
import { motifPicture } from '../../drawing/motif-picture.ts';
import { planFor } from '../../open-bag/plans.ts';
import { Button } from '../../ui/Button.tsx';
import { Choice } from '../../ui/Choice.tsx';
import { NumberField } from '../../ui/fields.tsx';
import { Section } from '../../ui/Section.tsx';
import type { StationProps } from '../station.ts';
import { EXTRA, useScraps } from './use-scraps.ts';

const METRE = 1000;

function withScrap(doc: BagDocument, yarn: string, length: number): BagDocument {
  const { scraps = [], ...rest } = doc.arrangement ?? {};
  const next = [...scraps.filter((one) => one.yarn !== yarn), { yarn, length }];
  return { ...doc, arrangement: { ...rest, scraps: next } };
}

/** Squares out of what is left: which colour goes into which round of which square, so that nothing runs out. */
export function ScrapsSection({ plan, store }: StationProps) {
  const { document } = plan;
  const { system } = useSettings();
  const [open, setOpen] = useState(false);
  const [wanted, setWanted] = useState<number>();
  const [last, setLast] = useState<string>('alike');
  const { answer, busy, why, work } = useScraps();
  const supply = plan.arranging().supply[0];
  if (!supply) return null;
  const motif = motifOf(document, supply.motif);
  const many = wanted ?? supply.cells;
  const lengthOf = (yarn: string) =>
    document.arrangement?.scraps?.find((one) => one.yarn === yarn)?.length ?? 0;
  const ask: ScrapsAsk = {
    wanted: many,
    need: roundYarn(document, motif, supply.rounds),
    yarns: document.yarns.map(({ id }) => ({ id, length: lengthOf(id) })),
    last: last === 'alike' || last === 'free' ? last : { yarn: last },
  };
  const key = JSON.stringify(ask);
  const found = answer?.key === key ? answer.found : undefined;
  if (!open)
    return (
      <Section title="Squares out of scraps">
        <Button small className="self-start" onClick={() => setOpen(true)}>
          Make them of what is left
        </Button>
      </Section>
    );
  return (
    <Section title="Squares out of scraps">
      <p className="text-xs text-soft">
        What is left of each yarn, in {system === 'cm' ? 'metres' : 'yards'}. A {motif.name} of{' '}
        {supply.rounds} rounds takes {ask.need.map((mm) => wholeYarn(mm, system)).join(', ')} from its heart
        outwards, two tails a round among it.
      </p>
      <div className="grid grid-cols-2 gap-2">
        {document.yarns.map(({ id, colourName, colour }) => (
          <NumberField
            key={id}
            label={
              <span className="inline-flex items-center gap-1">
                <span style={{ background: colour }} className="size-2.5 rounded-full border border-ink/30" />
                {colourName}
              </span>
            }
            name={`what is left of ${colourName}`}
            value={Math.round((lengthOf(id) / perUnit(system)) * 10) / 10}
            bounds={{ min: 0, max: 9999, whole: false }}
            onChange={(value) =>
              store.getState().change((doc) => withScrap(doc, id, value * perUnit(system)))
            }
          />
        ))}
      </div>
      <NumberField
        label="Squares"
        name="squares"
        value={many}
        bounds={{ min: 1, max: 600, whole: true }}
        onChange={(next) => setWanted(next)}
      />
      <Choice
        label="Last round"
        value={last}
        options={[
          { value: 'alike', label: 'all alike, in any colour' },
          ...document.yarns.map(({ id, colourName }) => ({ value: id, label: `all in ${colourName}` })),
          { value: 'free', label: 'free, like the others' },
        ]}
        onChange={setLast}
      />
      <Button
        small
        look="main"
        className="self-start"
        disabled={busy}
        onClick={() =>
          work(key, ask, Object.fromEntries(document.yarns.map(({ id, colour }) => [id, colour])))
        }
      >
        {busy ? 'Working it out ...' : 'Work it out'}
      </Button>
      {why && (
        <p role="alert" className="text-sm text-loosestrife">
          {why}
        </p>
      )}
      {found && (
        <>
          <Verdict found={found} wanted={many} document={document} />
          <ul className="flex flex-wrap gap-1" aria-label="Squares that can be made">
            {found.designs.map(({ rounds, many: times }) => (
              <li key={rounds.join(' ')} className="flex flex-col items-center text-[11px]">
                <img
                  src={motifPicture(
                    motif,
                    supply.rounds,
                    rounds.map((yarn) => yarnOf(document, yarn).colour),
                  )}
                  alt={rounds.map((yarn) => yarnOf(document, yarn).colourName).join(', ')}
                  className="size-11 rounded-[3px]"
                />
                {times}
              </li>
            ))}
          </ul>
          <Button
            small
            className="self-start"
            disabled={found.designs.length === 0 || found.designs.length > LIMITS.colourways}
            onClick={() => store.getState().change((doc) => laidOut(laidOfScraps(doc, motif, found)))}
          >
            Make these the designs
          </Button>
          {found.designs.length > LIMITS.colourways && (
            <p className="text-xs text-soft">
              {found.designs.length} designs are more than the {LIMITS.colourways} a motif can have: ask for
              fewer squares.
            </p>
          )}
        </>
      )}
    </Section>
  );
}

/** The designs laid, each as often as there will be squares of it. */
function laidOut(document: BagDocument): BagDocument {
  const answer = planFor(document);
  if (!answer.ok) return document;
  const task = answer.plan.arranging();
  return laidAs(document, answer.plan.cells, task, annealed(task, 1));
}

const YARD = 914.4;
const perUnit = (system: 'cm' | 'in') => (system === 'cm' ? METRE : YARD);

interface VerdictProps {
  readonly found: ScrapsAnswer;
  readonly wanted: number;
  readonly document: BagDocument;
}

/** How many squares there can be, and what limits them. */
function Verdict({ found: { squares, more }, wanted, document }: VerdictProps) {
  const { system } = useSettings();
  const name = (yarn: string) => yarnOf(document, yarn).colourName;
  return (
    <p className={`text-sm ${squares < wanted ? 'text-loosestrife' : 'text-reed'}`} data-testid="scraps">
      {squares >= wanted
        ? `All ${wanted} squares can be made.`
        : `${squares === 0 ? 'No' : squares} of ${wanted} squares can be made. ${
            more.length === 0
              ? 'No single yarn is what limits it.'
              : more
                  .map(
                    ({ yarn, squares: then }) =>
                      `With ${wholeYarn(EXTRA, system)} more ${name(yarn)}: ${then}.`,
                  )
                  .join(' ')
          }`}
    </p>
  );
}
