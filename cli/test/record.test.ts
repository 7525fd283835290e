import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { cardCode, chainOf, type RecordHead } from '@blue-ledge/core';
import { run } from '../src/run.ts';

/** `record` and `diagnose` on job files whose panels carry a record. */

const DEMO = join(__dirname, '../../demo/book-bus-6.ledge.json');
const folder = mkdtempSync(join(tmpdir(), 'ledge-record-'));
afterAll(() => rmSync(folder, { recursive: true }));

async function ledge(...args: string[]) {
  let [out, err] = ['', ''];
  const code = await run(args, { out: (text) => (out += text), err: (text) => (err += text) });
  return { code, json: out.startsWith('{') ? JSON.parse(out) : null, err };
}

const at = (minute: number): string => new Date(Date.UTC(2026, 11, 7, 8, minute)).toISOString();
const act = (id: string, minute: number, body: object) => ({
  id,
  at: at(minute),
  by: 'Prep A',
  kind: 'act',
  body,
});

/** A file of the demo whose door has this record, and says that it ended so. */
function fileWith(record: readonly object[], recordHead?: RecordHead): string {
  const job = JSON.parse(readFileSync(DEMO, 'utf8'));
  job.panels = job.panels.filter(({ id }: { id: string }) => id === 'door');
  Object.assign(job.panels[0], { record, recordHead });
  const path = join(folder, 'record.ledge.json');
  writeFileSync(path, JSON.stringify(job));
  return path;
}

const washed = act('wash', 15, { op: 'wash', zones: ['A', 'B'], minutes: 15 });
const primed = act('epoxy', 60, {
  op: 'prime-epoxy',
  zones: ['B'],
  sheetId: 'epoxy-1-1',
  coats: 2,
  minutes: 12,
  values: { wetUm: [190, 200], flashMin: 15, celsius: 21, relativeHumidity: 50 },
});

test('record verify: a whole chain answers with its head, a changed one says where and ends with 2', async () => {
  const chain = chainOf([washed, primed]);
  expect(await ledge('record', 'verify', fileWith(chain))).toMatchObject({
    code: 0,
    json: { panels: [{ panelId: 'door', entries: 2, head: chain[1]!.hash, intact: true }] },
  });
  const changed = await ledge('record', 'verify', fileWith([chain[0]!, { ...chain[1]!, by: 'Prep B' }]));
  expect(changed).toMatchObject({
    code: 2,
    json: { panels: [{ intact: false, firstBroken: { index: 1, id: 'epoxy' } }] },
  });
  expect(changed.err).toMatch(/entry 2: it was changed after it was written/);
  // A panel without a record has nothing that could be broken.
  expect((await ledge('record', 'verify', DEMO)).code).toBe(0);
});

test('record state: stacks with the film by the comb, the clock, limits that run, and the plan beside it', async () => {
  const { code, json } = await ledge(
    'record',
    'state',
    fileWith(chainOf([washed, primed])),
    '--panel',
    'door',
  );
  expect(code).toBe(0);
  expect(json.clockMin).toBe(60);
  const [steel, epoxy] = json.zones.B.stack;
  expect(steel.kind).toBe('steel');
  // Two coats of 195 µm wet on average, by the volume solids of the sheet.
  expect(epoxy).toMatchObject({ kind: 'epoxy' });
  expect(epoxy.um).toBeGreaterThan(100);
  expect(json.windows).toContainEqual(expect.objectContaining({ zone: 'B', kind: 'recoat' }));
  const of = (op: string) =>
    json.plannedAgainstDone.find(({ planned }: { planned?: { op: string } }) => planned?.op === op);
  expect(of('wash').as).toBe('as-planned');
  expect(of('degrease').as).toBe('left-out');
  expect(json.broken.map(({ rule }: { rule: string }) => rule)).toContain('C1');
});

test('diagnose: ranks the causes by the record, and plans the rework', async () => {
  const defect = {
    id: 'run',
    at: at(70),
    by: 'Prep A',
    kind: 'defect',
    body: { defect: 'sag', zones: ['B'] },
  };
  const { code, json } = await ledge(
    'diagnose',
    fileWith(chainOf([washed, primed, defect])),
    '--panel',
    'door',
  );
  expect(code).toBe(0);
  expect(json.causes[0]).toMatchObject({ cause: 'wet-film-too-thick', measure: expect.any(Array) });
  expect(json.causes[0].for.length).toBeGreaterThan(0);
  expect(json.rework).toMatchObject({ backToN: expect.any(Number), removes: expect.any(Array) });
  expect(json.rework.steps.length).toBeGreaterThan(0);
});

test('diagnose asks for a defect where the record tells of none, and takes one that is named', async () => {
  const file = fileWith(chainOf([washed, primed]));
  expect(await ledge('diagnose', file)).toMatchObject({
    code: 2,
    err: expect.stringContaining('tells of no defect: name one with --defect'),
  });
  expect((await ledge('diagnose', file, '--defect', 'bubbles')).err).toMatch(/--defect must be one of sag/);
  const { json } = await ledge('diagnose', file, '--defect', 'fisheye');
  expect(json.causes.map(({ cause }: { cause: string }) => cause)).toContain('degrease-skipped');
});

test('a record with a reading that no gauge shows is refused with its path', async () => {
  const reading = {
    id: 'r',
    at: at(0),
    by: 'A',
    kind: 'reading',
    body: { zone: 'A', kind: 'film', um: 9999 },
  };
  const { code, err } = await ledge('record', 'verify', fileWith(chainOf([reading])));
  expect(code).toBe(2);
  expect(err).toMatch(/panels\.0\.record\.0\.body\.um: must be at most 5000 µm/);
});

test('record figures: what the records of a job say of its shop', async () => {
  const { json } = await ledge('record', 'figures', fileWith(chainOf([washed])));
  expect(json.figures).toMatchObject([{ rule: 'washMinPerM2', count: 1, isEnough: false }]);
});

test('record verify: a record that was cut short is found by the end that the file says, and by the card', async () => {
  const chain = chainOf([washed, primed]);
  const code = cardCode({ entries: 2, head: chain[1]!.hash });
  expect(await ledge('record', 'verify', fileWith(chain), '--card', code)).toMatchObject({
    code: 0,
    json: { isOfCard: true },
  });
  const cut = fileWith(chain.slice(0, 1), { entries: 2, head: chain[1]!.hash });
  const verified = await ledge('record', 'verify', cut);
  expect(verified).toMatchObject({ code: 2, json: { panels: [{ intact: false }] } });
  expect(verified.err).toMatch(/door: entry 1: one entry was taken out behind it: 2 were written/);
  const whole = await ledge('record', 'verify', fileWith(chain.slice(0, 1)), '--card', code);
  expect(whole).toMatchObject({ code: 2, json: { isOfCard: false } });
  expect(whole.err).toMatch(/the card was made of 2 entries, and 1 are here/);
  const gone = await ledge('record', 'verify', fileWith([], { entries: 2, head: chain[1]!.hash }));
  expect(gone.err).toMatch(/the whole record was taken out: 2 entries were written/);
  const bad = await ledge('record', 'verify', fileWith(chain), '--card', 'nothing');
  expect([bad.code, bad.err]).toEqual([2, expect.stringMatching(/--card "nothing" is no code of a card/)]);
});
