/** How closely the finished panel will be judged, from the least to the most. */
export const QUALITIES = ['economy', 'standard', 'show'] as const;
export type Quality = (typeof QUALITIES)[number];

/** The lower of two qualities. */
export const lowerQuality = (a: Quality, b: Quality): Quality =>
  QUALITIES.indexOf(a) <= QUALITIES.indexOf(b) ? a : b;
