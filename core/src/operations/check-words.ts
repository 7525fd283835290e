/** The checks that end a step, in the words in which they are done at the bench. */

/** Title of each check, and how it is made. */
export const CHECKS = {
  'water-break': ['Water runs off as one sheet', 'where it beads, something is still on it: clean again'],
  'tack-free': ['Tack cloth comes away clean', 'last wipe is one way, without pressing'],
  thumbnail: ['Thumbnail leaves no mark', 'press it in a hidden place'],
  fingertip: ['Gloved fingertip stays clean', 'touch masking or a hidden place, never the face'],
  'dust-gone': ['Guide coat is gone everywhere', 'dust that stays lies in a low: go on, or stop and fill'],
  'raking-light': ['Raking light shows no wave or scratch', 'from both sides, low over the panel'],
  pinholes: ['No pinholes', 'look close, in light from the side'],
  film: ['Film is read', 'five places, the edges and highs among them'],
  'test-card': ['Test card is right', 'on a card first: fan, wet film, no run; by brush, that it flows out'],
  'edges-flat': ['Edges feel flat by hand', 'flat of the hand across the edge: no step'],
  'bright-metal': ['Metal is bright all over', 'no dark spot of rust or old finish is left'],
  neutral: ['Rinsed and neutral', 'nothing of stripper or acid is left in seams'],
  'scratch-even': ['One scratch all over', 'no shine left, no coarser scratch between'],
  'no-nibs': ['No nibs, no runs', 'look in light from the side while it can still be put right'],
  key: ['Dull all over', 'shine is where the coat would let go'],
} as const satisfies Readonly<Record<string, readonly [title: string, how: string]>>;

export type CheckKind = keyof typeof CHECKS;
export const CHECK_KINDS = Object.keys(CHECKS) as [CheckKind, ...CheckKind[]];
