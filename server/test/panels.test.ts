import {
  editOf,
  openPlan,
  type Panel,
  type PanelView,
  type PlanView,
  type PlansView,
  type Zone,
} from '@blue-ledge/core';
import { DOOR, TestServer } from './server.ts';

let server: TestServer;
beforeEach(async () => {
  server = await TestServer.withDemo();
});
afterEach(() => server.stop());

const seen = async (): Promise<PanelView> => (await server.http.get(DOOR).expect(200)).body;
const edit = (before: Panel, after: Panel) => server.http.patch(DOOR).send({ edit: editOf(before, after) });
const withZone = (panel: Panel, id: string, fields: object): Panel => ({
  ...panel,
  zones: panel.zones.map((zone) => (zone.id === id ? { ...zone, ...fields } : zone)),
});

const readyIds = ({ plan }: Pick<PlanView, 'plan'>): string[] =>
  plan!.systems.filter(({ verdict }) => verdict.kind === 'ready').map(({ id }) => id);

describe('an edit of a panel', () => {
  test('changes facts and zones together; only what changed gets a new version', async () => {
    const { panel } = await seen();
    const [a, b, c] = panel.zones as [Zone, Zone, Zone];
    const after: Panel = {
      ...panel,
      role: 'blend',
      parts: [{ name: 'handle', plan: 'remove', bag: '1' }],
      zones: [a, { ...b, name: 'edge' }, { ...c, id: 'D', areaM2: 0.1 }, { ...c, areaM2: 0.1 }],
    };
    const { body } = await edit(panel, after).expect(200);
    expect(body.panel).toMatchObject({ role: 'blend', parts: [{ name: 'handle', bag: '1' }] });
    expect(body.zoneVersions).toEqual({ A: 1, B: 2, D: 1, C: 2 });
    expect(body.panel.zones.map(({ id }: Zone) => id)).toEqual(['A', 'B', 'D', 'C']);
    expect(await seen()).toEqual(body);
    const back = await edit(after, panel).expect(200);
    expect(back.body.panel).toEqual(panel);
    expect(await seen()).toEqual(back.body);
  });
  test.each<[string, (panel: Panel) => object[], string]>([
    [
      'no zones',
      ({ zones }) => zones.map((zone) => ({ path: ['zones', zone.id], from: zone })),
      'panel.zones',
    ],
    ['zones larger than it', () => [{ path: ['areaM2'], from: 2.1, to: 0.2 }], 'panel.zones'],
    ['another id', () => [{ path: ['id'], from: 'door', to: 'hood' }], 'edit.changes.0.path.0'],
  ])('that leaves a panel with %s is refused, and the panel stays what it was', async (_, changes, path) => {
    const before = await seen();
    const edit = { changes: changes(before.panel) };
    const { body } = await server.http.patch(DOOR).send({ edit }).expect(400);
    expect(body.problems[0].path).toBe(path);
    expect(await seen()).toEqual(before);
  });
  test('changes what it names and nothing else, whatever was saved meanwhile', async () => {
    const { panel } = await seen();
    await edit(panel, { ...panel, role: 'blend' }).expect(200);
    await edit(panel, withZone(panel, 'B', { areaM2: 0.3 })).expect(200);
    const { body } = await edit(panel, withZone(panel, 'B', { name: 'sill' })).expect(200);
    expect(body.panel).toMatchObject({ role: 'blend', zones: [{}, { name: 'sill', areaM2: 0.3 }, {}] });
    expect(body.zoneVersions).toEqual({ A: 1, B: 3, C: 1 });
  });
  test('that no longer fits gets what is there, and changes nothing', async () => {
    const { panel } = await seen();
    await edit(panel, withZone(panel, 'B', { areaM2: 0.3 })).expect(200);
    const after = withZone({ ...panel, role: 'blend' }, 'B', { areaM2: 0.2 });
    const { body } = await edit(panel, after).expect(409);
    expect(body.theirs.panel).toEqual((await seen()).panel);
    expect((await seen()).panel).toMatchObject({ role: 'refinish', zones: [{}, { areaM2: 0.3 }, {}] });
  });
  test('that spoils the panel is named by its field, and changes nothing', async () => {
    const before = await seen();
    const { panel } = before;
    const tooLarge = await edit(panel, withZone(panel, 'B', { areaM2: 1.9 })).expect(400);
    expect(tooLarge.body.problems[0]).toMatchObject({ path: 'panel.zones' });
    const wrong = await edit(panel, withZone(panel, 'B', { layers: [{ kind: 'butter' }] })).expect(400);
    expect(wrong.body.problems[0].path).toBe('panel.zones.1.layers.0.kind');
    await server.http
      .patch(DOOR)
      .send({ edit: { changes: [] } })
      .expect(400);
    await server.http
      .patch(DOOR)
      .send({ edit: { changes: [{ path: ['id'], to: 'x' }] } })
      .expect(400);
    expect(await seen()).toEqual(before);
  });
  test('of the panel gets through while zones are written all the time', async () => {
    const { panel } = await seen();
    const ofPanel = [{ shape: 'flat' }, { orientation: 'horizontal' }, { count: 2 }, { name: 'Other' }];
    const ofZones = [{ name: 'x' }, { quality: 'economy' }, { face: 'edge' }, { role: 'keep' }];
    const writes = [
      ...ofPanel.map((change) => edit(panel, { ...panel, ...change } as Panel)),
      ...['A', 'B', 'C'].flatMap((zone) =>
        ofZones.map((change) => edit(panel, withZone(panel, zone, change))),
      ),
    ];
    const answers = await Promise.all([...writes, edit(panel, { ...panel, role: 'blend' })]);
    expect(answers.map(({ status }) => status)).toEqual(Array<number>(17).fill(200));
    const zone = { name: 'x', quality: 'economy', face: 'edge', role: 'keep' };
    expect((await seen()).panel).toMatchObject({
      role: 'blend',
      shape: 'flat',
      count: 2,
      zones: [zone, zone, zone],
    });
  });
});

