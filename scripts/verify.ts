import { generated, type Subject, verify } from '../core/src/testing/verify/index.ts';
import { demoBags } from '../server/src/demo/index.ts';

/**
 * Holds every figure against another way of working it out, over all demo bags and generated ones: `npm run verify`,
 * `npm run verify -- 5000 7` for so many bags from that seed. Fails on any difference.
 */
const [many = '1200', seed = '10'] = process.argv.slice(2);
/** Differences shown for each check. */
const SHOWN = 12;

function* subjects(): Generator<Subject> {
  for (const document of demoBags()) yield { name: document.name, document };
  yield* generated(Number(many), Number(seed));
}

const outcomes = verify(subjects());
for (const { check, bags, differences } of outcomes) {
  console.log(
    `${differences.length === 0 ? '✓' : '✗'} ${check.name.padEnd(28)} ${bags} bags, ${differences.length} differences`,
  );
  console.log(`  ${check.how}`);
  for (const difference of differences.slice(0, SHOWN)) console.log(`    ${difference}`);
  if (differences.length > SHOWN) console.log(`    and ${differences.length - SHOWN} more`);
}
process.exitCode = outcomes.some(({ differences }) => differences.length > 0) ? 1 : 0;
