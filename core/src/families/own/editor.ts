import { type BagGraph, checkGraph, type Piece, pieceIndex } from '../../bag/index.ts';
import { must, NOTHING, outwardNormal, UnionFind } from '../../geometry/index.ts';
import type { NetEditor } from '../control/net-editor.ts';
import type { Materials } from '../layout/materials.ts';
import { type Border, freeBorders, meetings } from '../layout/meet.ts';
import { buildOwn } from './build.ts';
import { type CellEdge, cellKey, edgeKey, type NetFold, type Own, SIDES } from './schema.ts';
import { foldAt, type Table, tableBox, tableOf } from './table.ts';

const NEIGHBOURS = [
  [0, -1],
  [1, 0],
  [0, 1],
  [-1, 0],
] as const;

/** Everything that can be done to the net as it lies. */
export function ownEditor(params: Own, materials: Materials): NetEditor<Own> {
  const table = tableOf(params, materials);
  const graph = buildOwn(params, materials);
  const names = new Map(graph.pieces.map(({ id, name }) => [id, name]));
  const free = freeEdges(params);
  const partners = new Map<string, string>();
  for (const { a, b } of params.pairs) partners.set(edgeKey(a), edgeKey(b)).set(edgeKey(b), edgeKey(a));
  const byId = new Map(free.map((edge) => [edgeKey(edge), edge]));
  const without = (id: string) => params.pairs.filter(({ a, b }) => edgeKey(a) !== id && edgeKey(b) !== id);
  const suggestions = onlyPartners(params, graph);
  const nameOf = (cell: { readonly x: number; readonly y: number }) =>
    must(names.get(cellKey(cell)), `piece at ${cellKey(cell)}`);
  return {
    spots: spotsBeside(params).map((cell) => ({
      id: cellKey(cell),
      outline: table.outline(cell),
      add: (of) => ({ ...params, cells: [...params.cells, { ...cell, of }] }),
    })),
    pieces: params.cells.map((cell) => ({
      id: cellKey(cell),
      name: nameOf(cell),
      of: cell.of,
      outline: table.outline(cell),
      take:
        params.cells.length > 1
          ? () => ({
              ...params,
              cells: params.cells.filter((one) => one !== cell),
              pairs: params.pairs.filter(
                ({ a, b }) => cellKey(a) !== cellKey(cell) && cellKey(b) !== cellKey(cell),
              ),
            })
          : undefined,
      turn: () => ({
        ...params,
        cells: params.cells.map((one) =>
          one === cell ? { ...cell, of: cell.of === 'square' ? 'panel' : 'square' } : one,
        ),
      }),
    })),
    folds: foldLines(params, table),
    edges: free.map((edge) => {
      const [from, to] = table.edge(edge);
      return {
        id: edgeKey(edge),
        name: `${nameOf(edge)}, ${must(SIDES[params.grid][edge.side], 'side')} edge`,
        from,
        to,
        partner: partners.get(edgeKey(edge)),
      };
    }),
    clear: () => ({ ...params, cells: [{ x: 0, y: 0, of: 'square' }], folds: [], pairs: [] }),
    pair: (one, other) => {
      const [a, b] = [byId.get(one), byId.get(other)];
      if (!a || !b) return params;
      const kept = without(one).filter(({ a: p, b: q }) => edgeKey(p) !== other && edgeKey(q) !== other);
      return { ...params, pairs: [...kept, { a, b }] };
    },
    part: (edge) => ({ ...params, pairs: without(edge) }),
    suggested: {
      many: suggestions.length,
      close: () => ({ ...params, pairs: [...params.pairs, ...suggestions] }),
    },
    problems: problemsOf(params, graph),
  };
}

/** Edges of cells with no neighbour beyond. */
function freeEdges({ cells }: Own): CellEdge[] {
  const there = new Set(cells.map(cellKey));
  return cells.flatMap(({ x, y }) =>
    NEIGHBOURS.flatMap(([dx, dy], side) =>
      there.has(cellKey({ x: x + dx, y: y + dy })) ? [] : [{ x, y, side }],
    ),
  );
}

/** Empty places that touch a piece, and those one further on, where a part of its own may begin. */
function spotsBeside({ cells }: Own): Array<{ x: number; y: number }> {
  const there = new Set(cells.map(cellKey));
  const spots = new Map<string, { x: number; y: number }>();
  for (const { x, y } of cells) {
    for (const [dx, dy] of NEIGHBOURS) {
      for (const far of [1, 2]) {
        const spot = { x: x + far * dx, y: y + far * dy };
        if (!there.has(cellKey(spot))) spots.set(cellKey(spot), spot);
      }
    }
  }
  return [...spots.values()];
}

