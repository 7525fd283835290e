import fc from 'fast-check';
import { panelOf } from '../testing/bench.ts';
import type { Panel } from './panel.ts';
import { conflictsOf, inverseOf, isEmpty, panelEditSchema, editOf, rebased, withEdit } from './panel-edit.ts';

const door = panelOf([{ stack: 'steel' }, { stack: 'steel/ecoat:20' }, { stack: 'steel/filler:900' }]);
const [a, b, c] = door.zones as [Panel['zones'][number], Panel['zones'][number], Panel['zones'][number]];
const zones = (...list: Panel['zones']): Panel => ({ ...door, zones: list });

const freeId = ({ zones: taken }: Panel): string =>
  ['N1', 'N2', 'N3', 'N4', 'N5', 'N6'].find((id) => taken.every((zone) => zone.id !== id))!;

const edits = fc.constantFrom<(panel: Panel) => Panel>(
  (panel) => ({ ...panel, role: 'blend' }),
  (panel) => ({ ...panel, name: `${panel.name}!` }),
  (panel) => ({ ...panel, crownRadiusMm: 900 }),
  ({ crownRadiusMm: _, ...panel }) => panel as Panel,
  (panel) => ({ ...panel, zones: panel.zones.map((zone, i) => (i === 0 ? { ...zone, areaM2: 0.1 } : zone)) }),
  (panel) => ({ ...panel, zones: panel.zones.slice(1) }),
  (panel) => ({ ...panel, zones: [...panel.zones, { ...a, id: freeId(panel) }] }),
  (panel) => ({ ...panel, zones: panel.zones.toReversed() }),
);

test('an edit leads from one panel to the other, its inverse back, also after being sent', () => {
  fc.assert(
    fc.property(fc.array(edits, { maxLength: 6 }), (list) => {
      const after = list.reduce((panel, change) => change(panel), door);
      const edit = editOf(door, after);
      if (isEmpty(edit)) return expect(after).toEqual(door);
      const sent = panelEditSchema.parse(JSON.parse(JSON.stringify(edit)));
      expect(withEdit(door, sent)).toEqual(after);
      expect(withEdit(after, inverseOf(sent))).toEqual(door);
    }),
  );
});

test('edits of different fields fit one another in any order, edits of the same one do not', () => {
  const mine = editOf(door, zones({ ...a, areaM2: 0.2 }, b, c));
  const theirs = editOf(door, { ...zones({ ...a, name: 'sill' }, b, c), role: 'blend' });
  const both = { ...zones({ ...a, areaM2: 0.2, name: 'sill' }, b, c), role: 'blend' };
  expect(withEdit(withEdit(door, mine)!, theirs)).toEqual(both);
  expect(withEdit(withEdit(door, theirs)!, mine)).toEqual(both);
  const other = editOf(door, zones({ ...a, areaM2: 0.4 }, b, c));
  expect(withEdit(withEdit(door, mine)!, other)).toBeNull();
});

test('an undo takes back its own change only, and none once that was changed again', () => {
  const split = zones({ ...a, areaM2: 0.2 }, { ...a, id: 'D', areaM2: 0.3 }, b, c);
  const undo = inverseOf(editOf(door, split));
  const later = {
    ...split,
    zones: split.zones.map((zone) => (zone.id === 'B' ? { ...zone, name: 'x' } : zone)),
  };
  expect(withEdit(later, undo)).toEqual(zones(a, { ...b, name: 'x' }, c));
  const again = {
    ...split,
    zones: split.zones.map((zone) => (zone.id === 'D' ? { ...zone, name: 'x' } : zone)),
  };
  expect(withEdit(again, undo)).toBeNull();
});

test('a change is made to what is there now where a person wants it so', () => {
  const mine = editOf(door, { ...zones({ ...a, areaM2: 0.2 }, { ...b, name: 'mine' }, c), role: 'blend' });
  const theirs = { ...zones({ ...a, areaM2: 0.4 }, c), role: 'blend' } as Panel;
  expect(withEdit(theirs, rebased(mine, theirs))).toEqual({ ...theirs, zones: [{ ...a, areaM2: 0.2 }, c] });
});

test('a conflict is what two people made different, not what is the same or still as it was', () => {
  const mine = editOf(door, { ...zones({ ...a, areaM2: 0.2, name: 'both' }, b, c), role: 'blend' });
  const theirs = { ...zones({ ...a, areaM2: 0.4, name: 'both' }, c), new: true } as Panel;
  expect(conflictsOf(mine, theirs)).toEqual([{ path: ['zones', 'A', 'areaM2'], mine: 0.2, theirs: 0.4 }]);
});

test.each([
  [{ changes: [] }],
  [{ changes: [{ path: ['id'], to: 'x' }] }],
  [{ changes: [{ path: ['zones'], to: [] }] }],
  [{ changes: [{ path: ['__proto__'], to: {} }] }],
  [{ changes: [{ path: ['zones', '__proto__', 'x'], to: 1 }] }],
  [{ changes: [{ path: ['zones', 'A', 'id'], to: 'B' }] }],
])('%j is no edit', (edit) => expect(panelEditSchema.safeParse(edit).success).toBe(false));
