import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { problemText, readJob, readJobText } from './job-file.ts';
import { SCHEMA_NAMES, jsonSchemaOf } from './json-schema.ts';

const TEXT = readFileSync(join(__dirname, '../../../demo/book-bus-6.ledge.json'), 'utf8');
const demo = () => JSON.parse(TEXT);
const problemsOf = (json: unknown): string[] => {
  const read = readJob(json);
  return read.ok ? [] : read.problems.map(problemText);
};
const changed = (change: (job: ReturnType<typeof demo>) => void): string[] => {
  const job = demo();
  change(job);
  return problemsOf(job);
};

test('the demo job is read, with defaults filled in and extra fields kept', () => {
  const read = readJobText(TEXT);
  expect(read).toMatchObject({
    ok: true,
    value: {
      job: { customer: 'County library service' },
      panels: [
        { role: 'refinish' },
        {},
        { new: true },
        { new: true },
        { new: true },
        { crownRadiusMm: 14_000 },
      ],
    },
  });
});

test('areas follow from an outline where none is given', () => {
  const job = demo();
  delete job.panels[0].zones[1].areaM2;
  job.panels[0].zones[1].shape = [
    [0, 0],
    [700, 0],
    [700, 500],
    [0, 500],
  ];
  const read = readJob(job);
  expect(read.ok && read.value.panels[0]!.zones[1]!.areaM2).toBeCloseTo(0.35);
});

test('a CAMI grade is taken as the P grade of its grain', () => {
  const job = demo();
  job.panels[0].zones[1].findings = [{ kind: 'coarse-scratches', grit: 'cami 400' }];
  expect(readJob(job)).toMatchObject({
    ok: true,
    value: { panels: [{ zones: [{}, { findings: [{ grit: 'P800' }] }, {}] }, {}, {}, {}, {}, {}] },
  });
});

test.each<[string, (job: ReturnType<typeof demo>) => void, RegExp]>([
  ['no panels', (job) => delete job.panels, /^panels: is missing: a job needs a list of panels/],
  [
    'negative area',
    (job) => (job.panels[0].zones[0].areaM2 = -1),
    /^panels\.0\.zones\.0\.areaM2: must be more than 0 m²/,
  ],
  [
    'a hole of no length',
    (job) => (job.panels[0].zones[1].findings = [{ kind: 'hole' }]),
    /lengthMm: is missing: give a number/,
  ],
  [
    'a name that is too long',
    (job) => (job.panels[0].zones[0].name = 'x'.repeat(99)),
    /^panels\.0\.zones\.0\.name: must be at most 80 characters$/,
  ],
  [
    'a negative depth',
    (job) => (job.panels[0].zones[0].findings = [{ kind: 'low', depthMm: -1 }]),
    /depthMm: must be more than 0 mm: measure it with a straightedge$/,
  ],
  [
    'a finding of another name',
    (job) => (job.panels[0].zones[0].findings = [{ kind: 'dent' }]),
    /kind: must be one of: coarse-scratches, low, /,
  ],
  [
    'a layer of another name',
    (job) => (job.panels[0].zones[0].layers = [{ kind: 'gold' }]),
    /kind: must be one of: steel, zinc-steel, /,
  ],
  [
    'a length in words',
    (job) => (job.panels[0].zones[1].findings = [{ kind: 'hole', lengthMm: 'long' }]),
    /lengthMm: must be a number/,
  ],
  [
    'no area',
    (job) => delete job.panels[0].zones[0].areaM2,
    /^panels\.0\.zones\.0\.areaM2: is missing: give the area in m²/,
  ],
  [
    'a negative count',
    (job) => (job.panels[0].zones[0].findings = [{ kind: 'chips', count: -3 }]),
    /^panels\.0\.zones\.0\.findings\.0\.count: must be at least 1/,
  ],
  [
    'a crown of 1 mm',
    (job) => (job.panels[0].crownRadiusMm = 1),
    /^panels\.0\.crownRadiusMm: must be at least 50 mm: measure/,
  ],
  ['half a part', (job) => (job.panels[0].count = 1.5), /^panels\.0\.count: must be a whole number of parts/],
  [
    'a role that is none',
    (job) => (job.panels[0].zones[0].role = 'paint'),
    /^panels\.0\.zones\.0\.role: must be one of: refinish, blend, clear-only, keep/,
  ],
  [
    'unknown layer',
    (job) => (job.panels[0].zones[0].layers[0].kind = 'butter'),
    /^panels\.0\.zones\.0\.layers\.0\.kind: /,
  ],
  [
    'zones over the panel',
    (job) => (job.panels[0].zones[0].areaM2 = 3),
    /^panels\.0\.zones: together cover 3\.60 m², more than the panel's 2\.10 m²/,
  ],
  [
    'a newer version',
    (job) => (job.version = 2),
    /^version: The file is version 2; this program reads version 1/,
  ],
  ['another format', (job) => (job.format = 'x'), /^format: must be "blue-ledge-job"/],
  ['an id twice', (job) => (job.panels[3].id = 'door'), /^panels\.3\.id: "door" is used twice/],
  [
    'a school nobody has',
    (job) => (job.shop.schools.filler = 'none'),
    /^shop\.schools\.filler: must be one of: over-epoxy, on-metal/,
  ],
  [
    'a shop rule out of range',
    (job) => (job.shop.rules.bareMetalLimitMin = 9999),
    /^shop\.rules\.bareMetalLimitMin: must be at most 240/,
  ],
])('%s: one clear message', (_, change, message) => {
  const problems = changed(change);
  expect(problems).toHaveLength(1);
  expect(problems[0]).toMatch(message);
});

test.each([
  ['{"format":', /not JSON/],
  ['[]', /one JSON object/],
  ['null', /one JSON object/],
  [`"${'x'.repeat(9 * 1024 * 1024)}"`, /larger than 8 MB/],
])('text that is no job: %#', (text, message) => {
  const read = readJobText(text);
  expect(read.ok ? '' : read.problems[0]!.message).toMatch(message);
});

test.each(SCHEMA_NAMES)('the JSON Schema of a %s can be published', (name) => {
  expect(jsonSchemaOf(name)).toMatchObject({ $schema: expect.stringContaining('json-schema.org') });
});
