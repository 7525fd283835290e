import { z } from 'zod';
import { isSameJson } from '../units/canonical.ts';
import type { Panel } from './panel.ts';
import { idSchema, type Zone } from './zone.ts';

/**
 * What an edit changes of a panel, field by field, each as it was and as it becomes. Edits of different fields fit one
 * another in any order; one whose `from` is no longer there does not fit, and nothing of it is done.
 */

const fieldName = z
  .string()
  .min(1)
  .max(60)
  .refine((name) => name !== '__proto__' && name !== 'id', 'cannot be changed');

const changeSchema = z.object({
  /** A field of the panel, a zone, or a field of a zone: `["role"]`, `["zones", "B"]`, `["zones", "B", "areaM2"]`. */
  path: z.union([
    z.tuple([fieldName.refine((name) => name !== 'zones', 'are changed one by one')]),
    z.tuple([z.literal('zones'), idSchema]),
    z.tuple([z.literal('zones'), idSchema, fieldName]),
  ]),
  /** Left out where there was nothing. */
  from: z.unknown().optional(),
  /** Left out where nothing stays. */
  to: z.unknown().optional(),
});

export const panelEditSchema = z
  .object({
    changes: z.array(changeSchema).max(4000),
    /** Order of the zones before and after, where it changes. */
    order: z.object({ from: z.array(idSchema).max(60), to: z.array(idSchema).max(60) }).optional(),
  })
  .refine((edit) => !isEmpty(edit), 'names no change');

type Change = z.infer<typeof changeSchema>;
export type PanelEdit = z.infer<typeof panelEditSchema>;

type Fields = Readonly<Record<string, unknown>>;

/** It leaves the panel as it is. */
export const isEmpty = ({
  changes,
  order,
}: {
  readonly changes: readonly unknown[];
  readonly order?: unknown;
}): boolean => changes.length === 0 && order === undefined;

/** A change of one value; none where it stays the same. */
function changed(path: Change['path'], from: unknown, to: unknown): Change[] {
  if (isSameJson(from, to)) return [];
  return [{ path, ...(from === undefined ? {} : { from }), ...(to === undefined ? {} : { to }) }];
}

const fieldsOf = (a: Fields, b: Fields): string[] => [...new Set([...Object.keys(a), ...Object.keys(b)])];

function zoneChanges(id: string, before: Zone | undefined, after: Zone | undefined): Change[] {
  if (!before || !after) return changed(['zones', id], before, after);
  const [a, b] = [before as Fields, after as Fields];
  return fieldsOf(a, b)
    .filter((name) => name !== 'id')
    .flatMap((name) => changed(['zones', id, name], a[name], b[name]));
}

const idsOf = ({ zones }: Pick<Panel, 'zones'>): string[] => zones.map(({ id }) => id);

/** What has to be changed to come from one state of a panel to another; no changes where they are the same. */
export function editOf(before: Panel, after: Panel): PanelEdit {
  const { zones: zonesBefore, id: _, ...a } = before;
  const { zones: zonesAfter, id: __, ...b } = after;
  const facts = fieldsOf(a, b).flatMap((name) => changed([name], (a as Fields)[name], (b as Fields)[name]));
  const ids = [...new Set([...idsOf(before), ...idsOf(after)])];
  const zones = ids.flatMap((id) =>
    zoneChanges(
      id,
      zonesBefore.find((zone) => zone.id === id),
      zonesAfter.find((zone) => zone.id === id),
    ),
  );
  const isSameOrder = isSameJson(idsOf(before), idsOf(after));
  const order = isSameOrder ? {} : { order: { from: idsOf(before), to: idsOf(after) } };
  return { changes: [...facts, ...zones], ...order };
}

/** The edit that takes another one back. */
export const inverseOf = ({ changes, order }: PanelEdit): PanelEdit => ({
  changes: changes.map(({ path, from, to }) => ({
    path,
    ...(to === undefined ? {} : { from: to }),
    ...(from === undefined ? {} : { to: from }),
  })),
  ...(order ? { order: { from: order.to, to: order.from } } : {}),
});

/** What stands at the path of a change; undefined for nothing. */
function valueAt(panel: Panel, [first, id, field]: Change['path']): unknown {
  if (first !== 'zones' || id === undefined) return (panel as Fields)[first];
  const zone = panel.zones.find((each) => each.id === id);
  return field === undefined ? zone : (zone as Fields | undefined)?.[field];
}

const withField = <T extends object>(value: T, name: string, to: unknown): T =>
  Object.fromEntries([
    ...Object.entries(value).filter(([other]) => other !== name),
    ...(to === undefined ? [] : [[name, to]]),
  ]) as T;

function withChange(panel: Panel, { path: [first, id, field], to }: Change): Panel {
  if (first !== 'zones' || id === undefined) return withField(panel, first, to);
  const others = panel.zones.filter((zone) => zone.id !== id);
  if (field === undefined) return { ...panel, zones: to === undefined ? others : [...others, to as Zone] };
  return {
    ...panel,
    zones: panel.zones.map((zone) => (zone.id === id ? withField(zone, field, to) : zone)),
  };
}

/** Zones in an order of ids; those that it does not name come last. */
function inOrder(panel: Panel, ids: readonly string[]): Panel {
  const placeOf = ({ id }: Zone): number => (ids.includes(id) ? ids.indexOf(id) : ids.length);
  return { ...panel, zones: panel.zones.toSorted((a, b) => placeOf(a) - placeOf(b)) };
}

/** The panel after an edit, or null where something that it changes is no longer as it was. */
export function withEdit(panel: Panel, { changes, order }: PanelEdit): Panel | null {
  if (!changes.every(({ path, from }) => isSameJson(valueAt(panel, path), from))) return null;
  const done = changes.reduce(withChange, panel);
  return order ? inOrder(done, order.to) : done;
}

/** One thing that two people made different. */
export interface Conflict {
  readonly path: Change['path'];
  readonly mine: unknown;
  readonly theirs: unknown;
}

/** Where an edit and what is there now differ; what both made the same is left out. */
export function conflictsOf({ changes }: PanelEdit, panel: Panel): Conflict[] {
  return changes.flatMap(({ path, from, to }) => {
    const theirs = valueAt(panel, path);
    return isSameJson(theirs, from) || isSameJson(theirs, to) ? [] : [{ path, mine: to, theirs }];
  });
}

/** The same change made to what is there now, whatever it was; fields of zones that are gone are left out. */
export function rebased(edit: PanelEdit, panel: Panel): PanelEdit {
  const isThere = ({ path: [first, id, field] }: Change): boolean =>
    first !== 'zones' || field === undefined || panel.zones.some((zone) => zone.id === id);
  const changes = edit.changes
    .filter(isThere)
    .flatMap(({ path, to }) => changed(path, valueAt(panel, path), to));
  return { ...edit, changes };
}
