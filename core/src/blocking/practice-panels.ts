import type { Grade } from '../materials/grades.ts';
import type { SandedMaterial } from '../materials/sanded-material.ts';
import { DEFAULT_FIGURES } from '../surface/figures.ts';
import { makeField, type Bump, type Field, type FieldSpec } from './field.ts';
import { seeded } from '../units/random.ts';

/** Panels to practise on, easy ones first. Each has its own seed: it is the same panel every time. */

export interface PracticePanel {
  readonly id: string;
  readonly name: string;
  readonly task: string;
  readonly filmUm: number;
  readonly film: SandedMaterial;
  readonly under: SandedMaterial;
  /** Height difference over 100 mm that is asked for, µm. */
  readonly limitUm: number;
  /** Scratch that the next coat hides, as the grade that leaves it. */
  readonly finish: Grade;
  /** Minutes of blocking that a practised hand takes. */
  readonly parMinutes: number;
  readonly isCrowned: boolean;
  readonly hasLine: boolean;
}

type Ground = Omit<FieldSpec, 'cellMm' | 'filmUm' | 'film' | 'under' | 'guideUm' | 'random'>;

interface PracticeRow {
  readonly panel: Omit<PracticePanel, 'isCrowned' | 'hasLine'>;
  readonly seed: number;
  readonly ground: Ground;
}

/** Size of every practice panel. */
export const PRACTICE_SIZE = { lengthMm: 1024, heightMm: 512 } as const;
const PRACTICE_CELL_MM = 4;

const bump = (xMm: number, yMm: number, um: number, reachMm: number): Bump => ({ xMm, yMm, um, reachMm });

const ROWS: readonly PracticeRow[] = [
  {
    panel: {
      id: 'flat-lid',
      name: 'Flat lid, one high',
      task: 'One high sits somewhere under plenty of build. Find it by the guide coat and bring it down.',
      filmUm: 180,
      film: 'primer',
      under: 'filler',
      limitUm: 25,
      finish: 'P320',
      parMinutes: 4,
    },
    seed: 11,
    ground: { ...PRACTICE_SIZE, bumps: [bump(620, 230, 55, 60)], peelUm: 10 },
  },
  {
    panel: {
      id: 'wavy-patch',
      name: 'Wavy filler under build',
      task: 'Short waves of a hand-shaped filler. A long block rides the crests; do not chase the troughs.',
      filmUm: 150,
      film: 'primer',
      under: 'filler',
      limitUm: 20,
      finish: 'P320',
      parMinutes: 6,
    },
    seed: 23,
    ground: { ...PRACTICE_SIZE, waves: [{ um: 60, lengthMm: 150 }], peelUm: 12 },
  },
  {
    panel: {
      id: 'crowned-door',
      name: 'Crowned door skin',
      task: 'The panel bends along its length. A stiff board rocks on the crown; take one that gives, or turn it.',
      filmUm: 150,
      film: 'primer',
      under: 'filler',
      limitUm: 20,
      finish: 'P320',
      parMinutes: 7,
    },
    seed: 37,
    ground: { ...PRACTICE_SIZE, radiusMm: 3000, waves: [{ um: 45, lengthMm: 160 }], peelUm: 12 },
  },
  {
    panel: {
      id: 'body-line',
      name: 'Panel with a body line',
      task: 'A sharp line runs along the panel and carries less film. Block up to it from both sides, never across.',
      filmUm: 120,
      film: 'primer',
      under: 'metal',
      limitUm: 20,
      finish: 'P320',
      parMinutes: 7,
    },
    seed: 41,
    ground: {
      ...PRACTICE_SIZE,
      bodyLine: { yMm: 210, um: 900, widthMm: 28 },
      waves: [{ um: 40, lengthMm: 170 }],
      peelUm: 12,
    },
  },
  {
    panel: {
      id: 'high-and-low',
      name: 'A high beside a low',
      task: 'A low that the build only just fills lies beside a high that is nearly through. Stop in time.',
      filmUm: 95,
      film: 'primer',
      under: 'metal',
      limitUm: 20,
      finish: 'P400',
      parMinutes: 8,
    },
    seed: 53,
    ground: {
      ...PRACTICE_SIZE,
      bumps: [bump(360, 280, 38, 70), bump(560, 260, -48, 80), bump(820, 150, 26, 50)],
      peelUm: 12,
    },
  },
  {
    panel: {
      id: 'thin-hood',
      name: 'Large hood, thin build',
      task: 'Long waves, a crown and little build: every stroke that is not needed costs film.',
      filmUm: 85,
      film: 'primer',
      under: 'metal',
      limitUm: 14,
      finish: 'P400',
      parMinutes: 10,
    },
    seed: 67,
    ground: {
      ...PRACTICE_SIZE,
      radiusMm: 4000,
      waves: [
        { um: 22, lengthMm: 240 },
        { um: 16, lengthMm: 110 },
      ],
      bumps: [bump(270, 340, 20, 60), bump(760, 180, -24, 70)],
      peelUm: 10,
    },
  },
];

export const PRACTICE_PANELS: readonly PracticePanel[] = ROWS.map(({ panel, ground }) => ({
  ...panel,
  isCrowned: ground.radiusMm !== undefined,
  hasLine: ground.bodyLine !== undefined,
}));

/** A practice panel as cells, the same every time. @throws {Error} for an id that is none of them: a bug of the caller */
export function practiceField(id: string, cellMm: number = PRACTICE_CELL_MM): Field {
  const row = ROWS.find(({ panel }) => panel.id === id);
  if (!row) throw new Error(`no practice panel "${id}"`);
  const { filmUm, film, under } = row.panel;
  const { guideCoatUm: guideUm } = DEFAULT_FIGURES;
  return makeField({ ...row.ground, cellMm, filmUm, film, under, guideUm, random: seeded(row.seed) });
}
