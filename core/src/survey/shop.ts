import { z } from 'zod';
import {
  compressorsSchema,
  cupsSchema,
  gunsSchema,
  heatersSchema,
  setupsSchema,
  shopBlocksSchema,
} from '../materials/equipment.ts';
import { PRODUCT_WORKS } from '../materials/product-work.ts';
import { TOOLS } from '../materials/tools.ts';
import { gradeText } from '../materials/grade-text.ts';
import { QUALITIES } from './qualities.ts';
import { schoolsSchema } from './schools.ts';
import { SHOP_TIME_FIELDS } from './shop-time.ts';
import { usualDaySchema } from './usual-day.ts';
import { shopRulesSchema } from './shop-rules.ts';
import { hexColor } from './zone.ts';

/** The shop as a plan sees it: climate, equipment by profile, its own rules and schools. */
export const shopSchema = z.looseObject({
  name: z.string().trim().max(80, 'must be at most 80 characters').optional(),
  profile: z.enum(['booth', 'garage']).default('booth'),
  celsius: z.number().min(-20).max(50).default(20),
  relativeHumidity: z.number().min(1).max(100).default(50),
  nightCelsius: z.number().min(-20).max(50).optional(),
  /** Air by the hour of a usual day; the day's and the night's figures hold where it does not say. */
  usualDay: usualDaySchema.optional(),
  rules: shopRulesSchema.default({}),
  schools: schoolsSchema.default({}),
  /** Grades that the shop keeps; all of them where it does not say. */
  stock: z.array(gradeText).min(2, 'needs at least two grades').max(60).optional(),
  /** Tools that it sands with; all of them where it does not say. */
  tools: z.array(z.enum(TOOLS)).min(1, 'needs at least one tool').max(TOOLS.length).optional(),
  /** What it sprays with, in the order in which it is taken; the usual HVLP gun where it does not say. */
  guns: gunsSchema.optional(),
  compressors: compressorsSchema.optional(),
  /** Ovens and lamps; a booth is taken to have heat where none is named, a garage to have none. */
  heaters: heatersSchema.optional(),
  /** What it blocks with; the blocks of a usual shop where it names none. */
  blocks: shopBlocksSchema.optional(),
  cups: cupsSchema.optional(),
  setups: setupsSchema.optional(),
  /** Work for which it has no product: no built-in sheet stands in. */
  noneOf: z.array(z.enum(PRODUCT_WORKS)).max(PRODUCT_WORKS.length).optional(),
  /** Currency of its prices, three letters (ISO 4217). */
  currency: z
    .string()
    .regex(/^[A-Z]{3}$/, 'must be three letters like EUR')
    .optional(),
  ...SHOP_TIME_FIELDS,
  /** Most solvent in a litre ready to spray that this shop may use, by its own local rules. */
  vocLimitGPerL: z.number().min(0).max(2000).optional(),
});

export type Shop = z.infer<typeof shopSchema>;

/** What a shop says of its air. */
export const shopAirSchema = shopSchema
  .pick({ celsius: true, relativeHumidity: true, nightCelsius: true, usualDay: true })
  .strip();
export type ShopAir = z.infer<typeof shopAirSchema>;

/** What the topcoat will be and how closely it will be judged. */
export const targetSchema = z.looseObject({
  quality: z.enum(QUALITIES).default('standard'),
  base: z
    .looseObject({
      carrier: z.enum(['solvent', 'waterborne']).default('waterborne'),
      effect: z.enum(['solid', 'metallic', 'pearl']).default('solid'),
      color: z
        .union([
          hexColor,
          z.looseObject({
            L: z.number().min(0).max(100),
            a: z.number().min(-160).max(160),
            b: z.number().min(-160).max(160),
          }),
        ])
        .optional(),
      /** One coat over black by one over white, from a hiding card; over 0 to under 1. */
      contrast: z.number().min(0.01).max(0.99).optional(),
    })
    .prefault({}),
});

export type Target = z.infer<typeof targetSchema>;
