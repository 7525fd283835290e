import type { Defect } from '../operations/mishaps.ts';

/** Defects as a person at the panel knows them: their name, and what they look like. */
export const DEFECT_WORDS: Readonly<Record<Defect, { readonly title: string; readonly looks: string }>> = {
  'rub-through': { title: 'Rubbed through', looks: 'another layer’s colour shows after sanding or blocking' },
  sag: { title: 'Run or sag', looks: 'the coat hangs in a curtain or a drop' },
  'dust-nibs': { title: 'Dust nibs', looks: 'single hard points in the coat' },
  'orange-peel': { title: 'Orange peel', looks: 'an even skin of small hills' },
  'dry-spray': { title: 'Dry spray', looks: 'rough, sandy, dull' },
  fisheye: { title: 'Fisheyes', looks: 'round craters from which the coat drew back' },
  'solvent-pop': { title: 'Solvent pop', looks: 'many pinholes or tiny blisters' },
  'scratch-swelling': { title: 'Scratches show', looks: 'sanding scratches swell up through the coat' },
  'sink-back': { title: 'Sunk back', looks: 'the repair has sunk, or its outline shows as a ring' },
  'edge-mapping': { title: 'Edge shows', looks: 'the feathered edge draws a line' },
  lifting: { title: 'Lifting', looks: 'the coat wrinkles or lifts' },
  peeling: { title: 'Peeling', looks: 'the coat comes off in pieces, or with tape' },
  flaking: { title: 'Flaking', looks: 'it cracks off a part that bends' },
  'rust-bloom': { title: 'Rust bloom', looks: 'rust or dark spots on metal, or under the film' },
  'stain-through': { title: 'Stain', looks: 'a yellow or brown patch comes through' },
  'uneven-tone': { title: 'Uneven tone', looks: 'lighter and darker areas side by side' },
  'gummy-sanding': { title: 'Gummy', looks: 'it clogs the paper, a nail marks it' },
  'wrong-mix': { title: 'Wrong mix', looks: 'hardener forgotten, or far from its ratio' },
};
