import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { inflateSync } from 'node:zlib';
import { jobPlanSchema, scheduleSchema } from '@blue-ledge/core';
import { run } from '../src/run.ts';

const DEMO = join(__dirname, '../../demo/book-bus-6.ledge.json');

/** What a command line answers: exit code, parsed stdout, stderr. */
async function ledge(...args: string[]) {
  let out = '';
  let err = '';
  const code = await run(args, { out: (text) => (out += text), err: (text) => (err += text) });
  return { code, json: code === 0 && out.startsWith('{') ? JSON.parse(out) : null, out, err };
}

test('plan: every panel with systems, steps and refusals, in the published shape', async () => {
  const { code, json } = await ledge('plan', DEMO);
  expect(code).toBe(0);
  const { panels } = jobPlanSchema.parse(json);
  expect(panels.map(({ panelId, chosen }) => [panelId, chosen !== null])).toEqual([
    ['door', true],
    ['hatch', true],
    ['nose', true],
    ['trim', true],
    ['corner', true],
    ['lid', true],
  ]);
  const [door] = panels;
  expect(door!.systems.filter(({ verdict }) => verdict === 'ready').length).toBeGreaterThanOrEqual(2);
  const refused = door!.systems.find(({ verdict }) => verdict === 'refused')!;
  expect(refused.refusedBy[0]).toMatchObject({
    rule: expect.stringMatching(/^[A-Z]+\d/),
    zoneId: expect.any(String),
  });
});

test('check: says what is in a good file', async () => {
  expect(await ledge('check', DEMO)).toMatchObject({
    code: 0,
    json: {
      ok: true,
      panels: [
        { id: 'door', nZones: 3 },
        { id: 'hatch', nZones: 2 },
        { id: 'nose', nZones: 1 },
        { id: 'trim', nZones: 1 },
        { id: 'corner', nZones: 1 },
        { id: 'lid', nZones: 2 },
      ],
    },
  });
});

test.each([
  [
    ['dew', '--celsius', '20', '--humidity', '60'],
    { dewPointCelsius: expect.closeTo(12.0, 1), mayCoat: true },
  ],
  [
    ['dew', '--celsius', '12', '--humidity', '85'],
    { dewPointCelsius: expect.closeTo(9.55, 2), mayCoat: false },
  ],
  [
    ['mix', '--ratio', '4:1:2', '--volume', '700'],
    { components: [{ volumeMl: 400 }, { volumeMl: 100 }, { volumeMl: 200 }] },
  ],
  [
    ['telegraph', '--grit', 'P400'],
    { planes: [{ plane: 'gloss', grooveUm: expect.closeTo(0.64, 2), passes: true }] },
  ],
  [
    ['mix', '--ratio', '4:1:2', '--volume', '500', '--cup', '70,90,120'],
    {
      components: [
        { markMm: expect.closeTo(64, 0) },
        { markMm: expect.closeTo(77.6, 1) },
        { markMm: expect.closeTo(102.7, 1) },
      ],
    },
  ],
  [
    ['ladder', '--material', 'filler', '--from', 'P36', '--to', 'P400', '--area', '6', '--tool', 'block'],
    { best: { minutes: expect.closeTo(191.3, 1) } },
  ],
  [
    [
      'ladder',
      '--material',
      'primer',
      '--from',
      'P180',
      '--to',
      'P400',
      '--area',
      '1',
      '--own',
      'P180,P240,CAMI 320',
    ],
    { own: { steps: [{ grade: 'P240' }, { grade: 'P400' }], largestJump: expect.closeTo(58.5 / 35, 3) } },
  ],
  [
    ['block', DEMO, '--panel', 'hatch'],
    {
      forecasts: [
        {
          panelId: 'hatch',
          zoneId: 'B',
          blocks: expect.arrayContaining([expect.objectContaining({ blockId: 'long' })]),
        },
      ],
    },
  ],
  [['schema', 'job'], { properties: { panels: expect.anything() } }],
  [
    ['film', '--area', '1.8', '--film-um', '120', '--solids', '0.4217'],
    { volumeMl: expect.closeTo(788, 0), wetUm: expect.closeTo(284.6, 1) },
  ],
  [['flash', '--minutes', '10', '--celsius', '5'], { minutes: expect.closeTo(20, 6) }],
  [
    ['flash', '--minutes', '10', '--celsius', '15', '--carrier', 'water', '--humidity', '80'],
    { minutes: expect.closeTo(34.3, 1) },
  ],
  [['cure', '--points', '20:720,60:30', '--celsius', '12'], { fullCureMin: expect.closeTo(25.2 * 60, -1) }],
  [
    ['cure', '--points', '20:720,60:30', '--spells', '18:480,10:480,16:480'],
    { conversion: expect.any(Number) },
  ],
  [
    ['hide', '--base-L', '45', '--contrast', '0.8', '--tones', '9,30', '--quality', 'show'],
    { byTone: [{ coats: 2 }, { coats: 1 }], best: { toneL: 30, coats: 1 } },
  ],
  [
    ['hide', '--base', '#c01a1a', '--contrast', '0.6', '--tones', '20,40,60,80'],
    { byTone: expect.any(Array) },
  ],
  [
    ['rescue', '--ratio', '4:1:2', '--poured', '400,130,0', '--tolerance', '3', '--cup-ml', '800'],
    { addMl: [expect.closeTo(102.33, 2), 0, expect.closeTo(251.17, 2)], fits: false },
  ],
  [
    [
      'pace',
      '--flow-ml',
      '250',
      '--transfer',
      '0.65',
      '--solids',
      '0.4217',
      '--fan-mm',
      '250',
      '--film-um',
      '40',
    ],
    { metresPerSecond: expect.closeTo(0.228, 3) },
  ],
  [
    ['compressor', '--demand', '350', '--delivery', '220', '--tank', '50', '--from', '8', '--to', '5'],
    { keepsUp: false, minutes: expect.closeTo(1.139, 3) },
  ],
  [
    ['flow-cup', '--reading', '0:27', '--reading', '5:22', '--target', '20'],
    { percent: expect.closeTo(7.33, 2) },
  ],
  [
    ['pour', DEMO, '--panel', 'door'],
    {
      panelId: 'door',
      pours: expect.arrayContaining([
        expect.objectContaining({ op: 'prime-build', sheetId: 'build-4-1-1', pots: expect.any(Number) }),
      ]),
      shopping: expect.arrayContaining([
        expect.objectContaining({ sheetId: 'build-4-1-1', component: 'hardener' }),
      ]),
    },
  ],
  [['filler', '--area', '0.25', '--depth-um', '900'], { hardenerGrams: expect.closeTo(9.72, 2) }],
])('%j answers', async (args, answer) => {
  expect(await ledge(...args)).toMatchObject({ code: 0, json: answer });
});

