import { DEFAULT_FIGURES } from '../surface/figures.ts';
import { cuttingMinutes, gradeChangeMinutes, sandingMinutes } from '../surface/ladder.ts';
import { bendingNMm2Of, blockOf } from './block.ts';
import {
  bestBlock,
  blockMinutes,
  buildNeededUm,
  forecast,
  levelPoint,
  verdictAt,
  type BlockForecast,
  type ForecastTask,
} from './forecast.ts';
import { forecastField } from './forecast-field.ts';
import { misfitOf } from './misfit.ts';
import { lookOver } from './outcome.ts';
import { PRACTICE_PANELS, practiceField } from './practice-panels.ts';
import { Sander } from './sander.ts';
import { SCORED_INSET, isStiffAlong, scoreOf } from './score.ts';
import { holdFor, xPass } from './strokes.ts';

const TASK: ForecastTask = {
  waves: { um: 60, lengthMm: 150 },
  peelUm: 12,
  isCrowned: false,
  areaM2: 0.35,
  grade: 'P240',
  film: 'primer',
  under: 'filler',
  filmUm: 150,
  mustStayUm: 40,
  limitUm: 20,
  seed: 1,
  blocks: ['soft-pad', 'mid', 'flex'].map((id) => blockOf(id)),
};

const BLOCKED = { areaM2: TASK.areaM2, tool: 'block', material: 'primer' } as const;

describe('how much build, which block', () => {
  const flat = [...forecast(TASK)];
  const [soft, mid] = flat as [BlockForecast, BlockForecast];

  test('a soft pad never levels waves, a rigid block does', () => {
    expect(levelPoint(soft, 20)).toBeNull();
    expect(levelPoint(mid, 20)!.unlevelUm).toBeLessThanOrEqual(20);
  });

  test('the build that is needed is what comes off the crests and what must stay, near the film budget', () => {
    const needUm = buildNeededUm(mid, TASK)!;
    // Half the waves lie above the mean, and a block that is 20 µm short of level need not go to the bottom.
    expect(needUm).toBeGreaterThan(40 + 20);
    expect(needUm).toBeLessThan(40 + 60 + 12 + 16);
    expect(verdictAt(mid, needUm + 1, TASK)).toMatchObject({ kind: 'level' });
    expect(verdictAt(mid, needUm - 10, TASK)).toMatchObject({ kind: 'thin' });
    expect(verdictAt(soft, 500, TASK)).toMatchObject({ kind: 'never' });
  });

  test('the same task gives the same forecast', () => {
    expect([...forecast({ ...TASK, blocks: [blockOf('mid')] })][0]).toEqual(mid);
  });

  test('waves are read as high as they were made, in their worst direction', () => {
    for (const lengthMm of [80, 120, 150]) {
      const field = forecastField({ ...TASK, peelUm: 0, waves: { um: 40, lengthMm } }, 100, 4);
      expect(lookOver(field).unlevelUm).toBeCloseTo(40, -0.3);
    }
  });

  test('the minutes of a block are those of the plan’s block step, form and patch with it', () => {
    const asked = { ...TASK, formFactor: 1.15, besidesMin: 4 };
    const level = levelPoint(mid, 20)!;
    expect(level.minutes).toBeCloseTo(sandingMinutes('P240', level.takenMostUm, BLOCKED), 9);
    const cutMin = blockMinutes(asked, 50) - 4 - gradeChangeMinutes(TASK.areaM2, DEFAULT_FIGURES);
    expect(cutMin).toBeCloseTo(1.15 * cuttingMinutes('P240', 50, BLOCKED), 9);
  });

  test('a board that is too soft follows the waves, one that is too stiff rides the crown', () => {
    const size = { lengthMm: 1300, heightMm: 700 };
    const crowned = { ...TASK, isCrowned: true, crownRadiusMm: 3000, size };
    const left = (sagMm: number): number => {
      const block = { ...blockOf('flex'), bendingNMm2: bendingNMm2Of(sagMm) };
      return [...forecast({ ...crowned, blocks: [block] })][0]!.points.at(-1)!.unlevelUm;
    };
    const misfit = (sagMm: number) =>
      misfitOf(crowned, { ...blockOf('flex'), bendingNMm2: bendingNMm2Of(sagMm) });
    expect([0.3, 3, 300].map(misfit)).toEqual(['rides', null, 'follows']);
    expect(misfitOf(TASK, blockOf('soft-pad'))).toBe('follows');
    expect(misfitOf(TASK, blockOf('short'))).toBe('short');
    expect(left(3)).toBeLessThanOrEqual(20);
    expect(left(0.3)).toBeGreaterThan(30);
  });

  test('on a crown the flexible board is best', () => {
    const crowned = { ...TASK, isCrowned: true };
    expect(bestBlock([...forecast(crowned)], crowned)?.blockId).toBe('flex');
    expect(bestBlock([soft], TASK)).toBeNull();
  });
});

