import {
  type AllottedLot,
  type Enough,
  gramsLeft,
  type HoldingChange,
  isOf,
  type Lot,
  lengthOfGrams,
  wholeYarn,
  type Yarn,
} from '@fennot/core';
import { useState } from 'react';
import { useChangeHoldings } from '../../../api/holdings.ts';
import { useSettings } from '../../../api/queries.ts';
import { uuid } from '../../../api/uuid.ts';
import { Balls, gramsText } from '../../../enough/balls.tsx';
import { ReachMark } from '../../../enough/ReachMark.tsx';
import { LotDialog } from '../../../places/yarn/LotDialog.tsx';
import { Button } from '../../../ui/Button.tsx';
import { Modal } from '../../../ui/Modal.tsx';
import { WeightField } from '../../../ui/WeightField.tsx';

interface SetAsideModalProps {
  readonly own: Enough;
  readonly yarn: Yarn;
  readonly bag: string;
  readonly lots: readonly AllottedLot[];
  /** Names of bags, by id. */
  readonly names: Readonly<Record<string, string>>;
  readonly onClose: () => void;
}

/** Grams of a lot that would make a need sure, as far as they are free; all that is free where nobody knows the length. */
function wish({ need, basket }: Enough, { kept: { lot }, free }: AllottedLot, yarn: Yarn): number {
  const missing = Math.max(0, need.high - basket.length);
  const metre = lengthOfGrams(lot.ball ? lot : yarn, 1);
  const grams = metre === undefined ? free : Math.min(free, missing / metre);
  // Up to the next tenth, so that it does not fail by a rounding; never more than there is.
  return Math.max(0.1, Math.min(Math.ceil(grams * 10 - 1e-6), Math.floor(free * 10 + 1e-6)) / 10);
}

/** Sets yarn of the stash aside for a bag, so that no other bag plans with it. */
export function SetAsideModal({ own, yarn, bag, lots, names, onClose }: SetAsideModalProps) {
  const { system } = useSettings();
  const change = useChangeHoldings();
  const [adding, setAdding] = useState(false);
  const [all, setAll] = useState(false);
  const same = lots.filter(({ kept }) => isOf(kept.lot, yarn));
  const mine = new Set(own.basket.lots.map(({ lot }) => lot));
  const others = lots.filter(
    ({ kept, free }) =>
      !isOf(kept.lot, yarn) && kept.lot.weight === yarn.weight && (free > 0 || mine.has(kept.id)),
  );
  const fresh: Lot = {
    yarn: yarn.name,
    colourName: yarn.colourName,
    colour: yarn.colour,
    weight: yarn.weight,
    fibre: yarn.fibre,
    dyeLot: '',
    ...(yarn.ball && { ball: { grams: yarn.ball.grams, metres: yarn.ball.metres } }),
    full: yarn.ball ? 1 : 0,
    parts: yarn.ball ? [] : [50],
    place: '',
    note: '',
  };
  const row = (lot: AllottedLot) => (
    <LotLine
      key={lot.kept.id}
      lot={lot}
      bag={bag}
      names={names}
      yarn={yarn}
      wish={wish(own, lot, yarn)}
      length={(mm) => wholeYarn(mm, system, { spare: true })}
      change={change}
    />
  );
  if (adding)
    return (
      <LotDialog
        title={`${yarn.colourName} that is not in the stash yet`}
        lot={fresh}
        onKeep={(lot) => {
          const id = uuid();
          const grams = Math.round(gramsLeft(lot) * 10) / 10;
          const changes: HoldingChange[] = [{ of: 'add', id, lot }];
          if (grams > 0)
            changes.push({ of: 'allot', allotment: { id: uuid(), lot: id, bag, yarn: yarn.id, grams } });
          return change(changes, `${lot.colourName} is in the stash, and set aside.`);
        }}
        onClose={() => setAdding(false)}
      />
    );
  return (
    <Modal
      title={`${yarn.colourName} for this bag`}
      about={`${yarn.name}. It takes ${wholeYarn(own.need.length, system)}, at most ${wholeYarn(own.need.high, system)}. What is set aside here no other bag plans with.`}
      wide
      open
      onClose={onClose}
    >
      <p className="mb-2 text-sm" aria-live="polite">
        Set aside: <b>{wholeYarn(own.basket.length, system, { spare: true })}</b> <ReachMark is={own.is} />
      </p>
      <ul aria-label="Lots of this yarn" className="flex flex-col divide-y divide-line border-y border-line">
        {same.map(row)}
        {same.length === 0 && (
          <li className="py-2 text-sm text-soft">
            The stash has no {yarn.colourName} of {yarn.name}.
          </li>
        )}
      </ul>
      {all && (
        <ul
          aria-label="Other yarn as thick"
          className="mt-3 flex flex-col divide-y divide-line border-y border-line"
        >
          {others.map(row)}
          {others.length === 0 && <li className="py-2 text-sm text-soft">There is none as thick.</li>}
        </ul>
      )}
      <div className="mt-3 flex flex-wrap gap-2">
        <Button onClick={() => setAdding(true)}>It is not in the stash yet</Button>
        {!all && others.length > 0 && (
          <Button look="bare" onClick={() => setAll(true)}>
            Another yarn, as thick, instead
          </Button>
        )}
      </div>
    </Modal>
  );
}