test('plan --tests names what would decide', async () => {
  const { json } = await ledge('plan', DEMO, '--tests');
  expect(jobPlanSchema.parse(json).panels[0]!.tests![0]).toMatchObject({ test: 'Solvent rub', zoneId: 'A' });
});

describe('judge', () => {
  let folder: string;
  beforeAll(() => (folder = mkdtempSync(join(tmpdir(), 'ledge-judge-'))));
  afterAll(() => rmSync(folder, { recursive: true }));
  const sequence = (own: unknown): string => {
    const path = join(folder, 'own.json');
    writeFileSync(path, JSON.stringify(own));
    return path;
  };
  test('says step by step what is refused, by which rule and what would allow it', async () => {
    const own = sequence([{ op: 'prime-etch', zones: ['B'], sheetId: 'etch-1k' }]);
    const { code, json } = await ledge('judge', DEMO, own, '--panel', 'door');
    expect(code).toBe(0);
    expect(json).toMatchObject({
      isReady: false,
      steps: [{ verdict: 'refused', refusedBy: [{ rule: 'M6', allowedIf: expect.stringMatching(/^if /) }] }],
    });
  });
  test.each([
    [[{ op: 'polish', zones: ['A'] }], ['--panel', 'door'], /is not an operation of the trade/],
    [[], ['--panel', 'wing'], /--panel "wing" is not in the job; it has door, hatch/],
  ])('%j %j is bad input', async (own, args, message) => {
    const { code, err } = await ledge('judge', DEMO, sequence(own), ...args);
    expect(code).toBe(2);
    expect(err).toMatch(message);
  });
});

