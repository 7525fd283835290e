import fc from 'fast-check';
import { gunFor, gunsOf, tipFor, transferPercentOf, type Gun } from './equipment.ts';
import { GENERIC_SHELF } from './generic-shelf.ts';
import { mixPartsOf, vocGPerL } from './mix-parts.ts';
import { asMode, inModes, sheetIdOf } from './modes.ts';
import { formOf, isTwoPack, sheetSchema, type ProductSheetInput } from './sheet.ts';
import {
  bookingOf,
  byProduct,
  canState,
  cansToBuy,
  leftAfter,
  ownCansOf,
  usableLeftMl,
  type CanView,
} from './stock.ts';

const generic = (id: string) => GENERIC_SHELF.find((sheet) => sheet.id === id)!;
const build = (changes: Partial<ProductSheetInput> = {}) =>
  sheetSchema.parse({ ...generic('build-4-1-1'), ...changes });

const filler = GENERIC_SHELF.find(({ kind }) => kind === 'filler')!;

describe('one product mixed in several ways', () => {
  const sealer = { id: 'seal', name: 'as sealer', kind: 'sealer', sandAfterMin: null } as const;

  test('each way has its own figures, and the sheet’s for what it does not name', () => {
    const [whole, way] = inModes(build({ modes: [sealer] }));
    expect(whole!.id).toBe('build-4-1-1');
    expect(way).toMatchObject({
      id: 'build-4-1-1/seal',
      name: 'High-build primer 4:1:1, as sealer',
      kind: 'sealer',
      sandAfterMin: null,
      film: whole!.film,
      tonesL: whole!.tonesL,
      pricePerLitre: whole!.pricePerLitre,
    });
    expect(way).not.toHaveProperty('modes');
    expect(sheetIdOf(way!.id)).toBe('build-4-1-1');
  });

  test('a way of another kind is not the use of the sheet', () => {
    const epoxy = sheetSchema.parse({ ...generic('epoxy-1-1'), use: 'sealer' });
    expect(asMode(epoxy, { id: 'b', name: 'build', kind: 'build' }).use).toBeUndefined();
    expect(asMode(epoxy, { id: 'b', name: 'thin' }).use).toBe('sealer');
  });

  test('two ways of one id, and a film below one coat, are refused by field', () => {
    const bad = (modes: object[]) => sheetSchema.safeParse({ ...generic('build-4-1-1'), modes }).success;
    expect(bad([sealer])).toBe(true);
    expect(bad([sealer, sealer])).toBe(false);
    expect(bad([{ ...sealer, id: 'A b' }])).toBe(false);
    expect(bad([{ ...sealer, film: { perCoatUm: 80, coats: 1, maxUm: 40 } }])).toBe(false);
  });
});

describe('what goes into a pot', () => {
  test('the hardener of the day is poured, with its own density', () => {
    const [base, hardener, thinner] = generic('build-4-1-1').components;
    const slow = { name: 'slow hardener', fromCelsius: 25, toCelsius: 40, gramsPerMl: 1.1 };
    const sheet = build({ components: [base!, { ...hardener!, choices: [slow] }, thinner!] });
    const names = (celsius: number) => mixPartsOf(sheet, false, celsius).map(({ name }) => name);
    expect(names(20)).toEqual(['build base', 'hardener', 'thinner']);
    expect(names(25)).toEqual(['build base', 'slow hardener', 'thinner']);
    expect(names(40)).toEqual(names(20));
    expect(mixPartsOf(sheet, false, 30)[1]!.gramsPerMl).toBe(1.1);
  });

  test('solvent ready to spray: as the sheet says, else what does not stay as film; nobody knows of water', () => {
    const parts = mixPartsOf(build(), false, 20);
    expect(vocGPerL(parts)).toBeCloseTo((4 * 0.48 * 870 + 0.55 * 870 + 870) / 6, 6);
    const said = build({ components: [{ name: 'base', parts: 1, volumeSolids: 0.5, vocGPerL: 300 }] });
    expect(vocGPerL(mixPartsOf(said, false, 20))).toBe(300);
    expect(vocGPerL(mixPartsOf(build({ carrier: 'water' }), false, 20))).toBeNull();
    expect(vocGPerL(mixPartsOf(filler, false, 20))).toBeNull();
  });

  test('form and packs are those of the sheet, else those of its kind', () => {
    expect([formOf(build()), formOf(build({ form: 'aerosol' }))]).toEqual(['sprayed', 'aerosol']);
    expect(formOf(filler)).toBe('spread');
    expect([isTwoPack(build()), isTwoPack(build({ pack: 'one' }))]).toEqual([true, false]);
  });
});

