import { z } from 'zod';
import { standIn } from './stand-in.ts';

const settings = z
  .object({
    SCALE_NAME: z.string().default('Kitchen scale'),
    SCALE_PORT: z.coerce.number().int().min(0).max(65_535).default(0),
    SCALE_PAGE_PORT: z.coerce.number().int().min(0).max(65_535).default(0),
  })
  .parse(process.env);

const scale = await standIn({
  name: settings.SCALE_NAME,
  linePort: settings.SCALE_PORT,
  pagePort: settings.SCALE_PAGE_PORT,
});
// Whoever started it reads here where it is.
console.log(JSON.stringify({ linePort: scale.linePort, pagePort: scale.pagePort }));
// It ends with whoever started it, however that ends.
process.stdin.resume();
process.stdin.on('end', () => process.exit(0));
for (const signal of ['SIGTERM', 'SIGINT'] as const) process.on(signal, () => process.exit(0));
