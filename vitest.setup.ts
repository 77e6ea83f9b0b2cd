import { createHash } from 'node:crypto';
import fc from 'fast-check';
import { beforeEach } from 'vitest';

// Properties take their examples from the state of the code: the same code has the same examples on every machine, and
// every commit has others. `FENNOT_SEED` says which instead.
beforeEach(({ task }) => {
  const text = `${process.env.FENNOT_SEED} ${task.file.name} ${task.name}`;
  fc.configureGlobal({
    ...fc.readConfigureGlobal(),
    seed: createHash('sha256').update(text).digest().readInt32LE(),
  });
});
