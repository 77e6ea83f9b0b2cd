import { drilled, type Row, sound } from './report.ts';

/** `npm run drill [TRIES] [WORD]`: what happens when things break, tried again and again, as a table. */
const [tries = '25', word] = process.argv.slice(2);
const HEAD = ['fault', 'tries', 'back', 'saved', 'lost', 'overwritten', 'broken', 'told', 'foreign touched'];

const line = (cells: readonly (string | number)[]) => `| ${cells.join(' | ')} |`;
const row = (own: Row) =>
  line([
    own.fault,
    own.tries,
    own.back,
    own.acknowledged,
    own.lost,
    own.overwritten,
    own.broken,
    own.told,
    own.foreign,
  ]);

console.log(line(HEAD));
console.log(line(HEAD.map(() => '---')));
const rows = await drilled(Number(tries), {
  ...(word ? { only: new RegExp(word) } : {}),
  told: (own) => {
    console.log(row(own));
    for (const wrong of own.wrong) console.log(`  wrong: ${wrong}`);
  },
});
process.exitCode = rows.every(sound) ? 0 : 1;
