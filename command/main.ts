import { resolve } from 'node:path';
import { homeAt } from './home.ts';
import { say, Told } from './told.ts';

/**
 * Fennot's one command, once its packages are there: `./fennot` sees to that, and runs this. Each part is loaded when
 * it is asked for: who stops a server need not load one.
 */
async function main([command = '', ...args]: readonly string[]): Promise<void> {
  if (command === 'count') return (await import('./count.ts')).printCount(args);
  if (command === 'plan') return (await import('./plan.ts')).printPlan(args);
  const home = homeAt(resolve(import.meta.dirname, '..'));
  switch (command) {
    case 'start':
      return (await import('./start.ts')).start(home, {
        empty: args.includes('--empty'),
        lan: args.includes('--lan'),
      });
    case 'stop':
      return (await import('./stop.ts')).stop(home);
    case 'backup':
      return (await import('./backup.ts')).backup(home, args[0]);
    case 'restore':
      return (await import('./backup.ts')).restore(home, args[0]);
    case 'dev':
      return (await import('./dev.ts')).develop(home, args);
    case 'bench':
      return (await import('./measure.ts')).measure(home);
    case 'test':
      return (await import('./test.ts')).runTests(home, args);
    default:
      throw new Told(`There is no command ${command}: see ./fennot help`);
  }
}

main(process.argv.slice(2)).catch((error: unknown) => {
  const why = error instanceof Error ? error.stack : String(error);
  say(error instanceof Told ? `Fennot: ${error.message}` : `Fennot: ${why}`);
  process.exit(1);
});