describe('bad input: exit 2, one clear message, nothing on stdout', () => {
  let folder: string;
  beforeAll(() => (folder = mkdtempSync(join(tmpdir(), 'ledge-cli-'))));
  afterAll(() => rmSync(folder, { recursive: true }));

  const file = (name: string, text: string): string => {
    const path = join(folder, name);
    writeFileSync(path, text);
    return path;
  };
  test.each<[string, () => string[], RegExp]>([
    [
      'no such file',
      () => ['plan', join(folder, 'none.json')],
      /cannot be read \(ENOENT\): give the path of a job file/,
    ],
    ['broken JSON', () => ['plan', file('broken.json', '{"format":')], /not JSON/],
    [
      'a newer version',
      () => ['check', file('new.json', '{"format":"blue-ledge-job","version":7}')],
      /version 7.*Update the program/,
    ],
    [
      '50 MB of text',
      () => ['check', file('huge.json', 'x'.repeat(50 * 1024 * 1024))],
      /50 MB; a job file is at most 8 MB/,
    ],
    ['a folder', () => ['check', folder], /is no file: give the path/],
    [
      'words for numbers',
      () => ['dew', '--celsius', 'warm', '--humidity', '60'],
      /--celsius must be a number in °C: "warm" is no number/,
    ],
    ['a bare grade', () => ['telegraph', '--grit', '400'], /--grit "400" is in no table.*CAMI 400/],
    ['an unknown command', () => ['polish'], /unknown command/],
    ['a humidity of 300', () => ['dew', '--celsius', '20', '--humidity', '300'], /humidity/i],
    [
      'nothing poured yet',
      () => ['rescue', '--ratio', '4:1', '--poured', '0,0'],
      /nothing has been poured yet/,
    ],
    [
      'a system that is not there',
      () => ['pour', DEMO, '--system', 'x'],
      /--system must be one that is ready/,
    ],
    ['one reading', () => ['flow-cup', '--reading', '0:27', '--target', '20'], /two readings/],
    [
      'a base twice',
      () => ['hide', '--base', '#ffffff', '--base-L', '40', '--contrast', '0.5', '--tones', '20'],
      /give the base once/,
    ],
    [
      'cure points in other words',
      () => ['cure', '--points', '20=720', '--celsius', '12'],
      /--points must be/,
    ],
    [
      'a tank that fills',
      () => ['compressor', '--demand', '9', '--delivery', '5', '--tank', '50', '--from', '5', '--to', '8'],
      /must fall from a higher pressure/,
    ],
    ['a ratio of nothing', () => ['mix', '--ratio', '0:0', '--volume', '100'], /ratio|part/i],
  ])('%s', async (_, args, message) => {
    const { code, out, err } = await ledge(...args());
    expect({ code, out }).toEqual({ code: 2, out: '' });
    expect(err).toMatch(message);
  });
});

/** Lines and page of a PDF made here: its one content stream, unpacked; lengths in mm from the lower left corner. */
function drawnIn(
  path: string,
): { readonly x: number; readonly y: number; readonly toX: number; readonly toY: number }[] {
  const pdf = readFileSync(path);
  const text = pdf.toString('latin1');
  const streams = [...text.matchAll(/stream\r?\n/g)].map(({ index, 0: head }) => {
    const from = index + head.length;
    return pdf.subarray(from, text.indexOf('endstream', from));
  });
  const unpacked = streams.flatMap((stream) => {
    try {
      return inflateSync(stream).toString('latin1');
    } catch {
      return [];
    }
  });
  const content = unpacked.find((each) => / l\b/.test(each) && / m\b/.test(each))!;
  const mm = (pt: string): number => (Number(pt) / 72) * 25.4;
  return [...content.matchAll(/([\d.]+) ([\d.]+) m\s+([\d.]+) ([\d.]+) l/g)].map(([, x, y, toX, toY]) => ({
    x: mm(x!),
    y: mm(y!),
    toX: mm(toX!),
    toY: mm(toY!),
  }));
}

test('mix --strip: the file is true to scale, by its check bar and by its marks along the wall', async () => {
  const file = join(mkdtempSync(join(tmpdir(), 'ledge-strip-')), 'strip.pdf');
  const { code, json } = await ledge(
    'mix',
    '--ratio',
    '4:1:2',
    '--volume',
    '500',
    '--cup',
    '70,90,120',
    '--strip',
    file,
  );
  expect(code).toBe(0);
  const heights = json.components.map((each: { markMm: number }) => each.markMm);
  expect(heights.map((mm: number) => Math.round(mm * 10) / 10)).toEqual([64, 77.6, 102.7]);
  const lines = drawnIn(file);
  const upright = lines.filter(({ x, toX }) => Math.abs(x - toX) < 0.01);
  const bar = upright.find(({ x }) => x > 100)!;
  expect(Math.abs(bar.toY - bar.y)).toBeCloseTo(100, 2);
  const [wall] = upright.filter(({ x }) => x < 100);
  const slant = Math.hypot(1, 10 / 120);
  expect(Math.abs(wall!.toY - wall!.y)).toBeCloseTo(120 * slant, 2);
  const bottom = Math.min(wall!.y, wall!.toY);
  const marks = lines.filter(
    ({ x, y, toX, toY }) => Math.abs(y - toY) < 0.01 && Math.abs(toX - x - 14) < 0.01,
  );
  expect(marks).toHaveLength(3);
  marks.forEach(({ y }, i) => expect(y - bottom).toBeCloseTo(heights[i] * slant, 2));
});

