import type { SprayCoat } from '../film/gun-setup.ts';
import { rectangleMm } from '../film/passes.ts';
import { formOf, lowShearOf, readyGramsPerMl, readyVolumeSolids } from '../materials/sheet.ts';
import { isCoat, type CoatAct } from '../operations/act.ts';
import { coatFilmUm, mostCoats, sagOf } from '../operations/coating.ts';
import { sheetIn, type Context } from '../operations/context.ts';
import { workedM2 } from '../operations/extent.ts';
import { zoneOf, type ZoneState } from '../operations/state.ts';
import { regionsOf } from '../survey/regions.ts';
import type { Performed } from './prepare.ts';

/** What a gun is set for: each sprayed step of a plan, the coat as it is meant and the areas that it goes over. */

type Ring = readonly (readonly [x: number, y: number])[];

/** One area that is sprayed. */
export interface SprayArea {
  readonly areaId: string;
  readonly areaM2: number;
  readonly coats: number;
  /** Its place on the drawn panel, mm; a rectangle of its size where it has none. */
  readonly rings: readonly Ring[];
  readonly isDrawn: boolean;
  /** A face that nobody looks at, or an edge: sprayed first. */
  readonly isHidden: boolean;
}

export interface SprayTask {
  readonly n: number;
  readonly sheetId: string;
  readonly coat: SprayCoat;
  /** Coats of the plan. */
  readonly coats: number;
  readonly isLightFirst: boolean;
  readonly isLaidFlat: boolean;
  readonly areas: readonly SprayArea[];
  /** Parts of the batch. */
  readonly count: number;
  /** Figures of the coat that the sheet does not give and that were taken as usual. */
  readonly assumed: readonly ('density' | 'thickness at rest')[];
}

/** A zone that is drawn is sprayed where it lies, when most of it is; else a rectangle of its size. */
const MOSTLY = 0.6;

function areaOf(zone: ZoneState, act: CoatAct, rings: ReadonlyMap<string, readonly Ring[]>): SprayArea {
  const areaM2 = workedM2(act.op, zone);
  const drawn = zone.patch ? undefined : rings.get(zone.zone.id);
  const isDrawn = drawn !== undefined && areaM2 >= zone.zone.areaM2 * MOSTLY;
  return {
    areaId: zone.zone.id,
    areaM2,
    coats: act.coats[zone.zone.id] ?? 1,
    rings: isDrawn ? drawn : [rectangleMm(areaM2)],
    isDrawn,
    isHidden: zone.zone.face === 'inside' || zone.zone.face === 'edge',
  };
}

function taskOf(act: CoatAct, zones: readonly ZoneState[], n: number, context: Context): SprayTask {
  const sheet = sheetIn(context, act.sheetId);
  const density = readyGramsPerMl(sheet);
  const lowShear = lowShearOf(sheet);
  const { isLaidFlat } = sagOf(act, context);
  const { panel } = context;
  const rings = new Map((regionsOf(panel) ?? []).map(({ zoneId, polygons }) => [zoneId, polygons.flat()]));
  const areas = zones.map((zone) => areaOf(zone, act, rings));
  return {
    n,
    sheetId: sheet.id,
    coats: mostCoats(act),
    coat: {
      perCoatUm: sheet.film.perCoatUm,
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
    areas: areas.toSorted((a, b) => Number(b.isHidden) - Number(a.isHidden)),
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
