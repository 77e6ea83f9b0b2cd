import { countProgram } from '../core/src/index.ts';

const c = (n: number, t: string, w?: number) => {
  const r = countProgram(`ch ${n}\nRow 1: ${n} sl st\nRow 2: ${t}`, {
    terms: 'us',
    turning: 'does-not-count',
    usual: 'low',
  });
  const l = r.rows[1];
  const bad = r.problems.length > 0 || (w !== undefined && l?.makes !== w);
  if (bad)
    console.log(
      `[${n}] ${t} -> uses ${l?.uses} makes ${l?.makes} want ${w}`,
      r.problems.map((p) => p.message),
    );
};
c(12, 'Ch 1, turn. Sc in first st and in each st across.', 12);
c(12, 'Turn, ch 1, sc in same st as turning ch, sc in each of the next 11 sts', 12);
c(12, '1 sc in each st', 12);
c(12, 'ch 1, 1sc in each sc to end, turn', 12);
c(12, 'sc 5, sc2tog, sc 5', 11);
c(12, '[sc in next 2 sts, 2 sc in next st] 4 times', 16);
c(12, '*Sc in next 2 sts, 2 sc in next st; rep from * around.', 16);
c(12, '*sc in next 3 sts, sc2tog; rep from * to last 2 sts, sc in last 2 sts', 10);
c(12, 'sc inc, 10 sc, sc inc', 14);
c(12, 'inc in first st, sc in next 10, inc in last st', 14);
c(12, '2 sc in first st, sc across to last st, 2 sc in last st', 14);
c(12, '2 sc in 1st st, sc to last st, 2 sc in last st', 14);
c(12, 'sc2tog, sc across to last 2 sts, sc2tog', 10);
c(12, 'skip first st, sc in next 11 sts', 11);
c(12, 'dc in next 3 sts, ch 2, sk 2 sts, dc in next 7 sts', 12);
c(12, 'sc in next 3 sts, ch 6, skip next 6 sts, sc in last 3 sts', 12);
c(12, 'sc 3, ch 6, skip 6, sc 3', 12);
c(12, 'sc in blo of each st across', 12);
c(12, 'working in back loops only, sc in each st across', 12);
c(12, 'BLO: sc across', 12);
c(12, 'sc in BLO across', 12);
c(12, 'hdc in third loop across', 12);
c(12, 'sl st loosely in each st across', 12);
c(12, 'FPdc around next st, BPdc around next st, repeat across', 12);
c(12, '*fpdc around next 3 sts, bpdc around next 3 sts; repeat from * to end', 12);
c(12, 'sc in each st across, changing to B in last st', 12);
c(12, 'sc across, change to color B', 12);
c(12, 'With B, sc across', 12);
c(12, 'sc in each st, fasten off', 12);
c(12, 'sc, hdc, dc, tr, dc, hdc, sc in next 6', 12);
c(12, '1 sc, 1 hdc, 2 dc, 1 hdc, 7 sc', 12);
c(12, '(sc, ch 1, sk 1) x 6', 12);
c(12, '(sc, ch 1, sk 1) six times', 12);
c(12, 'sc in next st, *ch 1, sk next st, sc in next st; rep from * to last st, sc in last st', 12);
c(12, '5-dc shell in next st, 11 sc', 16);
c(13, 'sc, *sk 2, 5 dc in next st, sk 2, sc in next; rep from * across', 13);
c(12, 'bobble in next st, sc in next st; repeat to end', 12);
c(12, 'sc in next 5 sts, bobble, sc in next 6 sts', 12);
c(12, '5 dc bobble in next st, 11 sc', 12);
c(12, 'dc3tog, 9 dc', 10);
c(12, 'dec over next 2 sts, 10 sc', 11);
c(12, 'inc x3, 9 sc', 15);
c(12, '3 inc, 9 sc', 15);
c(12, '6x inc, 6 sc', 18);
c(12, 'sc in each of next 5 sts, 2 sc in each of next 2 sts, sc in each of last 5 sts', 14);
c(12, 'sc evenly across', 12);
c(12, 'join yarn with sl st in 3rd st, sc in next 9 sts, leave rem sts unworked', undefined);
c(12, 'sl st in first 3 sts, sc in next 6 sts, leave last 3 sts unworked', 9);
c(12, 'sl st over 3 sts, sc 6, leave 3', 9);
c(12, 'Sc across to last 3 sts, turn, leaving rem 3 sts unworked', 9);
c(12, 'half double crochet in each stitch across', 12);
c(12, 'extended sc across', 12);
c(12, 'dtr across', 12);
c(12, 'crab stitch across', 12);
c(12, 'rsc across', 12);
c(12, 'moss st across', 12);
c(12, 'sc across 12 sts', 12);
c(12, '12 sc. (12 sts)', 12);
c(12, '12 sc --- 12 sts', 12);
c(12, '12 sc. 12 sts.', 12);
c(12, '12 sc - 12', 12);
c(12, 'sc x 12', 12);
c(12, 'sc ×12', 12);
c(12, 'x sc in each', 12);
c(12, '(2sc, inc)*4', 16);
c(12, '2sc, inc, repeat around', 16);
c(12, '2 sc, inc; rep 4 times', 16);
c(12, '{sc, inc} x 6', 18);
c(12, 'sc in ea st', 12);
c(12, 'hdc in ea of next 12 sts', 12);
c(12, '1 dc, (1 ch, miss 1, 1 dc) to last st, dc in last st', 12);
