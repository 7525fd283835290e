import type { SchoolName } from '@blue-ledge/core';

/** What each school is about, in a word or two. */
export const SCHOOL_HEADS: Record<SchoolName, string> = {
  firstCoat: 'First coat on metal',
  filler: 'Filler',
  fillerFinish: 'Last filler grit',
  ecoat: 'E-coat',
  sealerCoats: 'Sealer',
  epoxySealer: 'Epoxy under the last coat',
  build: 'Build',
  rawPlasticSolvent: 'Solvent on raw plastic',
  plasticSystem: 'First coat on plastic',
  strip: 'Stripping',
  pace: 'Pace',
  finalSand: 'Last grit',
  guideCoat: 'Guide coat',
  firstTone: 'Tone of the first coat',
};