test('a job that grows stays as large as what can be taken in again', async () => {
  const { panel } = await seen();
  const gauge = { kind: 'gauge', readingsUm: Array<number>(500).fill(1234.567890123457) };
  const zones = Array.from({ length: 50 }, (_, i) => ({
    ...panel.zones[0]!,
    id: `Z${i}`,
    areaM2: 0.01,
    tests: Array<object>(12).fill(gauge),
  }));
  const add = (id: string) =>
    server.http.post('/api/jobs/bus-6/panels').send({ panel: { ...panel, id, zones } });
  await add('large').expect(201);
  const { body } = await add('larger').expect(422);
  expect(body.title).toMatch(/larger than a job file may be/);
  const { body: file } = await server.http.get('/api/jobs/bus-6/file').expect(200);
  expect(file.panels).toHaveLength(7);
  await server.http
    .post('/api/jobs')
    .send({ ...file, job: { ...file.job, id: 'again' } })
    .expect(201);
});

describe('panels of a job', () => {
  test('one is added, not twice; removed, and put back in its place with its plan and what was chosen', async () => {
    const { panel } = await seen();
    const lid = { ...panel, id: 'hood', name: 'Hood lid' };
    await server.http.post('/api/jobs/bus-6/panels').send({ panel: lid }).expect(201);
    await server.http.post('/api/jobs/bus-6/panels').send({ panel: lid }).expect(409);
    const { body: made } = await server.http.post(`${DOOR}/plans`).expect(201);
    const second = readyIds(made)[1];
    await server.http
      .put(`${DOOR}/plans/${made.id}/choice`)
      .send({ systemId: second, version: 1 })
      .expect(200);
    await server.http.delete(DOOR).send({ version: 1 }).expect(200);
    await server.http.get(DOOR).expect(404);
    await server.http.post(`${DOOR}/put-back`).expect(201);
    await server.http.post(`${DOOR}/put-back`).expect(404);
    const names = (await server.http.get('/api/jobs/bus-6')).body.panels.map(({ id }: Panel) => id);
    expect(names).toEqual(['door', 'hatch', 'nose', 'trim', 'corner', 'lid', 'hood']);
    expect((await server.http.get(`${DOOR}/plans/latest`)).body.plan).toMatchObject({ chosen: second });
  });
  test('a stale version removes nothing', async () => {
    await server.http.delete(DOOR).send({ version: 7 }).expect(409);
    await seen();
  });
});

