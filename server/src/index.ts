export { buildApp } from './app.ts';
export { BagStore } from './db/bags.ts';
export { connect, migrate } from './db/connect.ts';
export { BagLists } from './db/list.ts';
export { KNOWN as KNOWN_MIGRATIONS } from './db/migrations/index.ts';
export { localOwner, settleIn } from './db/owners.ts';
export { addDemoBags, demoBags } from './demo/index.ts';
export { freshDatabase } from './testing/database.ts';
export { inline } from './work/work.ts';
