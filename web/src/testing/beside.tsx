import {
  type BagDocument,
  type MakeTask,
  type Plan,
  planOf,
  type Settings,
  standOf,
  type WorkRecord,
} from '@fennot/core';
import { render } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { type ReactNode, useSyncExternalStore } from 'react';
import { Logbook } from '../make/log/logbook.ts';
import { FakeServer, FakeShelf, FakeWorld, fakeLine, LUCKY } from '../make/log/simulation.ts';
import type { Making } from '../make/log/use-logbook.ts';
import { Around } from './worktop.tsx';

/** What is shown beside the hook. */
type Shown = (plan: Plan, making: Making) => ReactNode;

/** Puts something beside the hook, with a log that begins empty, and a maker's hands. */
export async function beside(document: BagDocument, shown: Shown, settings?: Partial<Settings>) {
  const world = new FakeWorld(1);
  const server = new FakeServer();
  const book = new Logbook(new FakeShelf(), fakeLine(server, LUCKY), world);
  await book.open();
  const plan = planOf(document);
  render(
    <Around settings={settings}>
      <Open book={book} plan={plan} shown={shown} />
    </Around>,
  );
  return { book, plan, world, server, hands: userEvent.setup({ delay: null }) };
}

interface OpenProps {
  readonly book: Logbook;
  readonly plan: Plan;
  readonly shown: Shown;
}

function Open({ book, plan, shown }: OpenProps) {
  const log = useSyncExternalStore(book.subscribe, book.getState);
  return shown(plan, {
    log,
    does: (deed) => book.does(deed, 1),
    takeIn: (events) => book.takeIn(events),
    undo: (events) => {
      for (const { id } of events) book.does({ of: 'undone', event: id }, 1);
    },
  });
}

/** How a task stands by what is recorded. */
function standing(plan: Plan, record: WorkRecord, begins: string) {
  const stand = standOf(plan, record).stands.find(({ task }) => task.id.startsWith(begins));
  if (!stand) throw new Error(`there is no ${begins}`);
  return stand;
}

/** A task of one kind, with how it stands. */
export function taskOf<Of extends MakeTask['of']>(
  plan: Plan,
  record: WorkRecord,
  begins: string,
  of: Of,
): { readonly task: Extract<MakeTask, { of: Of }>; readonly stand: ReturnType<typeof standing> } {
  const stand = standing(plan, record, begins);
  const { task } = stand;
  if (!isOf(task, of)) throw new Error(`${begins} is no task of ${of}`);
  return { task, stand };
}

const isOf = <Of extends MakeTask['of']>(task: MakeTask, of: Of): task is Extract<MakeTask, { of: Of }> =>
  task.of === of;