describe('what a person chose', () => {
  const make = async (ask: object = {}) =>
    (await server.http.post(`${DOOR}/plans`).send(ask).expect(201)).body as PlanView;
  const choose = ({ id, version }: PlanView, systemId: string) =>
    server.http.put(`${DOOR}/plans/${id}/choice`).send({ systemId, version }).expect(200);
  const planAll = async (ask: object = {}) =>
    (await server.http.post('/api/jobs/bus-6/plans').send(ask).expect(201)).body as PlansView;
  const latest = async () => (await server.http.get(`${DOOR}/plans/latest`)).body.plan as PlanView;

  test('is kept when the panel is planned again, by itself or with all others', async () => {
    const made = await make();
    expect(made).toMatchObject({ wanted: null, follows: null });
    const second = readyIds(made)[1]!;
    await choose(made, second);
    expect(await make()).toMatchObject({ chosen: second, wanted: second, follows: { plan: made.id } });
    const { plans } = await planAll();
    expect(plans[0]).toMatchObject({ panel: 'door', chosen: second, isFallen: false });
  });

  test('falls where it is not ready any more, is told, and comes back with what made it fall', async () => {
    const made = await make();
    const second = readyIds(made).find((id) => !id.includes('seal'))!;
    await choose(made, second);
    const soft = { path: ['zones', 'A', 'tests'], to: [{ kind: 'solvent-rub', outcome: 'softens' }] };
    await server.http
      .patch(DOOR)
      .send({ edit: { changes: [soft] } })
      .expect(200);
    const { plans } = await planAll();
    expect(plans[0]).toMatchObject({ panel: 'door', isFallen: true });
    const fallen = await latest();
    expect(fallen).toMatchObject({ wanted: second, follows: { plan: made.id, chosen: second } });
    expect(fallen.chosen).not.toBe(second);
    // The plan that it fell from can be looked at beside the new one.
    expect((await server.http.get(`${DOOR}/plans/${made.id}`)).body).toMatchObject({ chosen: second });
    const back = { path: soft.path, from: soft.to };
    await server.http
      .patch(DOOR)
      .send({ edit: { changes: [back] } })
      .expect(200);
    expect(await make()).toMatchObject({ chosen: second, wanted: second });
  });

  test('is a sequence of one’s own from the moment it is added, and no more once it is taken out', async () => {
    const made = await make();
    const acts = openPlan(made.plan!).actsOf(made.chosen!);
    const own = await make({ own: { acts, fillsIn: true } });
    expect(own).toMatchObject({ chosen: 'own', wanted: 'own' });
    expect(await make({ own: { acts, fillsIn: true } })).toMatchObject({ chosen: 'own', wanted: 'own' });
    expect(await make()).toMatchObject({ chosen: made.chosen, wanted: null, follows: null });
  });

  test('goes on as what is left of it once some of it is done, and whole again from the start', async () => {
    const made = await make();
    const second = readyIds(made)[1]!;
    await choose(made, second);
    const opened = openPlan(made.plan!);
    const { steps } = opened.view.systems.find(({ id }) => id === second)!;
    const nDone = steps.findIndex(({ op }) => op === 'prime-epoxy') + 1;
    const done = opened.actsOf(second).slice(0, nDone);
    const rest = await make({ done });
    expect(rest.chosen).toBe(second.replace('prime-epoxy.', '').replace('inspect.', ''));
    expect(rest.follows).toMatchObject({ chosen: second, expected: rest.chosen });
    // Work has begun: it keeps its plan unless it is asked for.
    const left = await planAll();
    expect(left.started).toEqual(['door']);
    expect((await latest()).id).toBe(rest.id);
    expect((await planAll({ alsoStarted: true })).plans[0]).toMatchObject({ chosen: rest.chosen });
    expect((await latest()).plan!.inputs.done).toEqual(done);
    expect((await make({ done: [] })).chosen).toBe(second);
  });
});

describe('planning', () => {
  test('schools of this plan only, and what was done, shape it and are told', async () => {
    const { body } = await server.http
      .post(`${DOOR}/plans`)
      .send({
        schools: { filler: 'on-metal' },
        done: [{ op: 'wash', zones: ['A', 'B', 'C'] }],
        startMin: 600,
      })
      .expect(201);
    const { view } = openPlan(body.plan);
    expect(view).toMatchObject({ schools: { filler: 'on-metal' }, done: [{ op: 'wash' }], startMin: 600 });
    expect(view.systems[0]!.steps[0]).toMatchObject({ op: 'wash', isDone: true });
  });
  test.each([
    [{ schools: { filler: 'sideways' } }, 'schools.filler'],
    [{ done: [{ op: 'polish', zones: ['A'] }] }, 'done.0.op'],
  ])('%j is refused', async (ask, path) => {
    const { body } = await server.http.post(`${DOOR}/plans`).send(ask).expect(400);
    expect(body.problems[0].path).toBe(path);
  });
  test('a sequence of one’s own is judged and nothing of it is kept', async () => {
    const own = [{ op: 'seal', zones: ['B'], sheetId: 'sealer-3-1-1' }];
    const { body } = await server.http.post(`${DOOR}/plans/judgement`).send({ own }).expect(200);
    expect(body.steps.at(-1).refusedBy[0]).toMatchObject({ rule: 'M1', zoneId: 'B' });
    expect((await server.http.get(`${DOOR}/plans/latest`)).body).toEqual({ plan: null });
  });
  test('all panels of a job at once, the same key once', async () => {
    const ask = () => server.http.post('/api/jobs/bus-6/plans').set('idempotency-key', 'all-of-them');
    const { body } = await ask().expect(201);
    expect(body.failed).toEqual([]);
    expect(body.plans.map(({ panel }: { panel: string }) => panel)).toEqual([
      'door',
      'hatch',
      'nose',
      'trim',
      'corner',
      'lid',
    ]);
    expect((await ask().expect(201)).body).toEqual(body);
    expect((await server.http.get(`${DOOR}/plans/latest`)).body.plan.id).toBe(body.plans[0].id);
  });
});