test('mix --strip: a file that is there stays, unless somebody says that it may go', async () => {
  const file = join(mkdtempSync(join(tmpdir(), 'ledge-strip-')), 'strip.pdf');
  writeFileSync(file, 'a letter');
  const args = ['mix', '--ratio', '4:1', '--volume', '100', '--cup', '70,90,120', '--strip', file];
  expect(await ledge(...args)).toMatchObject({
    code: 2,
    err: expect.stringMatching(/is there already, and was left as it is: give another file, or --force/),
  });
  const asked: string[] = [];
  const saying = (answer: boolean) =>
    run(args, {
      out: () => undefined,
      err: () => undefined,
      ask: (question) => {
        asked.push(question);
        return Promise.resolve(answer);
      },
    });
  expect(await saying(false)).toBe(2);
  expect(readFileSync(file, 'utf8')).toBe('a letter');
  expect(asked).toEqual([`${file} is there already. Overwrite it?`]);
  expect(await saying(true)).toBe(0);
  expect(readFileSync(file, 'latin1')).toMatch(/^%PDF/);
  expect((await ledge(...args, '--force')).code).toBe(0);
});

test('mix --strip: refuses a cup that is too small or too tall, and a file that cannot be written', async () => {
  const strip = (volume: string, cup: string, file = join(tmpdir(), 'never.pdf')) =>
    ledge('mix', '--ratio', '4:1', '--volume', volume, '--cup', cup, '--strip', file);
  expect(await strip('900', '70,90,120')).toMatchObject({
    code: 2,
    err: expect.stringMatching(/does not fit/),
  });
  expect(await strip('900', '300,300,400')).toMatchObject({
    code: 2,
    err: expect.stringMatching(/a page takes/),
  });
  expect(await strip('100', '70,90,120', '/no/such/folder/x.pdf')).toMatchObject({
    code: 2,
    err: expect.stringMatching(/cannot be written \(ENOENT\)/),
  });
  expect(await ledge('mix', '--ratio', '4:1', '--volume', '100', '--strip', 'x.pdf')).toMatchObject({
    code: 2,
    err: expect.stringMatching(/needs the cup/),
  });
});

describe('schedule', () => {
  const START = ['--start', '2026-12-07T08:00'];

  test('every panel of the job, in the published shape: tasks with resources, windows, what is late', async () => {
    const { code, json } = await ledge(
      'schedule',
      DEMO,
      ...START,
      '--technicians',
      '2',
      '--due',
      'door=2026-12-07T12:00',
    );
    expect(code).toBe(0);
    const schedule = scheduleSchema.parse(json);
    expect(schedule.start).toBe('2026-12-07T08:00');
    expect(schedule.late.map(({ panelId }) => panelId)).toEqual(['door']);
    expect(new Set(schedule.tasks.map(({ panelId }) => panelId)).size).toBe(6);
    const people = new Set(
      schedule.tasks.flatMap(({ resources }) => resources).filter((each) => each.startsWith('technician')),
    );
    expect([...people].sort()).toEqual(['technician:1', 'technician:2']);
    for (const { usedMin, closesMin } of schedule.windows) expect(usedMin).toBeLessThanOrEqual(closesMin);
  });

  test.each([
    ['no such day', [DEMO, '--start', '2026-13-07T08:00'], /--start must be a moment/],
    ['hours that end before they begin', [DEMO, ...START, '--hours', '17:00-08:00'], /--hours must be hours/],
    ['a ninth day of the week', [DEMO, ...START, '--days', '9'], /--days must be days of the week/],
    ['half a technician', [DEMO, ...START, '--technicians', '0.5'], /--technicians must be a whole number/],
    ['a break all day', [DEMO, ...START, '--break', '00:00-24:00'], /Nobody works in this shop/],
    ['due for nobody', [DEMO, ...START, '--due', 'nowhere=2026-12-09T17:00'], /no job or panel/],
    ['one job twice', [DEMO, DEMO, ...START], /in two of the files/],
  ] as const)('%s is refused with its remedy', async (_, args, message) => {
    const { code, err } = await ledge('schedule', ...args);
    expect([code, err]).toEqual([2, expect.stringMatching(message)]);
  });
});
