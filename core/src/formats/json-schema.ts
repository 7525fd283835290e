import { z } from 'zod';
import { sheetSchema } from '../materials/sheet.ts';
import { jobPlanSchema } from '../planner/plan.ts';
import { panelSchema } from '../survey/panel.ts';
import { recordSchema } from '../record/entry.ts';
import { jobFileSchema } from './job-file.ts';

/** JSON Schemas of what goes in and out, made from the Zod schemas. */
const SCHEMAS = {
  job: jobFileSchema,
  panel: panelSchema,
  sheet: sheetSchema,
  plan: jobPlanSchema,
  record: recordSchema,
} as const;

export type SchemaName = keyof typeof SCHEMAS;
export const SCHEMA_NAMES = Object.keys(SCHEMAS) as [SchemaName, ...SchemaName[]];

/** JSON Schema (draft 2020-12) of what may be given in; checks that JSON Schema cannot say are left out. */
export const jsonSchemaOf = (name: SchemaName): object =>
  z.toJSONSchema(SCHEMAS[name], { io: 'input', unrepresentable: 'any' });
