import { must } from '../../geometry/index.ts';
import { type Control, motifChoice, squaresOfSize } from '../control/control.ts';
import { squareRounds } from '../control/control-kinds.ts';
import { defineFamily } from '../family.ts';
import { wrapRound } from '../wrap-round/index.ts';
import { buildOwn } from './build.ts';
import { ownEditor } from './editor.ts';
import { ownFromGraph } from './from-graph.ts';
import { MOST_PIECES, type Own, ownSchema } from './schema.ts';

export { ownFromGraph } from './from-graph.ts';
export { type Own, ownSchema };

export const own = defineFamily(ownSchema)({
  name: 'A net of your own',
  about: 'Lay squares and panels as you like, draw the folds, and say which edge meets which.',
  drawing: {
    pieces: 'M14 8h14v14H14zM28 8h14v14H28zM28 22h14v14H28zM42 22h14v14H42z',
    folds: 'M28 36h14v14H28zM14 22h14v14H14z',
  },
  deep: false,
  ofMotifs: true,
  build: buildOwn,
  settle: (params) => params,
  controls: (params, materials, choices): Control<Own>[] => [
    {
      kind: 'choice',
      id: 'grid',
      label: 'Pieces lie',
      value: params.grid,
      options: [
        { value: 'straight', label: 'Straight' },
        { value: 'point', label: 'On point' },
      ],
      // Folds run across other places of the other grid.
      set: (grid) =>
        grid === params.grid
          ? params
          : { ...params, grid: grid === 'point' ? 'point' : 'straight', folds: [], pairs: [] },
    },
    ...motifChoice(params.motif, choices, (motif): Own => ({ ...params, motif })),
    ...squareRounds(params, materials, (rounds): Own => ({ ...params, rounds })),
  ],
  editor: ownEditor,
  begin: (size, body, materials) => {
    const motif = body.of === 'motifs' ? body.motif : must(materials.anyMotif(), 'square');
    const swatch = materials.stripSwatch();
    const squares = squaresOfSize({ width: size.width, height: size.height * 2 }, motif, materials);
    // Both faces one above the other, and not more squares than a table holds.
    const most = 2 * Math.floor(MOST_PIECES / squares.columns / 2);
    const rows = Math.min(most, 2 * Math.max(1, Math.round(squares.rows / 2)));
    const sheet = wrapRound.build(
      {
        family: 'wrap-round',
        laid: 'folded',
        bottom: 'seam',
        sides: 'joins',
        body: { ...squares, rows },
      },
      materials,
    );
    const begun = ownFromGraph(sheet, swatch, materials);
    return (
      begun ?? {
        family: 'own',
        motif,
        rounds: squares.rounds,
        swatch,
        grid: 'straight',
        cells: [{ x: 0, y: 0, of: 'square' }],
        folds: [],
        pairs: [],
      }
    );
  },
});
