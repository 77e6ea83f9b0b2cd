import { benchArrange } from './arrange.ts';
import { benchCore, benchFilling, benchSearch } from './core.ts';
import { benchCounts } from './counts.ts';
import { benchList } from './list.ts';
import { benchMake } from './make.ts';
import { benchPage } from './page.ts';
import { benchYarn } from './yarn.ts';

/** `npm run bench`: figures beside what they are held against. Nothing passes or fails here. */
benchCore();
benchCounts();
benchYarn();
benchMake();
await benchArrange();
benchSearch();
benchFilling();
const { DATABASE_URL, FENNOT_WEB } = process.env;
if (DATABASE_URL && FENNOT_WEB) {
  await benchPage(FENNOT_WEB);
  await benchList(FENNOT_WEB);
}
