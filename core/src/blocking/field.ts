import type { SandedMaterial } from '../materials/sanded-material.ts';

/**
 * A panel as cells: heights over its own shape, and the maps of film, guide coat and scratch that lie on it.
 * Cells run along the panel's length first; all heights and thicknesses in µm, all lengths in mm.
 */
export interface Field {
  readonly nx: number;
  readonly ny: number;
  readonly cellMm: number;
  /** Height of the surface, guide coat included. */
  readonly topUm: Float32Array;
  /** The shape that the panel should have: crown and body line. */
  readonly shapeUm: Float32Array;
  readonly filmUm: Float32Array;
  readonly guideUm: Float32Array;
  /** Depth of the open scratch. */
  readonly scratchUm: Float32Array;
  readonly film: SandedMaterial;
  /** What shows when the film is through. */
  readonly under: SandedMaterial;
  /** Height across the panel at which a body line runs along it; null without one. */
  readonly lineMm: number | null;
}

/** Waves over the panel: `um` from crest to trough in their worst direction, slantwise, over one length. */
export interface Waves {
  readonly um: number;
  readonly lengthMm: number;
}

/** A high (or with negative height a low) that nobody sees: a round bump. */
export interface Bump {
  readonly xMm: number;
  readonly yMm: number;
  readonly um: number;
  /** Distance from its middle at which it has fallen to 0.6 of its height. */
  readonly reachMm: number;
}

export interface FieldSpec {
  readonly lengthMm: number;
  readonly heightMm: number;
  readonly cellMm: number;
  /** Radius of the crown along the length; absent on a flat panel. */
  readonly radiusMm?: number;
  readonly waves?: readonly Waves[];
  readonly bumps?: readonly Bump[];
  /** A ridge along the panel: where it runs, how high it is and how wide. */
  readonly bodyLine?: { readonly yMm: number; readonly um: number; readonly widthMm: number };
  readonly filmUm: number;
  /** Orange peel of the film, crest to trough. */
  readonly peelUm?: number;
  readonly film?: SandedMaterial;
  readonly under?: SandedMaterial;
  readonly guideUm?: number;
  /** Numbers in [0, 1) for the place of waves and the texture of peel. */
  readonly random: () => number;
}

/** More cells than any panel on screen needs; what asks for more is refused. */
export const MOST_CELLS = 2_000_000;

/** Crown, body line and waves of a place; the first two are the shape the panel should have. */
interface Relief {
  readonly shapeAt: (xMm: number, yMm: number) => number;
  readonly wavesAt: (xMm: number, yMm: number) => number;
}

function reliefOf(spec: FieldSpec): Relief {
  const { lengthMm, radiusMm, bodyLine, waves = [], bumps = [], random } = spec;
  const rows = waves.map(({ um, lengthMm: waveMm }) => ({
    um,
    perMm: (2 * Math.PI) / waveMm,
    alongAt: random() * 2 * Math.PI,
    acrossAt: random() * 2 * Math.PI,
  }));
  return {
    shapeAt: (xMm, yMm) => {
      const crown = radiusMm ? (-((xMm - lengthMm / 2) ** 2) / (2 * radiusMm)) * 1000 : 0;
      const line = bodyLine
        ? bodyLine.um * Math.exp(-(((yMm - bodyLine.yMm) / (bodyLine.widthMm / 2)) ** 2))
        : 0;
      return crown + line;
    },
    wavesAt: (xMm, yMm) => {
      let um = 0;
      for (const { um: height, perMm, alongAt, acrossAt } of rows)
        um += (height / 4) * (Math.sin(perMm * xMm + alongAt) + Math.sin(perMm * yMm + acrossAt));
      for (const bump of bumps) {
        const away = ((xMm - bump.xMm) ** 2 + (yMm - bump.yMm) ** 2) / bump.reachMm ** 2;
        um += bump.um * Math.exp(-away / 2);
      }
      return um;
    },
  };
}

/**
 * A panel of cells from its description.
 * @throws {RangeError} when the size is not above zero or needs more than MOST_CELLS
 */
export function makeField(spec: FieldSpec): Field {
  const { lengthMm, heightMm, cellMm, filmUm, peelUm = 0, guideUm = 0, random } = spec;
  const [nx, ny] = [Math.round(lengthMm / cellMm), Math.round(heightMm / cellMm)];
  if (!(nx >= 1 && ny >= 1)) throw new RangeError('a panel needs a length and a height above 0 mm');
  if (nx * ny > MOST_CELLS) throw new RangeError(`${nx} x ${ny} cells are too many; take larger cells`);
  const map = (): Float32Array => new Float32Array(nx * ny);
  const field: Field = {
    nx,
    ny,
    cellMm,
    topUm: map(),
    shapeUm: map(),
    filmUm: map(),
    guideUm: map(),
    scratchUm: map(),
    film: spec.film ?? 'primer',
    under: spec.under ?? 'filler',
    lineMm: spec.bodyLine?.yMm ?? null,
  };
  const { shapeAt, wavesAt } = reliefOf(spec);
  for (let y = 0, i = 0; y < ny; y++)
    for (let x = 0; x < nx; x++, i++) {
      const [xMm, yMm] = [(x + 0.5) * cellMm, (y + 0.5) * cellMm];
      const shape = shapeAt(xMm, yMm);
      const film = Math.max(0, filmUm + peelUm * (random() - 0.5));
      field.shapeUm[i] = shape;
      field.filmUm[i] = film;
      field.guideUm[i] = guideUm;
      field.topUm[i] = shape + wavesAt(xMm, yMm) + film + guideUm;
    }
  return field;
}

/** Dusts guide coat over the whole panel again. */
export function dustGuideCoat(field: Field, guideUm: number): void {
  const { topUm, guideUm: guide } = field;
  for (let i = 0; i < guide.length; i++) {
    topUm[i]! += guideUm - guide[i]!;
    guide[i] = guideUm;
  }
}

/** A copy that can be sanded without touching the original. */
export const copyOf = (field: Field): Field => ({
  ...field,
  topUm: field.topUm.slice(),
  shapeUm: field.shapeUm.slice(),
  filmUm: field.filmUm.slice(),
  guideUm: field.guideUm.slice(),
  scratchUm: field.scratchUm.slice(),
});
