import { writeFileSync } from 'node:fs';
import { documentJsonSchema } from '@fennot/core';

/** Writes the published JSON Schema of the file format anew: `npm run schema`. */
writeFileSync(
  new URL('../docs/fennot.bag.schema.json', import.meta.url),
  `${JSON.stringify(documentJsonSchema(), null, 2)}\n`,
);
