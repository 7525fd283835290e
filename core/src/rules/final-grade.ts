import { GRADES, grainUm, type Grade } from '../materials/grades.ts';
import { readyVolumeSolids, scratchUnder } from '../materials/sheet.ts';
import { isCoat, isLastCoat, type Act } from '../operations/act.ts';
import { figuresIn, ruleIn, schoolIn, sheetIn, type Context } from '../operations/context.ts';
import { blockedUm } from '../operations/sanded-area.ts';
import { topOf, type PanelState, type ZoneState } from '../operations/state.ts';
import { sandingMinutes } from '../surface/ladder.ts';
import { sandedMaterial } from '../materials/sanded-material.ts';
import { scratchDepthUm } from '../surface/scratch.ts';
import type { Tool } from '../materials/tools.ts';
import {
  coarsestThatHides,
  telegraph,
  worstPlane,
  type CoatsToCome,
  type Telegraph,
} from '../surface/telegraph.ts';

/** Which grade finishes a surface before its last coat, and which one starts the blocking. */

const FINISHING_TOOLS = { 'machine-dry': 'machine-soft', 'hand-wet': 'wet-hand' } as const;
/** Tool of the last sanding, by the shop's school: a machine with a soft interface, or wet paper by hand. */
export const finalTool = (context: Context): Tool => FINISHING_TOOLS[schoolIn(context, 'finalSand').side];
/** Grades of a blend panel under clear, and the coarsest that may lie under solvent colour. */
const BLEND_GRADE = 'P800';
const UNDER_SOLVENT = 'P600';

/** Coarsest grade that a blend area may have. */
export const blendGrade = ({ target }: Context): Grade =>
  target.base.carrier === 'solvent' ? UNDER_SOLVENT : BLEND_GRADE;

/** Scratch range that base wants where no sealer lies between (default). */
const BASE_RANGE = { coarsest: 'P400', finest: 'P1000' } as const;
/** Grades with which a build may be blocked first. */
const BLOCK_GRADES = GRADES.filter(
  (grade) => grainUm(grade) <= grainUm('P180') && grainUm(grade) >= grainUm('P320'),
);

/** What lies between this sanding and the eye: the sealer about to go on, or none. */
export function coatsToCome(act: Act, context: Context, zoneId: string): CoatsToCome {
  if (!isLastCoat(act)) return { sealerCoats: 0, target: context.target };
  const sealerSolids = readyVolumeSolids(sheetIn(context, act.sheetId));
  return { sealerCoats: act.coats[zoneId] ?? 1, sealerSolids, target: context.target };
}

/** Telegraph of a scratch on this zone under what comes, in the plane that is nearest its limit. */
export const telegraphOn = (zone: ZoneState, depthUm: number, act: Act, context: Context): Telegraph =>
  worstPlane(telegraph(depthUm, coatsToCome(act, context, zone.zone.id), figuresIn(context)));

interface FinalGrade {
  readonly grade: Grade;
  readonly verdict: Telegraph;
}

/** Final grades under each context, by the layer and what is laid on it: the same few are asked for in all of a search. */
const KNOWN_GRADES = new WeakMap<Context, Map<string, FinalGrade | null>>();

/** The coarsest grade that the next sheet allows and that will not show; null when none does both. */
export function finalGrade(zone: ZoneState, act: Act, context: Context): FinalGrade | null {
  const known = KNOWN_GRADES.get(context) ?? new Map<string, FinalGrade | null>();
  KNOWN_GRADES.set(context, known);
  const { id } = zone.zone;
  const laid = isCoat(act) ? `${act.sheetId} ${isLastCoat(act) ? (act.coats[id] ?? 1) : 0}` : '';
  const name = `${topOf(zone).kind} ${laid}`;
  const before = known.get(name);
  if (before !== undefined) return before;
  const made = makeFinalGrade(zone, act, context);
  known.set(name, made);
  return made;
}

function makeFinalGrade(zone: ZoneState, act: Act, context: Context): FinalGrade | null {
  const { kind } = topOf(zone);
  const range = isCoat(act) ? scratchUnder(sheetIn(context, act.sheetId), kind) : BASE_RANGE;
  if (!range) return null;
  const material = sandedMaterial(kind);
  const figures = figuresIn(context);
  const tool = finalTool(context);
  const coats = coatsToCome(act, context, zone.zone.id);
  const grade = coarsestThatHides({ ...range, tool, material, coats, stock: context.shop.stock }, figures);
  if (!grade) return null;
  const depthUm = scratchDepthUm(grade, tool, material, figures);
  return { grade, verdict: telegraphOn(zone, depthUm, act, context) };
}

/** First block grade with the least minutes to level the build and to bring it to `final`, inside the largest jump. */
export function blockGrade(zone: ZoneState, final: Grade, panel: PanelState, context: Context): Grade {
  const material = sandedMaterial(topOf(zone).kind);
  const { areaM2 } = zone.zone;
  const depthUm = Math.max(0, topOf(zone).um - blockedUm(zone, panel, context));
  const figures = figuresIn(context);
  const jump = ruleIn(context, 'largestJump').value;
  const minutes = (grade: Grade): number =>
    sandingMinutes(grade, depthUm, { areaM2, tool: 'block', material }, figures) +
    sandingMinutes(
      final,
      scratchDepthUm(grade, 'block', material, figures),
      {
        areaM2,
        tool: finalTool(context),
        material,
      },
      figures,
    );
  const within = BLOCK_GRADES.filter(
    (grade) => grainUm(grade) > grainUm(final) && grainUm(grade) / grainUm(final) <= jump,
  );
  const { stock } = context.shop;
  const ours = within.filter((grade) => stock?.includes(grade));
  const tried = ours.length > 0 ? ours : within;
  return tried.reduce(
    (best, grade) => (minutes(grade) < minutes(best) ? grade : best),
    tried[tried.length - 1] ?? 'P320',
  );
}
