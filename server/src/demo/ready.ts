import { type BagDraft, READY_FABRICS, readyRows } from '@fennot/core';

type YarnDraft = BagDraft['yarns'][number];

/** The ringers' colours. */
export const COLOURS = {
  peat: ['Peat', '#4d3d31'],
  lichen: ['Lichen', '#c6d1b0'],
  marigold: ['Marigold', '#e8ad1c'],
  kingfisher: ['Kingfisher', '#17768a'],
  loosestrife: ['Loosestrife', '#a1386f'],
  reed: ['Reed', '#5f8a50'],
  rust: ['Rust', '#b3572f'],
  foam: ['Foam', '#edefe4'],
  ink: ['Ink', '#2a3550'],
} as const;
export type Colour = keyof typeof COLOURS;

export const YARNS = {
  tollbar: { name: 'Tollbar Cotton DK', weight: 3, fibre: 'cotton', ball: { grams: 50, metres: 115 } },
  staithe: { name: 'Staithe Aran', weight: 4, fibre: 'wool', ball: { grams: 100, metres: 180 } },
  quern: { name: 'Quern Chunky', weight: 5, fibre: 'cotton jersey', ball: { grams: 250, metres: 95 } },
  eelgrass: {
    name: 'Eelgrass 4-ply',
    weight: 1,
    fibre: 'linen and cotton',
    ball: { grams: 50, metres: 170 },
  },
  sluice: { name: 'Sluice Acrylic Aran', weight: 4, fibre: 'acrylic', ball: { grams: 100, metres: 190 } },
} as const;

/** One of the stash's yarns in several colours; each goes by its colour's name. */
export const yarns = (yarn: keyof typeof YARNS, ...colours: Colour[]): YarnDraft[] =>
  colours.map((colour) => {
    const [colourName, hex] = COLOURS[colour];
    return { id: colour, ...YARNS[yarn], colourName, colour: hex };
  });

/** A fabric that Fennot has ready, in US terms. */
export const readyFabric = (id: string): NonNullable<BagDraft['fabrics']>[number] => {
  const ready = READY_FABRICS.find((one) => one.id === id);
  if (!ready) throw new Error(`There is no ready fabric ${id}.`);
  return { id, name: ready.name, terms: 'us', rows: readyRows(ready, 'us') };
};

type ColourwayDraft = BagDraft['motifs'][number]['colourways'][number];

/** Colourways of a motif, each named after its heart: colours of the rounds from the centre out. */
export const colourways = (...ways: Colour[][]): ColourwayDraft[] =>
  ways.map((rounds, i) => ({
    id: `c${i + 1}`,
    name: `${COLOURS[rounds[0] ?? 'foam'][0]} heart ${i + 1}`,
    rounds,
  }));