/** Every line a fold may lie on, with the fold that is there; a little longer than the net. */
function foldLines(params: Own, table: Table): NetEditor<Own>['folds'] {
  const box = tableBox(params, table);
  const reach = Math.min(table.half.upright, table.half.level) * 0.4;
  return (['upright', 'level'] as const).flatMap((lies) => {
    const [low, high] = lies === 'upright' ? [box.left, box.right] : [box.low, box.high];
    const half = table.half[lies];
    const first = Math.ceil(low / half + NOTHING);
    const last = Math.floor(high / half - NOTHING);
    return Array.from({ length: Math.max(0, last - first + 1) }, (_, i) => {
      const at = first + i;
      const own = params.folds.find((fold) => fold.lies === lies && fold.at === at);
      const where = foldAt({ at, lies }, table);
      const others = params.folds.filter((fold) => fold !== own);
      const angle: NetFold['angle'] | undefined =
        own === undefined ? 180 : own.angle === 180 ? 90 : undefined;
      return {
        id: `${lies}/${at}`,
        from: lies === 'upright' ? { x: where, y: box.low - reach } : { x: box.left - reach, y: where },
        to: lies === 'upright' ? { x: where, y: box.high + reach } : { x: box.right + reach, y: where },
        angle: own?.angle,
        next: (): Own => ({
          ...params,
          folds: angle === undefined ? others : [...others, { lies, at, angle }],
        }),
      };
    });
  });
}

/** Edges that look up on the made-up bag are its opening. */
const UP = 0.3;

/** Pairs of free edges that come together when the net is folded, neither of which could meet another. */
function onlyPartners(params: Own, graph: BagGraph): Own['pairs'] {
  const piece = pieceIndex(graph);
  const taken = graph.seams.flatMap(({ a, b }) => [a, b]);
  const free = freeBorders(graph.pieces, graph.facets, taken).filter((border) => !looksUp(border, piece));
  const met = meetings(free, (a, b) => a.facet !== b.facet);
  const cells = new Map(params.cells.map((cell) => [cellKey(cell), cell]));
  const edgeOf = ({ interval }: Border): CellEdge | undefined => {
    const cell = cells.get(interval.piece);
    return cell && { x: cell.x, y: cell.y, side: interval.edge };
  };
  const partners = new Map<string, Map<string, { a: CellEdge; b: CellEdge }>>();
  for (const { a, b } of met) {
    const [p, q] = [edgeOf(a), edgeOf(b)];
    if (!p || !q) continue;
    for (const [one, other] of [
      [p, q],
      [q, p],
    ] as const) {
      const own = partners.get(edgeKey(one)) ?? new Map<string, { a: CellEdge; b: CellEdge }>();
      partners.set(edgeKey(one), own.set(edgeKey(other), { a: p, b: q }));
    }
  }
  const pairs = new Map<string, { a: CellEdge; b: CellEdge }>();
  for (const [one, others] of partners) {
    const [only] = [...others];
    if (others.size !== 1 || !only || partners.get(only[0])?.size !== 1) continue;
    pairs.set([one, only[0]].sort().join(' '), only[1]);
  }
  return [...pairs.values()];
}

function looksUp({ interval, facet }: Border, piece: (id: string) => Piece): boolean {
  const own = piece(interval.piece);
  const [p, q] = [own.outline[interval.edge], own.outline[(interval.edge + 1) % own.outline.length]];
  if (!p || !q || !facet) return false;
  const out = outwardNormal(p, q);
  return out.x * facet.motion.u.y + out.y * facet.motion.v.y > UP;
}

/** What keeps the net from being a bag, in words. */
function problemsOf({ cells }: Own, graph: BagGraph): string[] {
  const problems: string[] = [];
  const parts = partsOf(graph);
  if (parts > 1)
    problems.push(
      `The net lies in ${parts} parts that nothing joins: pair an edge of one with an edge of another.`,
    );
  else if (graph.rims === 0) problems.push('Every edge is closed: the bag has no opening.');
  else if (graph.rims > 1)
    problems.push(`The bag has ${graph.rims} openings: close all but one, or keep them if you mean them.`);
  const apart = checkGraph(graph).filter(({ kind }) => kind === 'gap');
  const piece = pieceIndex(graph);
  const where = apart.slice(0, 3).flatMap(({ seam }) => {
    const own = graph.seams.find(({ id }) => id === seam);
    return own ? [`${piece(own.a.piece).name} and ${piece(own.b.piece).name}`] : [];
  });
  if (where.length > 0)
    problems.push(
      `Folded like this, edges that are paired do not come together: ${where.join('; ')}${apart.length > 3 ? ` and ${apart.length - 3} more` : ''}. Add or move a fold.`,
    );
  const doubled = cells.length - new Set(cells.map(cellKey)).size;
  if (doubled > 0) problems.push(`${doubled} pieces lie on top of others.`);
  return problems;
}

/** How many parts the seams leave the pieces in. */
function partsOf({ pieces, seams }: BagGraph): number {
  const groups = new UnionFind();
  const numbers = new Map(pieces.map(({ id }) => [id, groups.add()]));
  const numberOf = (id: string) => must(numbers.get(id), `piece ${id}`);
  for (const { a, b } of seams) groups.join(numberOf(a.piece), numberOf(b.piece));
  return new Set([...numbers.values()].map((number) => groups.find(number))).size;
}
