export { buildApp } from './app.ts';
export { connect, migrate } from './db/connect.ts';
export { localOwner } from './db/owners.ts';
export { addDemoBags } from './demo/index.ts';
