export { buildApp } from './app.ts';
export { connect, migrate } from './db/connect.ts';
export { localOwner, type Settings, settingsSchema } from './db/owners.ts';
export { addDemoBags } from './demo/index.ts';
export type { Problem } from './plugins/problems.ts';
