import { gunsOf, tipFor, type GunSetup } from '../materials/equipment.ts';
import { formOf } from '../materials/sheet.ts';
import { ruleIn } from '../operations/context.ts';
import { isCoatOp, isLaying, type OpName } from '../operations/act.ts';
import type { StoredPlan } from '../planner/stored-plan.ts';
import type { Schools } from '../survey/schools.ts';
import { gunOfCoat } from './coat-gun.ts';
import type { Fold } from './fold.ts';
import type { ActEntry } from './happened.ts';

/** What work was done with, to do the next panel in the same way. */

/** How a product was sprayed, and when. */
export type GunSetting = Pick<
  GunSetup,
  'sheetId' | 'gunId' | 'tipMm' | 'reductionPercent' | 'bar' | 'distanceMm' | 'celsius' | 'on'
>;

export interface SetUp {
  /** Sides of the schools by which it was planned. */
  readonly schools: Schools;
  /** Products that were laid, in the order of their first coat. */
  readonly products: readonly { readonly sheetId: string; readonly name: string }[];
  /** Coats that were sprayed, each once, in the order of the first: what the system comes to, whatever plans it was done by. */
  readonly coats: readonly OpName[];
  /** How they were sprayed, the last word of each, where somebody wrote that down. */
  readonly guns: readonly GunSetting[];
}

/** How a coat was sprayed; null where nothing of it was written down, or no gun was used. */
function gunSetupOf({ at, body }: ActEntry, { context }: Fold): GunSetting | null {
  const sheet = body.sheetId === undefined ? undefined : context.shelf.get(body.sheetId);
  const { tipMm, reductionPercent = 0, bar, distanceMm, celsius = context.shop.celsius } = body.values ?? {};
  if (!sheet || formOf(sheet) !== 'sprayed') return null;
  if (tipMm === undefined && body.values?.reductionPercent === undefined && bar === undefined) return null;
  const gun = gunOfCoat(
    gunsOf(context.shop.guns, ruleIn(context, 'sprayTransferPercent').value),
    tipMm,
    sheet,
  )!;
  return {
    sheetId: sheet.id,
    gunId: gun.id,
    tipMm: tipMm ?? tipFor(gun, sheet.tipMm),
    reductionPercent,
    ...(bar === undefined ? {} : { bar }),
    ...(distanceMm === undefined ? {} : { distanceMm }),
    celsius,
    on: at.slice(0, 'YYYY-MM-DD'.length),
  };
}

const coatsIn = (ops: readonly OpName[]): OpName[] => [...new Set(ops.filter(isCoatOp))];

/** The best system of a plan that is ready and lays the same coats in the same order; undefined where none does. */
export const systemLike = ({ coats }: Pick<SetUp, 'coats'>, { systems }: StoredPlan): string | undefined =>
  systems.find(
    ({ verdict, acts }) =>
      verdict.kind === 'ready' && coatsIn(acts.map(({ op }) => op)).join() === coats.join(),
  )?.id;

/** What a record says that a panel was done with. */
export function setUpOf(fold: Fold): SetUp {
  const { context, steps, acts } = fold;
  const laid = acts.filter((_, i) => isLaying(steps[i]!.act));
  const names = new Map(
    laid.map(({ body }) => [
      body.sheetId!,
      body.sheetName ?? context.shelf.get(body.sheetId!)?.name ?? body.sheetId!,
    ]),
  );
  const guns = new Map(
    laid.flatMap((entry) => {
      const setup = gunSetupOf(entry, fold);
      return setup ? [[setup.sheetId, setup] as const] : [];
    }),
  );
  return {
    schools: context.shop.schools,
    coats: coatsIn(laid.map(({ body }) => body.op)),
    products: [...names].map(([sheetId, name]) => ({ sheetId, name })),
    guns: [...guns.values()],
  };
}

/** Whether a shop keeps a set-up already, whenever it was that it worked. */
export const isKept = (setups: readonly GunSetup[], asked: GunSetting): boolean =>
  setups.some((kept) =>
    (['sheetId', 'gunId', 'tipMm', 'reductionPercent', 'bar', 'distanceMm'] as const).every(
      (field) => kept[field] === asked[field],
    ),
  );
