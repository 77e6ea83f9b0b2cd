/** The three basic schools of joining order. */
export const SCHOOLS = ['lines', 'strips', 'fewest'] as const;
export type School = (typeof SCHOOLS)[number];

export const schoolName: Record<School, string> = {
  lines: 'All lines one way, then across',
  strips: 'Strips first',
  fewest: 'Fewest ends',
};

export const schoolAbout: Record<School, string> = {
  lines: 'Long straight runs without cutting; the second direction hops over each crossing.',
  strips: 'Squares into columns, one short join at a time, then the columns to each other.',
  fewest: 'One yarn as far as it will go, turning corners where that saves an end.',
};
