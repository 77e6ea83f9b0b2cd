/** The schools of joining order. */
export const SCHOOLS = ['lines', 'long', 'strips', 'as-you-go', 'fewest'] as const;
export type School = (typeof SCHOOLS)[number];

export const schoolName: Record<School, string> = {
  lines: 'All lines one way, then across',
  long: 'Long seams of the made-up bag',
  strips: 'Strips first',
  'as-you-go': 'As you go',
  fewest: 'Fewest ends',
};

export const schoolAbout: Record<School, string> = {
  lines: 'Long straight runs without cutting; the second direction hops over each crossing.',
  long: 'Straight on through every crossing, flat joins and closing ones in one: down a side, over the base, up the other.',
  strips: 'Squares into columns, one short join at a time, then the columns to each other.',
  'as-you-go':
    'No joining afterwards: each square is joined to its neighbours in its own last round. The order of the squares matters.',
  fewest: 'One yarn as far as it will go, turning corners where that saves an end.',
};
