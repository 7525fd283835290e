import polygonClipping from 'polygon-clipping';
import type { SprayCoat } from '../film/gun-setup.ts';
import { rectangleMm } from '../film/passes.ts';
import { formOf, lowShearOf, readyGramsPerMl, readyVolumeSolids } from '../materials/sheet.ts';
import { isCoat, type CoatAct } from '../operations/act.ts';
import { coatFilmUm, mostCoats, sagOf } from '../operations/coating.ts';
import { ruleIn, sheetIn, type Context } from '../operations/context.ts';
import { workedM2 } from '../operations/table.ts';
import { zoneOf, type ZoneState } from '../operations/state.ts';
import type { Panel } from '../survey/panel.ts';
import { clipped, regionsOf } from '../survey/regions.ts';
import type { Performed } from './prepare.ts';

/** What a gun is set for: each sprayed step of a plan, the coat as it is meant and the areas that it goes over. */

type Ring = readonly (readonly [x: number, y: number])[];

/** What is sprayed in one go: zones that lie together on the drawn panel, or one that has no place there. */
export interface SprayArea {
  readonly areaIds: readonly string[];
  readonly areaM2: number;
  /** Its place on the drawn panel, mm; a rectangle of its size where it has none. */
  readonly rings: readonly Ring[];
  readonly isDrawn: boolean;
}

export interface SprayTask {
  readonly n: number;
  readonly sheetId: string;
  readonly coat: SprayCoat;
  /** Coats of the plan, and of each area where they differ. */
  readonly coats: number;
  readonly coatsOf: Readonly<Record<string, number>>;
  readonly isLightFirst: boolean;
  readonly isLaidFlat: boolean;
  readonly areas: readonly SprayArea[];
  /** Faces that nobody looks at: sprayed before the others. */
  readonly hidden: readonly string[];
  /** Parts of the batch. */
  readonly count: number;
  /** Figures of the coat that the sheet does not give and that were taken as usual. */
  readonly assumed: readonly ('density' | 'thickness at rest')[];
}

/** A zone that is drawn is sprayed where it lies, when most of it is; else a rectangle of its size. */
const MOSTLY = 0.6;

/** Zones that are drawn are sprayed as one; the others each for itself. */
function areasOf(zones: readonly ZoneState[], act: CoatAct, panel: Panel): SprayArea[] {
  const places = new Map((regionsOf(panel) ?? []).map(({ zoneId, polygons }) => [zoneId, polygons]));
  const sized = zones.map((state) => {
    const areaM2 = workedM2(act.op, state);
    const place = state.patch ? undefined : places.get(state.zone.id);
    return { id: state.zone.id, areaM2, place: areaM2 >= state.zone.areaM2 * MOSTLY ? place : undefined };
  });
  const drawn = sized.flatMap((each) => (each.place ? [{ ...each, place: each.place }] : []));
  const [first, ...more] = drawn.map(({ place }) => place);
  const union = first && clipped(() => polygonClipping.union(first, ...more));
  const together: SprayArea[] = union
    ? [
        {
          areaIds: drawn.map(({ id }) => id),
          areaM2: drawn.reduce((sum, { areaM2 }) => sum + areaM2, 0),
          rings: union.flat(),
          isDrawn: true,
        },
      ]
    : [];
  const apart = sized.filter(({ place }) => !union || !place);
  return [
    ...together,
    ...apart.map(({ id, areaM2 }) => ({
      areaIds: [id],
      areaM2,
      rings: [rectangleMm(areaM2)],
      isDrawn: false,
    })),
  ];
}

function taskOf(act: CoatAct, zones: readonly ZoneState[], n: number, context: Context): SprayTask {
  const sheet = sheetIn(context, act.sheetId);
  const density = readyGramsPerMl(sheet);
  const lowShear = lowShearOf(sheet);
  const { isLaidFlat } = sagOf(act, context);
  const { panel } = context;
  return {
    n,
    sheetId: sheet.id,
    coats: mostCoats(act),
    coatsOf: act.coats,
    coat: {
      perCoatUm: sheet.film.perCoatUm,
      filmPercent: ruleIn(context, 'coatFilmPercent').value,
      totalUm: Math.max(...zones.map((zone) => coatFilmUm(act, zone, sheet))),
      volumeSolids: readyVolumeSolids(sheet),
      gramsPerMl: density.value,
      lowShearPaS: lowShear.value,
      tipMm: sheet.tipMm,
      maxWetUm: sheet.film.maxWetUm,
      isUpright: panel.orientation === 'vertical' && !isLaidFlat,
      isSharp: panel.shape === 'sharp',
    },
    isLightFirst: act.isLightFirst === true,
    isLaidFlat,
    areas: areasOf(zones, act, panel),
    hidden: zones.flatMap(({ zone }) => (zone.face === 'inside' || zone.face === 'edge' ? [zone.id] : [])),
    count: panel.count,
    assumed: [
      ...(density.isAssumed ? (['density'] as const) : []),
      ...(lowShear.isAssumed ? (['thickness at rest'] as const) : []),
    ],
  };
}

/** What a gun is set for in steps of a plan; what is not sprayed with a gun is left out. */
export const sprayTasksOf = (steps: readonly Performed[], nBefore: number, context: Context): SprayTask[] =>
  steps.flatMap(({ act, before }, i) =>
    isCoat(act) && formOf(sheetIn(context, act.sheetId)) === 'sprayed'
      ? [
          taskOf(
            act,
            act.zones.map((id) => zoneOf(before, id)),
            nBefore + i + 1,
            context,
          ),
        ]
      : [],
  );
