import type { ProductSheet } from '../materials/sheet.ts';
import { formatMinutes } from '../units/duration.ts';
import { formatQuantity, type UnitSystem } from '../units/quantities.ts';
import type { Source } from '../wording/reason.ts';
import type { Step } from './plan.ts';
import { placeWords } from './places.ts';

/** A step in words for a person: what to do, and with what. Screens, print and export share it. */

const TITLES: Record<Step['op'], (step: Step) => string> = {
  wash: () => 'Wash with soap',
  degrease: () => 'Degrease, two cloths',
  'antistatic-wipe': () => 'Wipe with plastic cleaner',
  mask: () => 'Mask, open edge at the primer',
  tack: () => 'Blow off and tack',
  abrade: (step) =>
    step.tool === 'block'
      ? 'Shape and finish the filler'
      : step.tool === 'machine-soft' || step.tool === 'wet-hand'
        ? 'Final sand'
        : 'Abrade',
  scuff: () => 'Dull edges and backs by pad',
  denib: () => 'Take off the nibs',
  block: () => 'Block the build',
  feather: () => 'Feather the edges',
  'strip-sand': () => 'Sand down to the substrate',
  'strip-chemical': () => 'Strip with paint stripper',
  'strip-blast': () => 'Blast to bare metal',
  'remove-rust': () => 'Take off the rust',
  fill: () => 'Fill the dent',
  glaze: () => 'Glaze the pinholes',
  'plastic-repair': () => 'Repair the break',
  'laminate-repair': () => 'Mend the laminate',
  'seam-seal': () => 'Seal the joint',
  'texture-coat': (step) => step.sheetName ?? 'Texture coat',
  'metal-repair': () => 'Bring the metal down',
  condition: () => 'Condition the pits, rinse, dry',
  'warm-out': () => 'Warm the dent out',
  promote: (step) => step.sheetName ?? 'Adhesion promoter',
  'prime-plastic': (step) => step.sheetName ?? 'Plastic primer',
  'prime-wet-on-wet': (step) => step.sheetName ?? 'Wet-on-wet primer',
  'prime-epoxy': (step) => step.sheetName ?? 'Epoxy',
  'prime-etch': (step) => step.sheetName ?? 'Etch primer',
  'prime-dtm': (step) => step.sheetName ?? 'Direct-to-metal build',
  'prime-build': (step) => step.sheetName ?? 'Build',
  seal: (step) => step.sheetName ?? 'Sealer',
  flash: () => 'Let it flash',
  cure: () => 'Let it cure',
  'guide-coat': () => 'Guide coat',
  'remove-part': () => 'Take parts off',
  temper: () => 'Temper the part',
  test: (step) => (step.why.some(({ rule }) => rule === 'P7') ? 'Try masking tape' : 'Rub with thinner'),
  inspect: (step) =>
    step.why.some(({ rule }) => rule === 'GP3') ? 'Look for pinholes again' : 'Check the old filler',
  'hand-over': () => 'Hand over to base',
};

/** An operation by itself, where no step says more: what a list of operations offers. */
export const OP_LABELS: Record<Step['op'], string> = {
  'remove-part': 'take parts off',
  wash: 'wash',
  degrease: 'degrease',
  'antistatic-wipe': 'wipe with plastic cleaner',
  mask: 'mask',
  tack: 'blow off and tack',
  test: 'test',
  inspect: 'inspect',
  temper: 'temper plastic',
  'strip-sand': 'strip by machine',
  'strip-chemical': 'strip with paint stripper',
  'strip-blast': 'strip by blasting',
  'remove-rust': 'take off rust',
  abrade: 'abrade',
  scuff: 'scuff by pad',
  feather: 'feather the edges',
  fill: 'fill',
  glaze: 'glaze',
  'plastic-repair': 'repair plastic',
  'laminate-repair': 'mend the laminate',
  'seam-seal': 'seal a joint',
  'texture-coat': 'texture coat',
  'metal-repair': 'repair metal',
  condition: 'condition pitted metal',
  'warm-out': 'warm a dent out',
  promote: 'adhesion promoter',
  'prime-epoxy': 'epoxy',
  'prime-etch': 'etch primer',
  'prime-dtm': 'direct-to-metal build',
  'prime-plastic': 'plastic primer',
  'prime-wet-on-wet': 'wet-on-wet primer',
  'prime-build': 'high-build',
  seal: 'sealer',
  flash: 'let it flash',
  cure: 'let it cure',
  'guide-coat': 'guide coat',
  block: 'block',
  denib: 'denib',
  'hand-over': 'hand over to base',
};

