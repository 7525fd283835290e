import type { ProductSheet } from '../materials/sheet.ts';
import { rowOf } from '../operations/table.ts';
import { formatMinutes } from '../units/duration.ts';
import { formatQuantity, type UnitSystem } from '../units/quantities.ts';
import type { Source } from '../wording/reason.ts';
import type { Step } from './plan.ts';
import { placeWords } from './places.ts';

/** A step in words for a person: what to do, and with what. Screens, print and export share it. */

const TOOL_WORDS: Record<NonNullable<Step['tool']>, string> = {
  block: 'block',
  hand: 'hand',
  machine: 'machine',
  'machine-soft': 'soft pad',
  'wet-hand': 'wet, by hand',
  'pad-fine': 'fine pad',
  'pad-ultra-fine': 'ultra-fine pad and paste',
};

/** What to do, in a few words: by its product where an operation is called by that. */
export function stepTitle(step: Step): string {
  const { title, isCalledByProduct } = rowOf(step.op);
  if (isCalledByProduct && step.sheetName !== undefined) return step.sheetName;
  return typeof title === 'string' ? title : title(step);
}

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
  const { inductionMin = 0 } = sheet;
  // From when it was mixed: the step may begin earlier, with the gun that is washed before it.
  const potLifeMin = pot?.closesAtMin && pot.closesAtMin - (pot.opensAtMin - inductionMin);
  const parts = [
    mixText(sheet),
    inductionMin > 0 ? `let it stand ${formatMinutes(inductionMin)}` : '',
    tipMm ? `tip ${tipMm.from} to ${tipMm.to} mm` : '',
    potLifeMin === undefined ? '' : `pot life ${formatMinutes(potLifeMin)}`,
  ];
  return parts.filter(Boolean).join('; ');
}
