import { grainUm } from '../../materials/grades.ts';
import { isBody } from '../../materials/layer-kinds.ts';
import { isBare, topOf } from '../../operations/state.ts';
import type { Case } from '../case.ts';
import { ofCoat, ofAnyCoat, onlyOver, under, isKeyed, type Fact } from './fact.ts';

/** What was sanded, how fine, and what was left. */

const EDGE_MM = 40;

/** The last sanding of filler on the area before anything went over it. */
const fillerGrade = ({ sandings }: Case) =>
  sandings
    .findLast(({ before, step }) => isBody(topOf(before).kind) && step.act.op === 'abrade')
    ?.step.act.grades.at(-1);

type Point = readonly [number, number];

/** From a point to a stretch of straight edge, mm. */
function distanceMm([x, y]: Point, [x0, y0]: Point, [x1, y1]: Point): number {
  const [dx, dy] = [x1 - x0, y1 - y0];
  const length2 = dx * dx + dy * dy || 1;
  const t = Math.min(1, Math.max(0, ((x - x0) * dx + (y - y0) * dy) / length2));
  return Math.hypot(x - x0 - t * dx, y - y0 - t * dy);
}

export const SANDING_FACTS = {
  'coarse-last-grit': {
    is: 'the last grade was too coarse for the coat over it',
    isNot: 'the last grade was fine enough',
    measure: 'Do the marks run the way it was sanded? Which paper is on the block?',
    of: ofCoat((coat, seen) => {
      const { scratch } = coat.before.surface;
      if (!scratch) return coat.before.surface.peelUm > 0 ? undefined : false;
      const most = coat.step.act.op === 'seal' ? 'P320' : 'P180';
      const said = coat.step.remarks.some(
        ({ level, reason }) =>
          level !== 'note' && level !== 'school' && /^(K2|K3|K4|B6|F6)$/.test(reason.rule),
      );
      return (
        said || grainUm(scratch.grade) > grainUm(most) * 1.02 || (seen.coats.length === 0 ? undefined : false)
      );
    }),
  },
  'coarse-filler': {
    is: 'filler was left coarser than P180',
    isNot: 'filler was finished P180 or finer, or there is none',
    measure: 'Do straight marks show inside the repair?',
    of: onlyOver(isBody, (seen) => {
      const grade = fillerGrade(seen);
      return grade === undefined ? undefined : grainUm(grade) > grainUm('P180') * 1.02;
    }),
  },
  'edge-raw': {
    is: 'the edge around it was not feathered',
    isNot: 'the edge was feathered, or there is none',
    measure: 'Feel the edge with the flat of the hand.',
    of: ofAnyCoat(({ before }) => before.edge === 'raw'),
  },
  'no-key': {
    is: 'it was not sanded or scuffed under the coat',
    isNot: 'it was keyed under the coat',
    measure: 'Does the back of the flake shine?',
    of: ofAnyCoat((coat) => {
      const laid = under(coat);
      if (laid && !isBody(topOf(coat.before).kind)) return false;
      return !isKeyed(coat) && topOf(coat.before).kind !== 'ecoat' && !isBare(coat.before);
    }),
  },
  crowned: {
    is: 'the panel is crowned, and a block rides on its crown',
    isNot: 'the panel is flat',
    measure: 'Does the block rock? Which block was it?',
    of: (seen) =>
      /(long|hard|stiff) (block|board)/.test(seen.notes) ||
      (seen.context.panel.shape === 'flat' ? false : undefined),
  },
  'at-edge': {
    is: 'it lies at an edge or a body line',
    isNot: 'it lies in the open',
    measure: 'Mark it on the map: is it an edge?',
    of: ({ atMm, context, notes }) => {
      if (/edge|body line|corner/.test(notes)) return true;
      const { outline } = context.panel;
      if (!atMm || !outline) return undefined;
      return outline.some(([x, y], i) => {
        const [x1, y1] = outline[(i + 1) % outline.length]!;
        return distanceMm(atMm, [x, y], [x1, y1]) < EDGE_MM;
      });
    },
  },
} satisfies Record<string, Fact>;