describe('practice panels', () => {
  const practise = (
    id: string,
    blockId: string,
    passes: number,
    grades: readonly ['P240' | 'P320' | 'P400', ...('P320' | 'P400')[]],
  ) => {
    const panel = PRACTICE_PANELS.find((each) => each.id === id)!;
    const field = practiceField(id, 8);
    const unlevelBeforeUm = lookOver(field, SCORED_INSET).unlevelUm;
    const block = blockOf(blockId);
    const sander = new Sander(field, block, grades[0]);
    for (const grade of grades) {
      sander.take(block, grade);
      for (let pass = 0; pass < passes; pass++)
        for (const { fromX, fromY, toX, toY, turnRad } of xPass(
          field,
          block,
          holdFor(block, panel.isCrowned),
          pass,
        )) {
          sander.putDown(fromX, fromY, turnRad);
          sander.slideTo(toX, toY);
        }
    }
    const minutes = sander.slidM / 30;
    const outcome = lookOver(field, SCORED_INSET);
    const wasStiff = blockId === 'long';
    return scoreOf(panel, field, {
      outcome,
      minutes,
      unlevelBeforeUm,
      wasStiff,
      block,
      grade: grades.at(-1)!,
    });
  };

  test('there are six, all different, each the same every time', () => {
    expect(PRACTICE_PANELS.length).toBeGreaterThanOrEqual(6);
    for (const { id } of PRACTICE_PANELS) {
      expect(practiceField(id, 16).topUm).toEqual(practiceField(id, 16).topUm);
      expect(lookOver(practiceField(id, 8), SCORED_INSET).unlevelUm).toBeGreaterThan(15);
    }
    expect(() => practiceField('nowhere')).toThrow(/no practice panel/);
  });

  test('the right block scores better than a soft pad, and the pad’s failing is named', () => {
    const good = practise('flat-lid', 'long', 9, ['P240', 'P320']);
    const poor = practise('flat-lid', 'soft-pad', 9, ['P240', 'P320']);
    expect(good.points).toBeGreaterThan(poor.points + 15);
    expect(good.parts.find(({ name }) => name === 'level')!.points).toBeGreaterThanOrEqual(35);
    expect(poor.advice.join()).toMatch(/followed the waves/);
  });

  test('staying on until the metal shows costs the film points and is said', () => {
    const through = practise('thin-hood', 'soft-pad', 40, ['P240']);
    expect(through.parts.find(({ name }) => name === 'film')!.points).toBe(0);
    expect(through.advice.join()).toMatch(/film is through/);
  });

  test('a rigid board is stiff along a bend, but not across it, nor is a short or a flexible one', () => {
    expect(isStiffAlong(blockOf('long'), 0)).toBe(true);
    expect(isStiffAlong(blockOf('long'), Math.PI / 2)).toBe(false);
    expect(isStiffAlong(blockOf('short'), 0)).toBe(false);
    expect(isStiffAlong(blockOf('flex'), 0)).toBe(false);
  });

  test('nothing done is nothing scored', () => {
    const panel = PRACTICE_PANELS[0]!;
    const field = practiceField(panel.id, 8);
    const outcome = lookOver(field, SCORED_INSET);
    const score = scoreOf(panel, field, {
      outcome,
      minutes: 0,
      unlevelBeforeUm: outcome.unlevelUm,
      wasStiff: false,
      block: blockOf('mid'),
      grade: 'P240',
    });
    expect(score.advice).toEqual(['Nothing is blocked yet.']);
    expect(score.points).toBe(0);
  });

  // Strokes over the whole panel ride on a body line: it is blocked from each side.
  test.each(PRACTICE_PANELS.filter(({ hasLine }) => !hasLine).map(({ id }) => id))(
    '%s: a few strokes earn less than work that is finished',
    (id) => {
      const few = practise(id, 'flex', 1, ['P240']);
      const finished = practise(id, 'flex', 8, ['P240', 'P320']);
      expect(finished.points).toBeGreaterThan(few.points);
    },
  );

  test('advice never names what is in hand already', () => {
    const longest = practise('wavy-patch', 'flex', 9, ['P240']);
    expect(longest.advice.join()).not.toMatch(/longer one|flexible board/);
    const finest = practise('high-and-low', 'soft-pad', 6, ['P240', 'P400']);
    expect(finest.advice.join()).not.toMatch(/finer grade/);
  });
});