const TOOL_WORDS: Record<NonNullable<Step['tool']>, string> = {
  block: 'block',
  hand: 'hand',
  machine: 'machine',
  'machine-soft': 'soft pad',
  'wet-hand': 'wet, by hand',
  'pad-fine': 'fine pad',
  'pad-ultra-fine': 'ultra-fine pad and paste',
};

export const stepTitle = (step: Step): string => TITLES[step.op](step);

const coatsText = (coats: number): string => `${coats} ${coats === 1 ? 'coat' : 'coats'}`;

/** "2 coats on B, 3 coats on chips in C" where areas get different numbers; undefined where they do not. */
function coatsByZone(step: Step): string | undefined {
  if (!step.coatsByZone) return undefined;
  const areas = Object.entries(step.coatsByZone);
  const numbers = [...new Set(areas.map(([, coats]) => coats))].sort((a, b) => a - b);
  return numbers
    .map((coats) => {
      const where = areas.filter(([, own]) => own === coats).map(([area]) => area);
      return `${coatsText(coats)} on ${placeWords(where)}`;
    })
    .join(', ');
}

/** The figure that a list shows beside the title, with where it comes from; null where there is none. */
export function stepFigure(
  step: Step,
  system: UnitSystem,
): { readonly text: string; readonly source: Source } | null {
  if (step.grits) return { text: step.grits.join(' › '), source: step.sources['grit'] ?? 'default' };
  if (step.coats !== undefined)
    return {
      text: coatsText(step.coats),
      source: step.sources['coats'] ?? 'sheet',
    };
  if (step.filmUm !== undefined)
    return { text: formatQuantity('Um', step.filmUm, system), source: step.sources['filmUm'] ?? 'sheet' };
  return null;
}

/** With what the step is done: product, film, grades and tool, in one line; empty where bare hands do. */
export function stepMeans(step: Step, system: UnitSystem): string {
  const parts = [
    step.coats === undefined && step.sheetName ? step.sheetName : '',
    step.coats === undefined ? '' : (coatsByZone(step) ?? coatsText(step.coats)),
    step.filmUm === undefined
      ? ''
      : `${step.coatsByZone ? 'up to ' : ''}${formatQuantity('Um', step.filmUm, system)} dry`,
    step.toneL === undefined ? '' : `grey ${step.toneL} of 100`,
    step.grits ? step.grits.join(' › ') : '',
    step.tool ? TOOL_WORDS[step.tool] : '',
  ];
  return parts.filter(Boolean).join(', ');
}

/** "Mix 4 base : 1 hardener : 0.5 thinner", by parts of what sets it off; "2 % hardener" for pastes; empty for one-packs. */
function mixText({ components, hardenerPercent }: ProductSheet): string {
  if (hardenerPercent) return `${hardenerPercent.usual} % hardener`;
  const [, hardener] = components;
  if (!hardener) return '';
  const partsOf = (parts: number): number => Math.round((parts / hardener.parts) * 100) / 100;
  return `Mix ${components.map(({ parts, name }) => `${partsOf(parts)} ${name}`).join(' : ')}`;
}

/** "Mix 4 build base : 1 hardener : 1 thinner; tip 1.6 to 1.8 mm; pot life 1 h": how a product is made ready; empty without. */
export function stepMix(step: Step, sheet: ProductSheet | undefined): string {
  if (!sheet) return '';
  const { tipMm } = sheet;
  const pot = step.clocks.find(({ kind }) => kind === 'pot-life');
  const induction = step.clocks.find(({ kind }) => kind === 'induction');
  const parts = [
    mixText(sheet),
    induction ? `let it stand ${formatMinutes(induction.opensAtMin - step.startMin)}` : '',
    tipMm ? `tip ${tipMm.from} to ${tipMm.to} mm` : '',
    pot?.closesAtMin === undefined ? '' : `pot life ${formatMinutes(pot.closesAtMin - step.startMin)}`,
  ];
  return parts.filter(Boolean).join('; ');
}
