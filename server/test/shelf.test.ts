import { GENERIC_SHELF, type PlanView, type ProductSheet, type ShopView } from '@blue-ledge/core';
import { TestServer } from './server.ts';

/** The shop's own sheets: versions that never change, and plans that say which they were made with. */

let server: TestServer;
let shop: string;
beforeEach(async () => {
  server = await TestServer.withDemo();
  const { body } = await server.http.get('/api/shops').expect(200);
  shop = (body as ShopView[])[0]!.id;
});
afterEach(() => server.stop());

const build = GENERIC_SHELF.find(({ id }) => id === 'build-4-1-1')!;
const put = (sheet: object, from: number, id = 'own-build') =>
  server.http.put(`/api/shops/${shop}/sheets/${id}`).send({ sheet, from });
const own = (changes: object = {}) => ({ ...build, id: 'own-build', name: 'Own build', ...changes });
const sheets = async (): Promise<ProductSheet[]> =>
  (await server.http.get(`/api/shops/${shop}/sheets`).expect(200)).body;

test('each change is a version of its own; what says the same is none; a stale one overwrites nothing', async () => {
  await put(own(), 0).expect(200);
  await put(own({ pricePerLitre: 50 }), 1).expect(200);
  expect((await put(own({ pricePerLitre: 50 }), 2).expect(200)).body.version).toBe(2);
  const { body } = await put(own({ pricePerLitre: 60 }), 1).expect(409);
  expect(body.theirs).toMatchObject({ version: 2, pricePerLitre: 50 });
  expect(await sheets()).toMatchObject([{ id: 'own-build', version: 2, pricePerLitre: 50 }]);
  const versions = await server.http.get(`/api/shops/${shop}/sheets/own-build/versions`).expect(200);
  expect(versions.body).toMatchObject([{ pricePerLitre: 34 }, { pricePerLitre: 50 }]);
});

test('a sheet that cannot be is refused by field, and nothing is kept', async () => {
  const thin = await put(own({ film: { perCoatUm: 80, coats: 1, maxUm: 50 } }), 0).expect(400);
  expect(thin.body.problems).toEqual([
    { path: 'sheet.film.maxUm', message: 'must be at least the film of one coat' },
  ]);
  await put(own({ tipMm: { from: 2, to: 1.3 } }), 0).expect(400);
  await put(own(), 0, 'another').expect(400);
  await server.http.put('/api/shops/nowhere/sheets/own-build').send({ sheet: own(), from: 0 }).expect(404);
  await server.http.get(`/api/shops/${shop}/sheets/none/versions`).expect(404);
  expect(await sheets()).toEqual([]);
});

test('sheets come in all or none, and say how many were new', async () => {
  const take = (list: object[]) => server.http.post(`/api/shops/${shop}/sheets`).send({ sheets: list });
  await take([own(), own({ id: 'bad', name: '' })]).expect(400);
  await take([own(), own()]).expect(400);
  expect(await sheets()).toEqual([]);
  expect((await take([own(), own({ id: 'b' })]).expect(200)).body).toEqual({
    nNew: 2,
    nChanged: 0,
    nSame: 0,
  });
  const again = await take([own(), own({ id: 'b', name: 'B' })]).expect(200);
  expect(again.body).toEqual({ nNew: 0, nChanged: 1, nSame: 1 });
  expect((await sheets()).map(({ id, version }) => [id, version])).toEqual([
    ['b', 2],
    ['own-build', 1],
  ]);
});

describe('a plan', () => {
  const plans = '/api/jobs/bus-6/panels/door/plans';
  const planned = async (body: object = {}): Promise<PlanView> =>
    (await server.http.post(plans).send(body).expect(201)).body;
  const laid = ({ plan }: PlanView): string[] =>
    plan!.systems.find(({ id }) => id === plan!.chosen)!.acts.flatMap(({ sheetId }) => sheetId ?? []);

  test('made before a new sheet says so, and made again lays it; archived it is laid no more', async () => {
    expect(laid(await planned())).toContain('build-4-1-1');
    await put(own(), 0).expect(200);
    const { body } = await server.http.get(`${plans}/latest`).expect(200);
    expect(body.plan.changed).toEqual(['sheets']);
    expect(laid(await planned())).toContain('own-build');
    await put(own({ isArchived: true }), 1).expect(200);
    // Nothing invented comes back in its place: what the shop has does the work.
    const after = laid(await planned());
    expect(after.filter((id) => id === 'own-build' || id === 'build-4-1-1')).toEqual([]);
    expect(after).toContain('dtm-4-1-05');
  });

  test('offers the other products of a step, and takes one for itself only', async () => {
    await put(own(), 0).expect(200);
    await put(own({ id: 'dear', name: 'Dear build', pricePerLitre: 40 }), 0, 'dear').expect(200);
    const made = await planned();
    const { acts, id: system } = made.plan!.systems.find(({ id }) => id === made.chosen)!;
    const step = acts.findIndex(({ sheetId }) => sheetId === 'own-build') + 1;
    const ask = (query: object) => server.http.get(`${plans}/${made.id}/products`).query(query);
    const { body } = await ask({ system, step }).expect(200);
    expect(body.others).toMatchObject([{ sheetId: 'dear', name: 'Dear build' }]);
    expect(body.others[0].more.materialCost).toBeGreaterThan(0.5);
    await ask({ system, step: 'x' }).expect(400);
    expect(laid(await planned({ products: ['dear'] }))).toContain('dear');
    const again = await server.http.post('/api/jobs/bus-6/plans').send({}).expect(201);
    expect(again.body.failed).toEqual([]);
    const { body: latest } = await server.http.get(`${plans}/latest`).expect(200);
    expect(latest.plan.plan.inputs.products).toEqual(['dear']);
  });
});
