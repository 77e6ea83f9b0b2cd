/** How many of each thing a bag may have: more than anyone plans with, few enough to be drawn and saved at once. */
export const LIMITS = {
  contents: 30,
  yarns: 60,
  swatches: 30,
  motifs: 30,
  /** Panels by their rows, and the letters of one. */
  panels: 30,
  rowsText: 60_000,
  /** Fabrics by their rows, and bands that stripes repeat over. */
  fabrics: 30,
  bands: 60,
  colourways: 24,
  /** Rounds of a motif, and colours of a colourway. */
  rounds: 30,
  measured: 200,
  weighings: 200,
  /** Places laid by hand, those of counts that are no longer in the bag among them; and arrangements kept. */
  cellsKept: 1200,
  arrangements: 3,
  /** Characters. */
  name: 80,
  note: 4000,
  /** Squares or panels a sheet has along one side. */
  cells: 40,
  /** Stitches or rows of a panel. */
  stitches: 2000,
  /** Lines of a bag that are joined another way than the rest. */
  lines: 600,
  /** Stitches or rows of a panel that is worked as long as it takes. */
  worked: 6000,
  /** Loops along all edges of one bag: each is paired, and counted in the steps. */
  loops: 400_000,
  /** Pieces of one bag that are laid out and worked through after every edit. */
  pieces: 600,
} as const;
