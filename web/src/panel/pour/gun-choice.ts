import {
  SHOP_RULES,
  gunFor,
  gunSetup,
  gunsOf,
  tipFor,
  type Gun,
  type GunSetupResult,
  type ProductSheet,
  type Shop,
  type SprayTask,
} from '@blue-ledge/core';

/** The gun of a bench for a product, as it was chosen last: what Pour sets and Run shows. */

/** Names under which a bench keeps its choices, by shop and product. */
export const gunName = (shopId: string, sheetId: string): string => `${shopId}/gun/${sheetId}`;
export const setUpName = (what: 'tip' | 'reduced', shopId: string, sheetId: string, gunId: string): string =>
  `${shopId}/${what}/${sheetId}/${gunId}`;

/** What the tip asks for by itself. */
export function usualReduction(task: SprayTask, gun: Gun, tipMm: number): number {
  const { tip } = gunSetup(task.coat, { gun, tipMm, reductionPercent: 0 });
  return tip.kind === 'reduce' ? tip.percent : 0;
}

export const gunsOfShop = ({ guns, rules }: Shop): readonly Gun[] =>
  gunsOf(guns, rules.sprayTransferPercent ?? SHOP_RULES.sprayTransferPercent.preset);

export interface ChosenGun {
  readonly gun: Gun;
  readonly tipMm: number;
  readonly reductionPercent: number;
  readonly setup: GunSetupResult;
}

/** The gun for a task with the choices of this bench; the usual ones where nobody chose. */
export function chosenGun(
  task: SprayTask,
  sheet: ProductSheet,
  { id: shopId, shop }: { readonly id: string; readonly shop: Shop },
  chosen: Readonly<Record<string, string>>,
): ChosenGun {
  const guns = gunsOfShop(shop);
  const gun = guns.find(({ id }) => id === chosen[gunName(shopId, sheet.id)]) ?? gunFor(guns, sheet.tipMm)!;
  const kept = (what: 'tip' | 'reduced'): string | undefined =>
    chosen[setUpName(what, shopId, sheet.id, gun.id)];
  const tipMm = gun.tipsMm.find((tip) => String(tip) === kept('tip')) ?? tipFor(gun, sheet.tipMm);
  const keptReduction = kept('reduced');
  const reductionPercent =
    keptReduction === undefined ? usualReduction(task, gun, tipMm) : Number(keptReduction);
  return { gun, tipMm, reductionPercent, setup: gunSetup(task.coat, { gun, tipMm, reductionPercent }) };
}
