import type { Plan } from '@fennot/core';
import { Command } from 'cmdk';
import type { ReactNode } from 'react';
import { useNavigate } from 'react-router';
import { usePointed } from '../drawing/pointed.ts';
import { type BagStore, useHistory } from '../open-bag/store.ts';
import { STATIONS, stationName } from '../stations/station.ts';
import { exportBag } from '../ui/files.ts';
import { useSheets } from './sheets.ts';

interface FinderProps {
  readonly plan: Plan;
  readonly store: BagStore;
  /** Address of the open bag. */
  readonly base: string;
  readonly onClose: () => void;
}

/** Finds anything of the open bag by its name, and goes there or does it. */
export default function Finder({ plan, store, base, onClose }: FinderProps) {
  const navigate = useNavigate();
  const { point } = usePointed.getState();
  const { undo, redo, canUndo, canRedo } = useHistory(store);
  const then = (act: () => void) => () => {
    onClose();
    act();
  };
  return (
    <Command.Dialog
      open
      onOpenChange={(open) => !open && onClose()}
      label="Find"
      overlayClassName="fixed inset-0 z-40 bg-[#101a17]/50"
      contentClassName="fixed top-[12vh] left-1/2 z-50 w-[min(560px,94vw)] -translate-x-1/2 overflow-hidden rounded-sm border border-line bg-card shadow-md"
    >
      <Command.Input
        placeholder="A station, a piece, a seam, an action"
        className="w-full border-b border-line bg-card px-4 py-3 text-base outline-none"
      />
      <Command.List className="max-h-[50vh] overflow-auto p-2 text-sm">
        <Command.Empty className="p-3 text-soft">Nothing here is called that.</Command.Empty>
        <Group heading="Go to">
          {STATIONS.map((station) => (
            <Item
              key={station}
              name={stationName[station]}
              onSelect={then(() => navigate(`${base}/${station}`))}
            />
          ))}
          <Item name="All bags" onSelect={then(() => navigate('/'))} />
          <Item name="Yarn: the stash" onSelect={then(() => navigate('/yarn'))} />
          <Item name="Swatches of the library" onSelect={then(() => navigate('/swatches'))} />
          <Item name="Motifs of the library" onSelect={then(() => navigate('/motifs'))} />
        </Group>
        <Group heading="Do">
          {canUndo && <Item name="Undo" onSelect={then(() => undo())} />}
          {canRedo && <Item name="Redo" onSelect={then(() => redo())} />}
          <Item name="Export the bag as a file" onSelect={then(() => exportBag(store.getState().document))} />
          <Item name="Show the keys" onSelect={then(() => useSheets.getState().show('keys'))} />
        </Group>
        <Group heading="Seams">
          {plan.lines.map(({ line, name }) => (
            <Item
              key={line}
              name={name}
              onSelect={then(() => {
                navigate(`${base}/sides`);
                point({ line });
              })}
            />
          ))}
        </Group>
        <Group heading="Pieces">
          {plan.graph.pieces.map(({ id, name }) => (
            <Item key={id} name={name} onSelect={then(() => point({ piece: id }))} />
          ))}
        </Group>
      </Command.List>
    </Command.Dialog>
  );
}

function Group({ heading, children }: { readonly heading: string; readonly children: ReactNode }) {
  return (
    <Command.Group
      heading={heading}
      className="[&_[cmdk-group-heading]]:px-2 [&_[cmdk-group-heading]]:pt-2 [&_[cmdk-group-heading]]:text-xs [&_[cmdk-group-heading]]:text-soft"
    >
      {children}
    </Command.Group>
  );
}

function Item({ name, onSelect }: { readonly name: string; readonly onSelect: () => void }) {
  return (
    <Command.Item
      value={name}
      onSelect={onSelect}
      className="cursor-pointer rounded-sm px-2 py-1.5 data-[selected=true]:bg-kingfisher-pale"
    >
      {name}
    </Command.Item>
  );
}
