import { shownCode } from '@fennot/core';
import closeWithGrace from 'close-with-grace';
import { readConfig } from './config.ts';
import { serve, whyNot } from './serve.ts';

/** So long open requests are given to end when the server is stopped, ms. */
const PATIENCE = 10_000;

/** Serves on a database that is there; a failure is told in one sentence. `./fennot start` does more around it. */
async function main(): Promise<void> {
  const config = readConfig(process.env);
  const serving = await serve(config);
  closeWithGrace({ delay: PATIENCE }, async ({ err }) => {
    if (err) serving.app.log.error(err);
    await serving.close();
  });
  console.log(`Fennot is open at ${[serving.url, ...serving.addresses].join(', ')}`);
  if (serving.claim !== undefined) console.log(`Code for the first account: ${shownCode(serving.claim)}`);
}

main().catch((error: unknown) => {
  console.error(`Fennot cannot start: ${whyNot(error, Number(process.env.FENNOT_PORT ?? 4680))}`);
  process.exit(1);
});
