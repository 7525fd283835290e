import type { Field } from '@blue-ledge/core';

/** A blocked panel as pixels, one a cell: under guide coat, or in raking light. */

export type FieldView = 'guide' | 'light';

type Colour = readonly [number, number, number];

/** Colours of the material code; what is through is striped besides, to be seen without colour. */
const FILM: Colour = [228, 209, 150];
const GUIDE: Colour = [43, 43, 43];
const UNDER: Partial<Record<Field['under'], Colour>> = { filler: [217, 162, 139], metal: [95, 108, 118] };
const UNDER_OTHER: Colour = [139, 119, 153];
const STRIPE: Colour = [166, 58, 34];
const FULL_GUIDE_UM = 3;
/** Raking light: grey of a level place, and how much a slope of one µm a mm turns it. */
const LEVEL_GREY = 150;
const GREY_PER_SLOPE = 90;
const STRIPE_CELLS = 6;

const isStripe = (x: number, y: number): boolean => (x + y) % STRIPE_CELLS < STRIPE_CELLS / 3;

function paintGuide(field: Field, into: Uint8ClampedArray): void {
  const { nx, ny, guideUm, filmUm } = field;
  const under = UNDER[field.under] ?? UNDER_OTHER;
  for (let y = 0, i = 0; y < ny; y++)
    for (let x = 0; x < nx; x++, i++) {
      const isThrough = filmUm[i]! <= 0;
      const base = !isThrough ? FILM : isStripe(x, y) ? STRIPE : under;
      const guide = Math.min(1, guideUm[i]! / FULL_GUIDE_UM) * 0.8;
      const at = 4 * i;
      into[at] = base[0] + guide * (GUIDE[0] - base[0]);
      into[at + 1] = base[1] + guide * (GUIDE[1] - base[1]);
      into[at + 2] = base[2] + guide * (GUIDE[2] - base[2]);
      into[at + 3] = 255;
    }
}

/** Light from the left, nearly along the panel: slopes that face it are bright. */
function paintLight(field: Field, into: Uint8ClampedArray): void {
  const { nx, ny, cellMm, topUm, guideUm, shapeUm } = field;
  for (let y = 0, i = 0; y < ny; y++)
    for (let x = 0; x < nx; x++, i++) {
      const left = x > 1 ? i - 2 : i;
      const right = x < nx - 2 ? i + 2 : i;
      const rise =
        topUm[right]! - guideUm[right]! - shapeUm[right]! - (topUm[left]! - guideUm[left]! - shapeUm[left]!);
      const grey = LEVEL_GREY + (GREY_PER_SLOPE * rise) / Math.max(1, (right - left) * cellMm);
      const at = 4 * i;
      into[at] = into[at + 1] = into[at + 2] = grey;
      into[at + 3] = 255;
    }
}

/** Paints a field into RGBA pixels; nothing is allocated. */
export const paintField = (field: Field, view: FieldView, into: Uint8ClampedArray): void =>
  view === 'guide' ? paintGuide(field, into) : paintLight(field, into);