describe('guns', () => {
  const gun = (id: string, tipsMm: number[], more: Partial<Gun> = {}): Gun => ({
    id,
    name: id,
    kind: 'hvlp',
    tipsMm,
    flowMlPerMin: 200,
    fanMm: 250,
    overlapPercent: 50,
    airLPerMin: 300,
    cupMl: 600,
    ...more,
  });
  const range = { from: 1.7, to: 2 };

  test('the first with a tip inside the range is taken, else the one next to it', () => {
    const [thin, thick, both] = [gun('thin', [1.3, 1.4]), gun('thick', [1.8]), gun('both', [1.4, 2])];
    expect(gunFor([thin, thick, both], range)?.id).toBe('thick');
    expect(gunFor([both, thick], range)?.id).toBe('both');
    expect(gunFor([gun('small', [1]), thin], range)?.id).toBe('thin');
    expect(gunFor([thin], undefined)?.id).toBe('thin');
    expect(gunFor([], range)).toBeUndefined();
    expect([tipFor(both, range), tipFor(thin, range), tipFor(thin, undefined)]).toEqual([2, 1.4, 1.3]);
  });

  test('what lands is measured, else that of the kind; a shop without a gun has the usual one', () => {
    expect(transferPercentOf(gun('a', [1.4], { transferPercent: 58 }))).toBe(58);
    expect(transferPercentOf(gun('a', [1.4], { kind: 'conventional' }))).toBe(40);
    expect(transferPercentOf(gunsOf(undefined, 50)[0]!)).toBe(50);
  });
});

