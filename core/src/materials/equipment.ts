import { z } from 'zod';

/** What a shop sprays and measures with: guns, compressors, cups, and set-ups of them that worked. */

const id = z.string().min(1).max(40);
const name = z.string().trim().min(1, 'needs a name').max(60, 'must be at most 60 characters');
const day = z.string().regex(/^\d{4}-\d{2}-\d{2}$/, 'must be a day like 2026-12-07');

export const GUN_KINDS = ['hvlp', 'lvlp', 'conventional'] as const;
export type GunKind = (typeof GUN_KINDS)[number];

/** Share of what leaves the gun that lands, percent (default by kind). */
export const TRANSFER_PERCENT_OF: Readonly<Record<GunKind | 'aerosol', number>> = {
  hvlp: 65,
  lvlp: 70,
  conventional: 40,
  aerosol: 45,
};

export const gunSchema = z.looseObject({
  id,
  name,
  kind: z.enum(GUN_KINDS),
  /** Fluid tips that it has. */
  tipsMm: z.array(z.number().min(0.3).max(6)).min(1, 'needs at least one tip').max(12),
  /** Fluid that leaves it with the trigger pulled. */
  flowMlPerMin: z.number().min(10).max(3000),
  /** Width of the fan on the panel at working distance. */
  fanMm: z.number().min(20).max(800),
  /** Share by which a pass lies on the one before. */
  overlapPercent: z.number().min(0).max(90).default(50),
  /** Free air that it takes, l/min. */
  airLPerMin: z.number().min(0).max(3000),
  cupMl: z.number().min(20).max(50_000),
  /** Share that lands, where the shop has measured it. */
  transferPercent: z.number().min(5).max(100).optional(),
  /** Film that its coats really have, of what their sheets say, where the shop has read it by the comb. */
  filmPercent: z.number().min(40).max(200).optional(),
});
export type Gun = z.infer<typeof gunSchema>;

export const compressorSchema = z
  .looseObject({
    id,
    name,
    /** Free air that it delivers, l/min; not what its pump draws in. */
    deliveryLPerMin: z.number().min(0).max(20_000),
    tankLitres: z.number().min(0).max(10_000),
    /** Pressure of the full tank, and the least at which the gun still sprays as set. */
    fromBar: z.number().min(0.5).max(20),
    toBar: z.number().min(0).max(20),
  })
  .refine(({ fromBar, toBar }) => fromBar > toBar, {
    path: ['toBar'],
    message: 'must be less than the pressure of the full tank',
  });
export type Compressor = z.infer<typeof compressorSchema>;

/** A block or board of the shop's own. */
export const shopBlockSchema = z.looseObject({
  id,
  name,
  lengthMm: z.number().min(60).max(800),
  widthMm: z.number().min(30).max(150),
  pad: z.enum(['hard', 'soft']),
  /** How far it sags on two supports 300 mm apart with 1 kg in its middle; a rigid one does not. */
  sagMm: z.number().min(0.1).max(100).optional(),
});
export type ShopBlock = z.infer<typeof shopBlockSchema>;

export const HEATER_KINDS = ['oven', 'lamp'] as const;
export const heaterSchema = z.looseObject({
  id,
  name,
  kind: z.enum(HEATER_KINDS),
  /** Hottest that it gets a panel. */
  mostCelsius: z.number().min(30).max(150),
});
export type Heater = z.infer<typeof heaterSchema>;

export const cupSchema = z.looseObject({
  id,
  name,
  bottomMm: z.number().min(5).max(1000),
  topMm: z.number().min(5).max(1000),
  heightMm: z.number().min(5).max(1000),
  /** A ratio that is printed on it, part by part, and what its first part holds up to line 1, ml. */
  printed: z
    .object({
      parts: z.array(z.number().positive().max(100)).min(2).max(4),
      lineMl: z.number().min(0.1).max(10_000),
      lines: z.number().int().min(1).max(50),
    })
    .optional(),
});
export type MixingCup = z.infer<typeof cupSchema>;

/** How a product was sprayed when it came out right. */
export const setupSchema = z.looseObject({
  id,
  sheetId: z.string().min(1).max(120),
  gunId: id,
  tipMm: z.number().min(0.3).max(6),
  reductionPercent: z.number().min(0).max(50).default(0),
  bar: z.number().min(0).max(10).optional(),
  distanceMm: z.number().min(20).max(600).optional(),
  celsius: z.number().min(-20).max(60),
  on: day,
  note: z.string().max(200).optional(),
});
export type GunSetup = z.infer<typeof setupSchema>;

const unique = <T extends { id: string }>(all: readonly T[]): boolean =>
  new Set(all.map((each) => each.id)).size === all.length;
const SAME_ID = 'two of them have the same id';

export const gunsSchema = z.array(gunSchema).max(60).refine(unique, SAME_ID);
export const compressorsSchema = z.array(compressorSchema).max(20).refine(unique, SAME_ID);
export const shopBlocksSchema = z.array(shopBlockSchema).max(20).refine(unique, SAME_ID);
export const heatersSchema = z.array(heaterSchema).max(20).refine(unique, SAME_ID);
export const cupsSchema = z.array(cupSchema).max(60).refine(unique, SAME_ID);
export const setupsSchema = z.array(setupSchema).max(500).refine(unique, SAME_ID);

/** Share that lands of what a gun sprays, percent: its own, else that of its kind. */
export const transferPercentOf = ({ transferPercent, kind }: Gun): number =>
  transferPercent ?? TRANSFER_PERCENT_OF[kind];

interface TipRange {
  readonly from: number;
  readonly to: number;
}

/** The tip of a gun for a sheet's range: the one nearest to its middle; without a range its first. */
export function tipFor({ tipsMm }: Pick<Gun, 'tipsMm'>, range: TipRange | undefined): number {
  if (!range) return tipsMm[0]!;
  const away = (tip: number): number => Math.abs(tip - (range.from + range.to) / 2);
  const isNearer = (tip: number, best: number): boolean =>
    away(tip) < away(best) || (away(tip) === away(best) && tip < best);
  return tipsMm.reduce((best, tip) => (isNearer(tip, best) ? tip : best));
}

/** The gun of a shop for a product: the first with a tip inside the sheet's range, else the one whose tip is next to it. */
export function gunFor(guns: readonly Gun[], range: TipRange | undefined): Gun | undefined {
  if (!range) return guns[0];
  const away = (gun: Gun): number => {
    const tip = tipFor(gun, range);
    return Math.max(range.from - tip, tip - range.to, 0);
  };
  const least = Math.min(...guns.map(away));
  return guns.find((gun) => away(gun) === least);
}

/** The gun that figures are for where a shop has entered none (default). */
const USUAL_GUN: Gun = {
  id: 'usual',
  name: 'usual HVLP gun',
  kind: 'hvlp',
  tipsMm: [1.3, 1.4, 1.6, 1.8, 2],
  flowMlPerMin: 200,
  fanMm: 250,
  overlapPercent: 50,
  airLPerMin: 350,
  cupMl: 600,
};

/** The guns of a shop; the usual one, with the shop's own transfer, where it has entered none. */
export const gunsOf = (guns: readonly Gun[] | undefined, usualTransferPercent: number): readonly Gun[] =>
  guns && guns.length > 0 ? guns : [{ ...USUAL_GUN, transferPercent: usualTransferPercent }];

export const isUsualGun = ({ id }: Gun): boolean => id === USUAL_GUN.id;
