import { randomUUID } from 'node:crypto';
import type { BagDocument, StoredBag } from '@fennot/core';
import type { Knex } from 'knex';
import { BagStore } from '../db/bags.ts';
import { HoldingStore } from '../db/holdings.ts';
import { clapperPouch } from './bags/clapper-pouch.ts';
import { folderSatchel } from './bags/folder-satchel.ts';
import { glovePouch } from './bags/glove-pouch.ts';
import { handbellHauler } from './bags/handbell-hauler.ts';
import { hymnCover } from './bags/hymn-cover.ts';
import { juniorPack } from './bags/junior-pack.ts';
import { keyWallet } from './bags/key-wallet.ts';
import { knittingKeeper } from './bags/knitting-keeper.ts';
import { marketPinwheel } from './bags/market-pinwheel.ts';
import { methodWallet } from './bags/method-wallet.ts';
import { mufflePouch } from './bags/muffle-pouch.ts';
import { nineBellTote } from './bags/nine-bell-tote.ts';
import { outingBox } from './bags/outing-box.ts';
import { pealBookBox } from './bags/peal-book-box.ts';
import { practiceTote } from './bags/practice-tote.ts';
import { puffDrum } from './bags/puff-drum.ts';
import { raffleDrum } from './bags/raffle-drum.ts';
import { ropeGuardBag } from './bags/rope-guard-bag.ts';
import { ropeRoll } from './bags/rope-roll.ts';
import { rosettePurse } from './bags/rosette-purse.ts';
import { sashClutch } from './bags/sash-clutch.ts';
import { scallopSatchel } from './bags/scallop-satchel.ts';
import { sixBellPurse } from './bags/six-bell-purse.ts';
import { swallowPouch } from './bags/swallow-pouch.ts';
import { teaFlaskSling } from './bags/tea-flask-sling.ts';
import { tuneCardCase } from './bags/tune-card-case.ts';
import { asDocument } from './demo-bag.ts';
import { demoLibrary } from './library.ts';
import { demoStash } from './stash.ts';

/** The bags of the ringers of Lode End, checked like any other document. The last is shown first. */
export const demoBags = (): BagDocument[] =>
  [
    tuneCardCase,
    pealBookBox,
    methodWallet,
    sashClutch,
    puffDrum,
    scallopSatchel,
    swallowPouch,
    mufflePouch,
    ropeGuardBag,
    keyWallet,
    glovePouch,
    hymnCover,
    clapperPouch,
    ropeRoll,
    raffleDrum,
    sixBellPurse,
    rosettePurse,
    teaFlaskSling,
    juniorPack,
    outingBox,
    knittingKeeper,
    marketPinwheel,
    practiceTote,
    nineBellTote,
    handbellHauler,
    folderSatchel,
  ].map(asDocument);

/** Gives a new owner the demo bags, the stash they are worked from, and a library. */
export async function addDemoBags(db: Knex, owner: string): Promise<void> {
  const store = new BagStore(db, owner);
  const { bags, changes } = demoLibrary(demoBags());
  const made: StoredBag[] = [];
  for (const document of bags) {
    const bag = await store.create(randomUUID(), document);
    if (bag) made.push(bag);
  }
  const kept = await new HoldingStore(db, owner).change(randomUUID(), [...changes, ...demoStash(made)]);
  if (typeof kept === 'string') throw new Error(`What the demo bags are worked from was refused: ${kept}.`);
}
