import { stepFigure, stepMeans, stepTitle } from './describe-step.ts';
import type { Step } from './plan.ts';

const step = (fields: Partial<Step>): Step => ({
  n: 1,
  op: 'wash',
  zones: ['A'],
  areas: ['A'],
  startMin: 0,
  endMin: 10,
  clocks: [],
  handsOnMin: 5,
  waitMin: 0,
  materialCost: 0,
  sources: {},
  why: [],
  cautions: [],
  stacks: {},
  ...fields,
});

test.each<[Partial<Step>, string, string, string | undefined]>([
  [{ op: 'wash' }, 'Wash with soap', '', undefined],
  [
    { op: 'abrade', tool: 'block', grits: ['P80', 'P180'] },
    'Shape and finish the filler',
    'P80 › P180, block',
    'P80 › P180',
  ],
  [{ op: 'abrade', tool: 'machine-soft', grits: ['P360'] }, 'Final sand', 'P360, soft pad', 'P360'],
  [{ op: 'abrade', tool: 'machine', grits: ['P180'] }, 'Abrade', 'P180, machine', 'P180'],
  [
    { op: 'seal', sheetName: 'Sealer 3:1:1', coats: 1, filmUm: 25, toneL: 40 },
    'Sealer 3:1:1',
    '1 coat, 25 µm dry, grey 40 of 100',
    '1 coat',
  ],
  [
    { op: 'prime-build', sheetName: 'Build', coats: 3, filmUm: 150, coatsByZone: { B: 2, C: 3 } },
    'Build',
    '2 coats on B, 3 coats on C, up to 150 µm dry',
    '3 coats',
  ],
  [
    {
      op: 'prime-build',
      sheetName: 'Build',
      coats: 3,
      filmUm: 150,
      coatsByZone: { 'A/chips': 2, 'A/low': 3, 'A/peeling': 2 },
    },
    'Build',
    '2 coats on chips and peeling in A, 3 coats on dent in A, up to 150 µm dry',
    '3 coats',
  ],
  [{ op: 'fill', sheetName: 'Filler', filmUm: 900 }, 'Fill the dent', 'Filler, 900 µm dry', '900 µm'],
])('%j reads as a person would say it', (fields, title, means, figure) => {
  expect(stepTitle(step(fields))).toBe(title);
  expect(stepMeans(step(fields), 'metric')).toBe(means);
  expect(stepFigure(step(fields), 'metric')?.text).toBe(figure);
});

test('figures follow the reader’s units and keep their source', () => {
  const filled = step({ op: 'fill', sheetName: 'Filler', filmUm: 889, sources: { filmUm: 'model' } });
  expect(stepMeans(filled, 'us')).toBe('Filler, 35 mil dry');
  expect(stepFigure(filled, 'us')).toEqual({ text: '35 mil', source: 'model' });
});
