import type { BagDocument } from '@fennot/core';
import { Download, Keyboard, Redo2, Search, Undo2 } from 'lucide-react';
import type { ReactNode } from 'react';
import { Link } from 'react-router';
import { SettingsMenu } from '../frame/SettingsMenu.tsx';
import { Wordmark } from '../frame/Wordmark.tsx';
import { useSheets } from '../keys/sheets.ts';
import type { SaveState } from '../open-bag/saving/saver.ts';
import { type BagStore, useDocument, useHistory } from '../open-bag/store.ts';
import { Button } from '../ui/Button.tsx';
import { exportBag } from '../ui/files.ts';
import { SaveMark } from './SaveMark.tsx';

/** The top line of an open bag: its name, whether it is saved, undo, export, settings. */
export function BagHeader({
  store,
  state,
  base,
  at,
}: {
  readonly store: BagStore;
  readonly state: SaveState<BagDocument>;
  /** Address of the bag, and which side of it is shown. */
  readonly base: string;
  readonly at: Side;
}) {
  const { name } = useDocument(store);
  const { undo, redo, canUndo, canRedo } = useHistory(store);
  const { show } = useSheets();
  return (
    <header className="flex min-h-12 shrink-0 items-center gap-3 border-b border-line bg-card px-4 max-sm:gap-2 max-sm:px-2">
      <Wordmark small />
      <span className="text-line max-sm:hidden" aria-hidden="true">
        /
      </span>
      <h1 className="min-w-0 truncate text-lg">{name}</h1>
      <SaveMark state={state} />
      <Sides base={base} at={at} />
      <div className="ml-auto flex items-center gap-1">
        {at === 'plan' && (
          <>
            <IconButton name="Undo" title="Undo (Ctrl+Z)" disabled={!canUndo} onClick={() => undo()}>
              <Undo2 size={17} />
            </IconButton>
            <IconButton name="Redo" title="Redo (Ctrl+Y)" disabled={!canRedo} onClick={() => redo()}>
              <Redo2 size={17} />
            </IconButton>
          </>
        )}
        <Button
          look="bare"
          small
          title="Save the bag as a file"
          onClick={() => exportBag(store.getState().document)}
        >
          <Download size={16} /> <span className="max-sm:sr-only">Export</span>
        </Button>
        <IconButton name="Find" title="Find anything (Ctrl+K)" wide onClick={() => show('finder')}>
          <Search size={16} />
        </IconButton>
        <IconButton name="Keys" title="All keys (?)" wide onClick={() => show('keys')}>
          <Keyboard size={16} />
        </IconButton>
        <SettingsMenu />
      </div>
    </header>
  );
}

/** Planning a bag, or making it. */
type Side = 'plan' | 'make';
const SIDES = [
  { side: 'plan', name: 'Plan', to: 'build' },
  { side: 'make', name: 'Make', to: 'make' },
] as const;

/** The two sides of a bag. */
const Sides = ({ base, at }: { readonly base: string; readonly at: Side }) => (
  <nav aria-label="Plan or make" className="flex rounded-sm border border-line p-0.5">
    {SIDES.map(({ side, name, to }) => (
      <Link
        key={side}
        to={`${base}/${to}`}
        aria-current={side === at ? 'page' : undefined}
        className="rounded-[3px] px-2.5 py-1 text-sm font-medium text-soft hover:text-kingfisher aria-[current=page]:bg-kingfisher-pale aria-[current=page]:text-ink"
      >
        {name}
      </Link>
    ))}
  </nav>
);

interface IconButtonProps {
  readonly name: string;
  readonly title: string;
  readonly onClick: () => void;
  readonly disabled?: boolean;
  /** Only where there is room: a phone has no keys. */
  readonly wide?: boolean;
  readonly children: ReactNode;
}

const IconButton = ({ name, wide, ...rest }: IconButtonProps) => (
  <Button look="bare" small aria-label={name} className={wide ? 'max-sm:hidden' : ''} {...rest} />
);