interface LotLineProps {
  readonly lot: AllottedLot;
  readonly bag: string;
  readonly names: Readonly<Record<string, string>>;
  readonly yarn: Yarn;
  readonly wish: number;
  readonly length: (mm: number) => string;
  readonly change: ReturnType<typeof useChangeHoldings>;
}

/** One lot: how much of it is free, who else wants it, and how much is set aside here. */
function LotLine({
  lot: { kept, free, grants },
  bag,
  names,
  yarn,
  wish: first,
  length,
  change,
}: LotLineProps) {
  const { lot } = kept;
  const mine = grants.find(({ allotment }) => allotment.bag === bag && allotment.yarn === yarn.id);
  const others = grants.filter((grant) => grant !== mine);
  const [grams, setGrams] = useState(first);
  const name = `${lot.colourName}${lot.dyeLot && `, lot ${lot.dyeLot}`}`;
  const asked = mine?.allotment.grams ?? grams;
  const most = Math.max(0.1, Math.round(gramsLeft(lot) * 10) / 10);
  const mm = lengthOfGrams(lot.ball ? lot : yarn, mine ? mine.grams : free);
  const set = (value: number) =>
    change(
      [
        {
          of: 'allot',
          allotment: { id: mine?.allotment.id ?? uuid(), lot: kept.id, bag, yarn: yarn.id, grams: value },
        },
      ],
      `${gramsText(value)} of ${name} set aside.`,
    );
  return (
    <li
      className="grid grid-cols-[5.5rem_1fr_11rem_auto] items-center gap-3 py-2 text-sm max-sm:grid-cols-1"
      aria-label={name}
    >
      <Balls lot={lot} />
      <div className="min-w-0">
        <p>
          <b>{name}</b> <span className="text-soft">{lot.yarn}</span>
        </p>
        <p className="text-xs text-soft">
          {gramsText(gramsLeft(lot))} there, {gramsText(free)} free
          {mm !== undefined && ` (${length(mm)}${mine ? ' here' : ''})`}
          {lot.place && `, ${lot.place}`}
          {lot.note && `. ${lot.note}`}
        </p>
        {others.map(({ allotment, grams: got }) => (
          <p key={allotment.id} className="text-xs">
            {gramsText(allotment.grams)} for {names[allotment.bag] ?? 'another bag'}
            {got < allotment.grams - 0.001 && (
              <b className="text-loosestrife">, of which only {gramsText(got)} is there</b>
            )}
          </p>
        ))}
        {mine && mine.grams < asked - 0.001 && (
          <p className="text-xs font-semibold text-loosestrife">
            Only {gramsText(mine.grams)} of {gramsText(asked)}: others asked first.
          </p>
        )}
      </div>
      <WeightField
        label="Grams for this bag"
        name="grams"
        value={asked}
        bounds={{ min: 0.1, max: most, whole: false }}
        onChange={(value) => {
          setGrams(value);
          if (mine) void set(value);
        }}
      />
      {mine ? (
        <Button
          small
          className="mt-4"
          onClick={() => void change([{ of: 'free', id: mine.allotment.id }], `${name} is free again.`)}
        >
          Free it
        </Button>
      ) : (
        <Button
          small
          look={free > 0 ? 'main' : 'plain'}
          className="mt-4"
          disabled={most <= 0.1 && gramsLeft(lot) <= 0}
          onClick={() => void set(grams)}
        >
          {free > 0 ? 'Set aside' : 'Ask for it, too'}
        </Button>
      )}
    </li>
  );
}