describe('stock', () => {
  const TODAY = '2026-12-07';
  const can = (id: string, leftMl: number, more: object = {}): CanView => ({
    can: { id, sheetId: 'build-4-1-1', component: 'hardener', sizeMl: 1000, ...more },
    leftMl,
    version: 1,
  });
  const want = (ml: number, sheetId = 'build-4-1-1') => ({ sheetId, component: 'hardener', ml });

  test('opened cans go first, then what expires first; ways of mixing take from the same cans', () => {
    const cans = [
      can('late', 500, { expiresOn: '2027-12-01' }),
      can('soon', 500, { expiresOn: '2027-01-01' }),
      can('open', 100, { openedOn: '2026-11-01', expiresOn: '2028-01-01' }),
    ];
    const { takes, short } = bookingOf([want(700, 'build-4-1-1/seal')], cans, TODAY);
    expect(takes.map(({ canId, ml }) => [canId, ml])).toEqual([
      ['open', 100],
      ['soon', 500],
      ['late', 100],
    ]);
    expect(short).toEqual([]);
  });

  test('what expired or froze is never taken, and is named', () => {
    const cans = [can('old', 900, { expiresOn: '2026-12-06' }), can('ice', 900, { isFrozen: true })];
    expect(cans.map((each) => canState(each, TODAY))).toEqual(['expired', 'frozen']);
    const booked = bookingOf([want(200)], cans, TODAY);
    expect(booked).toMatchObject({ takes: [], short: [{ ml: 200 }] });
    expect(booked.unfit.map((each) => each.can.id)).toEqual(['old', 'ice']);
    expect(usableLeftMl(want(1), cans, TODAY)).toBe(0);
  });

  test('cans of a product that is mixed from another one serve both, whichever they were entered for', () => {
    const sheetOf = (id: string) => GENERIC_SHELF.find((sheet) => sheet.id === id);
    const reduced = sheetOf('epoxy-1-1-sealer')!;
    expect(ownCansOf(sheetOf('epoxy-1-1')!, sheetOf)).toEqual(['epoxy base', 'epoxy hardener']);
    expect(ownCansOf(reduced, sheetOf)).toEqual(['epoxy thinner']);
    const entered = [can('before', 400, { sheetId: reduced.id, component: 'epoxy base' })];
    const want400 = { sheetId: 'epoxy-1-1', component: 'epoxy base', ml: 400 };
    expect(bookingOf([want400], entered, TODAY).short).toHaveLength(1);
    expect(bookingOf([want400], byProduct(entered, sheetOf), TODAY).takes).toMatchObject([
      { canId: 'before' },
    ]);
    // Another product under that id has cans of its own.
    const other = (id: string) => (id === 'epoxy-1-1' ? undefined : sheetOf(id));
    expect(ownCansOf(reduced, other)).toEqual(['epoxy base', 'epoxy hardener', 'epoxy thinner']);
    expect(byProduct(entered, other)).toEqual(entered);
  });

  test('what is short is bought in cans as the shop knows them', () => {
    const cans = [can('a', 100, { sizeMl: 1000 }), can('b', 100, { sizeMl: 4000 })];
    expect(cansToBuy(want(300), cans)).toEqual({ count: 1, sizeMl: 1000 });
    expect(cansToBuy(want(1000.01), cans)).toMatchObject({ count: 1, sizeMl: 1000 });
    expect(cansToBuy(want(2500), cans)).toMatchObject({ count: 1, sizeMl: 4000 });
    expect(cansToBuy(want(9000), cans)).toMatchObject({ count: 3, sizeMl: 4000 });
    expect(cansToBuy({ ...want(2500), component: 'never bought' }, cans)).toBeNull();
  });

  test('a can says how it stands', () => {
    const states = ['2026-12-07', '2027-01-06', '2027-01-07', undefined].map((expiresOn) =>
      canState(can('a', 10, { expiresOn }), TODAY),
    );
    expect(states).toEqual(['expires-soon', 'expires-soon', 'fine', 'fine']);
    expect(canState(can('a', 0, { expiresOn: '2026-01-01' }), TODAY)).toBe('empty');
  });

  test('never more is taken than a can holds, and what is wanted is taken or said to be short', () => {
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: 0, max: 1000 }), { maxLength: 6 }),
        fc.array(fc.integer({ min: 1, max: 900 }), { minLength: 1, maxLength: 3 }),
        (lefts, wants) => {
          const cans = lefts.map((left, i) => can(`c${i}`, left));
          const { takes, short } = bookingOf(
            wants.map((ml) => want(ml)),
            cans,
            TODAY,
          );
          for (const { can: each, leftMl } of cans) {
            const taken = takes.filter(({ canId }) => canId === each.id).reduce((sum, { ml }) => sum + ml, 0);
            expect(taken).toBeLessThanOrEqual(leftMl + 1e-9);
          }
          const sum = [...takes, ...short].reduce((total, { ml }) => total + ml, 0);
          expect(sum).toBeCloseTo(
            wants.reduce((total, ml) => total + ml, 0),
            6,
          );
        },
      ),
    );
  });

  test('a can is never less than empty; what somebody found in it counts', () => {
    const move = { id: 'move-0001', canId: 'a', reason: 'counted anew' };
    expect(leftAfter(100, { ...move, kind: 'pour', ml: 130 })).toBe(0);
    expect(leftAfter(100, { ...move, kind: 'correction', leftMl: 250 })).toBe(250);
  });
});
