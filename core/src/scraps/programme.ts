import type { ScrapsAsk } from './ask.ts';

/** What a square more is worth against an even spread of the colours, and against a round like the one below it. */
const SQUARE = 1000;
const ALIKE = 20;

/**
 * The problem as an integer programme. k_r_y says how many squares have yarn y in round r: in each round as many as there
 * are squares, and no more of a yarn than there is. As many squares as can be come first; then as few as can be with two
 * rounds alike one over the other (more than n squares cannot keep a yarn in both); then, round by round, the commonest
 * colour as seldom as can be.
 */
export function programme({ wanted, need, yarns, last }: ScrapsAsk): string {
  const rounds = need.length;
  const k = (round: number, yarn: number) => `k_${round}_${yarn}`;
  const all = (list: readonly string[]) => list.join(' + ');
  const rows: string[] = [];
  const bounds = [`0 <= n <= ${wanted}`];
  const whole = ['n'];
  const worth = [`${SQUARE} n`];
  for (let r = 0; r < rounds; r++) {
    rows.push(`${all(yarns.map((_, y) => k(r, y)))} - n = 0`);
    whole.push(...yarns.map((_, y) => k(r, y)));
    const outermost = r === rounds - 1;
    // Where the last round is alike its colour is no matter of spread.
    if (outermost && last !== 'free') continue;
    worth.push(`- p_${r}`);
    rows.push(...yarns.map((_, y) => `p_${r} - ${k(r, y)} >= 0`));
  }
  for (let r = 0; r + 1 < rounds; r++)
    for (const y of yarns.keys()) {
      rows.push(`s_${r}_${y} - ${k(r, y)} - ${k(r + 1, y)} + n >= 0`);
      worth.push(`- ${ALIKE} s_${r}_${y}`);
    }
  for (const [y, { length }] of yarns.entries())
    rows.push(`${all(need.map((mm, r) => `${mm} ${k(r, y)}`))} <= ${length}`);
  const binary: string[] = [];
  if (last === 'alike') {
    binary.push(...yarns.map((_, y) => `z_${y}`));
    rows.push(`${all(binary)} = 1`);
    rows.push(...yarns.map((_, y) => `${k(rounds - 1, y)} - ${wanted} z_${y} <= 0`));
  } else if (last !== 'free') {
    for (const [y, { id }] of yarns.entries()) if (id !== last.yarn) bounds.push(`${k(rounds - 1, y)} = 0`);
  }
  return [
    'Maximize',
    ` obj: ${worth.join(' + ').replaceAll('+ -', '-')}`,
    'Subject To',
    ...rows.map((row, i) => ` r${i}: ${row}`),
    'Bounds',
    ...bounds.map((bound) => ` ${bound}`),
    'General',
    ` ${whole.join(' ')}`,
    ...(binary.length > 0 ? ['Binary', ` ${binary.join(' ')}`] : []),
    'End',
  ].join('\n');
}
