import { measure } from '../bag/index.ts';
import { type BagDocument, choicesOf } from '../document/index.ts';
import { type Construction, familyOf } from '../families/index.ts';
import { withFeatures } from '../features/index.ts';
import { materialsOf, sizeTable } from '../fit/index.ts';
import { NOTHING } from '../geometry/index.ts';
import { type Ease, type LineMatch, lineMatches } from '../match/index.ts';
import { type Move, movesBetween } from './moves.ts';

/** One change that makes a line of seams come out. */
export interface Cure {
  /** The count or choice it changes, and from what to what. */
  readonly label: string;
  readonly from: string;
  readonly to: string;
  readonly construction: Construction;
  /** The line's ease after it. */
  readonly ease: Ease;
  /** What it does to the bag's measures, mm; only what moves. */
  readonly moves: readonly Move[];
}

/** Ease that does not show, per cent. */
const HIDDEN = 2;
/** Steps up and down each count is tried. */
const STEPS = 5;
const MOST_CURES = 4;

interface Tried {
  readonly cure: Cure;
  /** How far the count is moved, in steps; choices cost a little more than one step. */
  readonly cost: number;
}

/**
 * The cheapest changes after which a line's two sides differ by no more than can be hidden, and no other line is
 * worse off: every count of the construction is tried a few steps up and down, and every choice that makes a side
 * come out by itself. At most one change a count, the smallest first, then the one that moves the sizes least.
 */
export function curesFor(document: BagDocument, line: string): Cure[] {
  const materials = materialsOf(sizeTable(document), document);
  const build = (construction: Construction) => {
    const family = familyOf(familyOf(construction).settle(materials));
    const graph = withFeatures(family.build(materials), document.features ?? {}, materials);
    return { sizes: measure(graph), lines: lineMatches(graph) };
  };
  const now = build(document.construction);
  const find = (lines: readonly LineMatch[]) => lines.find((one) => one.line === line);
  const before = find(now.lines);
  if (!before || Math.abs(before.ease.percent) <= HIDDEN) return [];
  const worst = worstOthers(now.lines, line);
  const tried: Tried[] = [];
  const attempt = (label: string, from: string, to: string, construction: Construction, cost: number) => {
    const after = build(construction);
    const ease = find(after.lines)?.ease;
    if (!ease || Math.abs(ease.percent) > HIDDEN) return;
    if (worstOthers(after.lines, line) > Math.max(worst, HIDDEN) + NOTHING) return;
    const moves = movesBetween(now.sizes, after.sizes);
    tried.push({ cure: { label, from, to, construction, ease, moves }, cost });
  };
  const choices = choicesOf(document);
  for (const control of familyOf(document.construction).controls(materials, choices)) {
    if (control.kind === 'choice') {
      const { fits, options, value } = control;
      const name = (wanted: string) => options.find((option) => option.value === wanted)?.label ?? wanted;
      for (const fit of fits ?? [])
        if (fit !== value) attempt(control.label, name(value), name(fit), control.set(fit), 1.5);
      continue;
    }
    if (control.kind !== 'count') continue;
    for (let k = -STEPS; k <= STEPS; k++) {
      const value = control.value + k * control.step;
      if (k === 0 || value < control.min || value > control.max) continue;
      attempt(control.label, String(control.value), String(value), control.set(value), Math.abs(k));
    }
  }
  const moved = ({ cure }: Tried) => cure.moves.reduce((sum, { by }) => sum + Math.abs(by), 0);
  tried.sort((a, b) => a.cost - b.cost || moved(a) - moved(b));
  const labels = new Set<string>();
  return tried
    .filter(({ cure }) => !labels.has(cure.label) && labels.add(cure.label))
    .slice(0, MOST_CURES)
    .map(({ cure }) => cure);
}

/** The worst ease among all lines but one, per cent. */
const worstOthers = (lines: readonly LineMatch[], line: string): number =>
  Math.max(0, ...lines.filter((one) => one.line !== line).map(({ ease }) => Math.abs(ease.percent)));
