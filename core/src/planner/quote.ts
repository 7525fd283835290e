import { amountOf, centsOf, centsOfEach } from '../units/money.ts';
import { shopRule } from '../survey/shop-rules.ts';
import type { Shop } from '../survey/shop.ts';
import type { Step } from './plan.ts';
import type { Pour } from './pours.ts';

/** What a system costs, as lines of a quote: products as they are mixed, other material, work. */

export interface QuoteRow {
  readonly what: string;
  readonly quantity: number;
  readonly unit: 'ml' | 'cans' | 'h' | 'lot';
  readonly amount: number;
}

export interface Quote {
  readonly rows: readonly QuoteRow[];
  /** What goes on the panel or is used up; as the system's card says it. */
  readonly materialCost: number;
  /** What is mixed and left over. */
  readonly wasteCost: number;
  readonly labourCost: number;
  readonly totalCost: number;
}

interface Quoted {
  readonly pours: readonly Pour[];
  readonly steps: readonly Step[];
  readonly nameOf: (sheetId: string) => string;
  readonly shop: Shop;
}

/** The quote for what a system still does; steps that were done are paid for already. */
export function quoteOf({ pours, steps, nameOf, shop }: Quoted): Quote {
  const toDo = steps.filter(({ isDone }) => !isDone);
  const used = new Map(toDo.map(({ n, materialCost }) => [n, materialCost]));
  const mixed = pours.map((pour) => ({ pour, usedCost: used.get(pour.n) ?? 0 }));
  const wasteOf = ({ pour, usedCost }: (typeof mixed)[number]): number => Math.max(0, pour.cost - usedCost);
  const products = new Map<string, QuoteRow>();
  for (const each of mixed) {
    const { sheetId, cans, pots, potMl, lastPotMl = potMl } = each.pour;
    const known = products.get(sheetId);
    products.set(sheetId, {
      what: nameOf(sheetId),
      quantity: (known?.quantity ?? 0) + (cans ?? (pots - 1) * potMl + lastPotMl),
      unit: cans === undefined ? 'ml' : 'cans',
      amount: (known?.amount ?? 0) + each.usedCost + wasteOf(each),
    });
  }
  const poured = new Set(pours.map(({ n }) => n));
  const other = toDo.reduce((sum, { n, materialCost }) => sum + (poured.has(n) ? 0 : materialCost), 0);
  const hours = toDo.reduce((sum, { handsOnMin }) => sum + handsOnMin, 0) / 60;
  const rows: readonly QuoteRow[] = [
    ...products.values(),
    { what: 'Abrasives, cleaners, masking and heat', quantity: 1, unit: 'lot', amount: other },
  ];
  const rowCents = centsOfEach(rows.map(({ amount }) => amount));
  const labourCents = centsOf(hours * shopRule(shop.rules, 'labourPerHour').value);
  const goodsCents = rowCents.reduce((sum, cents) => sum + cents, 0);
  const wasteCents = centsOf(mixed.reduce((sum, each) => sum + wasteOf(each), 0));
  return {
    rows: [
      ...rows.map((row, i) => ({ ...row, amount: amountOf(rowCents[i]!) })),
      {
        what: 'Work',
        quantity: Math.round(hours * 100) / 100,
        unit: 'h',
        amount: amountOf(labourCents),
      },
    ],
    materialCost: amountOf(goodsCents - wasteCents),
    wasteCost: amountOf(wasteCents),
    labourCost: amountOf(labourCents),
    totalCost: amountOf(goodsCents + labourCents),
  };
}
