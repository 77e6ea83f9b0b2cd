import closeWithGrace from 'close-with-grace';
import { buildApp } from './app.ts';
import { readConfig } from './config.ts';
import { BagStore } from './db/bags.ts';
import { connect, migrate } from './db/connect.ts';
import { localOwner } from './db/owners.ts';
import { addDemoBags } from './demo/index.ts';

/** So long open requests are given to end when the server is stopped, ms. */
const PATIENCE = 5000;

/** Starts the server; a failure is told in one sentence. */
async function main(): Promise<void> {
  const config = readConfig(process.env);
  const db = connect(config.databaseUrl);
  await migrate(db);
  await BagStore.purge(db);
  const owner = await localOwner(db);
  if (owner.isNew && !config.empty) await addDemoBags(db, owner.id);
  const app = await buildApp({ db, owner: owner.id, web: config.web, logLevel: config.logLevel });
  closeWithGrace({ delay: PATIENCE }, async ({ err }) => {
    if (err) app.log.error(err);
    await app.close();
    await db.destroy();
  });
  await app.listen({ port: config.port, host: '127.0.0.1' });
  console.log(`Fennot is open at http://localhost:${config.port}`);
}

main().catch((error: unknown) => {
  const code = error instanceof Error && 'code' in error ? error.code : undefined;
  const port = process.env.FENNOT_PORT ?? '4680';
  const said =
    code === 'EADDRINUSE'
      ? `Port ${port} is already in use. Stop what runs there, or choose another: FENNOT_PORT=4681 ./fennot start`
      : code === 'ECONNREFUSED'
        ? 'The database does not answer. Is DATABASE_URL right, and is that server running?'
        : error instanceof Error
          ? error.message
          : String(error);
  console.error(`Fennot cannot start: ${said}`);
  process.exit(1);
});
