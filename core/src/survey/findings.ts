import { z } from 'zod';
import { GRADES } from '../materials/grades.ts';
import { gradeText } from '../materials/grade-text.ts';
import type { Family, LayerKind } from '../materials/layer-kinds.ts';
import type { Quantity } from '../units/quantities.ts';
import type { OpenIssue } from './open-issue.ts';

/**
 * What can be wrong with a zone, in the words of the trade: one row for each kind. Its figures and how they are asked for,
 * how large a place of it usually is, what it needs of the zone, what it leaves open. Schema, forms, patches, roles,
 * contradictions and stops are derived from the rows.
 */

const share = z.number().min(0, 'must be 0 or more').max(1, 'must be at most 1, the whole zone');
const mm = z.number().positive('must be more than 0 mm').max(5000, 'must be at most 5000 mm');
const countOf = z
  .number()
  .int('must be a whole number')
  .min(1, 'must be at least 1')
  .max(1000, 'must be at most 1000');
const depthMm = z
  .number()
  .positive('must be more than 0 mm: measure it with a straightedge')
  .max(50, 'must be at most 50 mm');
/** Height of waves or of a mark, µm. */
const heightUm = (mostUm: number): z.ZodNumber =>
  z.number().positive('must be more than 0 µm').max(mostUm, `must be at most ${mostUm} µm`);

/**
 * How far a finding goes, by any of these; where none is given it is taken as its kind usually is.
 * `areaM2` is the area over which it is spread, `sizeMm` the width of one place, `lengthMm` of one that is long.
 */
export const SIZE = {
  areaM2: z.number().positive('must be more than 0 m²').max(200, 'must be at most 200 m²').optional(),
  sizeMm: mm.optional(),
  count: countOf.optional(),
  lengthMm: mm.optional(),
  share: share.optional(),
  /** Where it was marked on the panel, mm: for the drawing only. */
  atMm: z.tuple([z.number(), z.number()]).optional(),
};

/** A figure of a finding; `least` and `most` are in the quantity's stored unit, a `share` is 0..1 and asked in percent. */
export type FindingField = {
  readonly name: string;
  readonly label: string;
  /** May be left open. */
  readonly isOptional?: boolean;
} & (
  | { readonly kind: 'number'; readonly quantity: Quantity; readonly least: number; readonly most: number }
  | { readonly kind: 'share' }
  | { readonly kind: 'count' }
  | { readonly kind: 'choice'; readonly options: readonly string[] }
);

type FiguresOf<Shape extends z.ZodRawShape> = { readonly [Name in keyof Shape]: z.output<Shape[Name]> };
/** The figures of a kind, and its size where somebody measured it. */
type Measured<Shape extends z.ZodRawShape> = Omit<Partial<FiguresOf<typeof SIZE>>, keyof Shape> &
  FiguresOf<Shape>;

/** Places of one size, or one place that is long. */
export interface Places {
  readonly count: number;
  /** Width of one place. */
  readonly mm: number;
  /** Length of one place; its width where it is round. */
  readonly lengthMm: number;
  /** Area over which they are spread, where somebody gave one. */
  readonly spreadM2?: number;
}

/** A usual place of a kind, where nobody said how large it is. */
interface UsualPlace {
  readonly mm: number;
  readonly count?: number;
  /** Only under a film; where the substrate or filler lies open it is of the whole zone. */
  readonly isUnderFilm?: true;
}

export interface FindingRow<Figures extends z.ZodRawShape = z.ZodRawShape> {
  readonly label: string;
  /** What people type for it. */
  readonly synonyms: readonly string[];
  /** How it is found. */
  readonly foundBy: string;
  readonly figures: Figures;
  readonly fields: readonly FindingField[];
  /** What a new one starts with. */
  readonly blank: Measured<Figures>;
  /**
   * zone: it describes the surface or material of its zone, unless a length or an area was measured. sized: of the whole
   * zone, unless some size was. Else it is local, and usually so large (defaults).
   */
  readonly where: 'zone' | 'sized' | UsualPlace;
  /** Filler is shaped as a whole: on it the finding is of the zone. */
  readonly isOfZoneOnBody?: true;
  /** Size of its places where the kind has figures of its own for it. */
  readonly places?: (finding: Measured<Figures>) => Places;
  /** Its places lie open: what was on top there is gone, and nothing more is ground away around them. */
  readonly isOpen?: true;
  /** Edge that it leaves in a film. */
  readonly edge?: 'raw' | 'feathered';
  /** What the zone has to have for it: on top, or as its substrate. */
  readonly needs?: {
    readonly on: 'top' | 'base';
    readonly families: readonly Family[];
    /** Not on this one of them: it would not be seen. */
    readonly except?: LayerKind;
  };
  /** What settles it where colour only fades out: sanding and cleaning, a spot of undercoat where it is small, or more. */
  readonly mend: 'no coat' | 'spot' | 'coats';
  /** It would have to be opened: under a maker's primer nobody knows which plastic lies there. */
  readonly isOpened?: true;
  /**
   * What it leaves open besides its figures. Hollows, waves, peel, pinholes, scratches and edges are figures of the
   * surface, judged by B1, F7, K4 and O4; rust-through and what is broken in metal stop their zone (planner/stops.ts).
   */
  readonly leaves: readonly OpenIssue[];
}

const row = <Figures extends z.ZodRawShape>(of: FindingRow<Figures>): FindingRow<Figures> => of;

const number = (name: string, label: string, quantity: Quantity, most: number): FindingField => ({
  kind: 'number',
  name,
  label,
  quantity,
  least: 0.1,
  most,
});
/** Sizes that may be left open: a finding without one is taken as its kind usually is. */
const open = (field: FindingField): FindingField => ({ ...field, isOptional: true });
const SHARE: FindingField = { kind: 'share', name: 'share', label: 'share of the zone' };
const SIZE_MM = open(number('sizeMm', 'across', 'Mm', 5000));
const LENGTH_MM = open(number('lengthMm', 'length', 'Mm', 5000));
const AREA_M2 = open({ ...number('areaM2', 'spread over', 'M2', 200), least: 0.0001 } as FindingField);
const count = (label: string): FindingField => ({ kind: 'count', name: 'count', label });

const FILM = { on: 'top', families: ['finish', 'primer', 'topcoat'] } as const;
const METAL = { on: 'base', families: ['metal'] } as const;
/** Width of a crack with what is ground out along it. */
const CRACK_MM = 20;

const crackedOrHoled = (label: string, synonyms: readonly string[], isRound: boolean) =>
  row({
    label,
    synonyms,
    foundBy: isRound ? 'light from behind' : 'flexing the part by hand, dye where in doubt',
    figures: { lengthMm: mm },
    fields: [number('lengthMm', 'length', 'Mm', 5000)],
    blank: { lengthMm: 20 },
    where: 'sized',
    places: ({ lengthMm, sizeMm, count: n }) => ({
      count: n ?? 1,
      mm: sizeMm ?? (isRound ? lengthMm : CRACK_MM),
      lengthMm,
    }),
    mend: 'coats',
    isOpened: true,
    leaves: ['break'],
  });

/** Finish that has let go: as large as a share of the zone. */
const letGo = (label: string, synonyms: readonly string[], foundBy: string) =>
  row({
    label,
    synonyms,
    foundBy,
    figures: {},
    fields: [SHARE],
    blank: { share: 0.1 },
    where: 'sized',
    needs: FILM,
    mend: 'coats',
    isOpened: true,
    leaves: ['unsound'],
  });

/** Something that lies on the whole surface and is cleaned or sanded off. */
const onSurface = (
  label: string,
  synonyms: readonly string[],
  own: Pick<FindingRow<Record<never, never>>, 'foundBy' | 'where' | 'leaves' | 'needs'>,
) => row({ label, synonyms, figures: {}, fields: [], blank: {}, mend: 'no coat', ...own });

export const FINDINGS = {
  'coarse-scratches': row({
    label: 'coarse scratches',
    synonyms: ['grinder marks', 'sanding marks', 'swirls'],
    foundBy: 'light from the side',
    figures: { grit: gradeText },
    fields: [{ kind: 'choice', name: 'grit', label: 'grit', options: GRADES }],
    blank: { grit: 'P80' },
    where: 'sized',
    mend: 'no coat',
    leaves: [],
  }),
  low: row({
    label: 'dent',
    synonyms: ['ding', 'low', 'hollow', 'dimple'],
    foundBy: 'flat of the hand, straightedge',
    figures: { depthMm },
    fields: [number('depthMm', 'depth', 'Mm', 50), SIZE_MM],
    blank: { depthMm: 1 },
    where: { mm: 90 },
    isOfZoneOnBody: true,
    mend: 'coats',
    isOpened: true,
    leaves: [],
  }),
  high: row({
    label: 'high spot',
    synonyms: ['bump', 'proud', 'crown'],
    foundBy: 'flat of the hand, straightedge',
    figures: { heightMm: depthMm },
    fields: [number('heightMm', 'height', 'Mm', 50), SIZE_MM],
    blank: { heightMm: 1 },
    where: { mm: 40 },
    mend: 'coats',
    isOpened: true,
    leaves: ['high'],
  }),
  waves: row({
    label: 'waves',
    synonyms: ['ripples', 'uneven', 'oil canning'],
    foundBy: 'light from the side, straightedge',
    figures: { um: heightUm(5000), wavelengthMm: mm },
    fields: [
      number('um', 'peak to valley', 'Um', 5000),
      number('wavelengthMm', 'over a length of', 'Mm', 5000),
    ],
    blank: { um: 60, wavelengthMm: 150 },
    where: 'sized',
    mend: 'coats',
    leaves: [],
  }),
  'rub-through': row({
    label: 'rub-through spots',
    synonyms: ['sand-through', 'cut-through', 'bare spots'],
    foundBy: 'another colour shows',
    figures: { spotMm: mm, count: countOf.default(1) },
    fields: [number('spotMm', 'spot size', 'Mm', 5000), count('spots')],
    blank: { spotMm: 10, count: 1 },
    where: { mm: 15 },
    places: ({ spotMm, count: n, areaM2 }) => ({
      count: n,
      mm: spotMm,
      lengthMm: spotMm,
      ...(areaM2 === undefined ? {} : { spreadM2: areaM2 }),
    }),
    isOpen: true,
    edge: 'feathered',
    mend: 'spot',
    leaves: [],
  }),
  texture: row({
    label: 'texture',
    synonyms: ['grain', 'moulded grain'],
    foundBy: 'by eye',
    figures: { want: z.enum(['keep', 'flatten']) },
    fields: [{ kind: 'choice', name: 'want', label: 'wanted', options: ['keep', 'flatten'] }],
    blank: { want: 'keep' },
    where: 'zone',
    mend: 'no coat',
    leaves: [],
  }),
  'chip-guard-wanted': row({
    label: 'chip guard wanted',
    synonyms: ['stone guard', 'texture coat', 'underbody coat', 'liner coat'],
    foundBy: 'the order',
    figures: {},
    fields: [],
    blank: {},
    where: 'zone',
    // Where it lies already it is laid again by itself over what is mended.
    needs: {
      on: 'top',
      families: ['metal', 'finish', 'plastic', 'composite', 'body', 'primer'],
      except: 'texture',
    },
    mend: 'coats',
    leaves: ['rough-coat'],
  }),
  crack: crackedOrHoled('crack', ['split', 'tear'], false),
  hole: crackedOrHoled('hole', ['puncture', 'drilled hole'], true),
  peeling: letGo('peeling', ['flaking', 'lifting', 'delaminated'], 'cross-cut and tape'),
  checked: letGo('checked or crazed', ['cracked paint', 'crazing', 'crow’s feet'], 'a lens, by eye'),
  chips: row({
    label: 'chips',
    synonyms: ['stone chips', 'stone damage'],
    foundBy: 'by eye',
    figures: {},
    fields: [count('chips'), SIZE_MM, AREA_M2],
    blank: { count: 20, sizeMm: 4 },
    where: { mm: 4, count: 20 },
    isOpen: true,
    edge: 'raw',
    needs: FILM,
    mend: 'spot',
    leaves: [],
  }),
  reacted: letGo('wrinkled by an earlier coat', ['lifted', 'wrinkled', 'crinkled'], 'by eye, thinner rub'),
  pinholes: row({
    label: 'pinholes',
    synonyms: ['pores', 'pitting in filler', 'air holes'],
    foundBy: 'close, in light from the side',
    figures: {},
    fields: [SIZE_MM],
    blank: {},
    where: { mm: 60, isUnderFilm: true },
    needs: { on: 'top', families: ['finish', 'primer', 'topcoat', 'body', 'composite', 'plastic'] },
    mend: 'spot',
    leaves: [],
  }),
  'rust-surface': row({
    label: 'surface rust',
    synonyms: ['flash rust', 'light rust'],
    foundBy: 'by eye, blisters under a film',
    figures: {},
    fields: [SIZE_MM],
    blank: {},
    where: { mm: 40, isUnderFilm: true },
    needs: METAL,
    mend: 'spot',
    leaves: ['rust'],
  }),
  'rust-pitted': row({
    label: 'pitted rust',
    synonyms: ['deep rust', 'scale'],
    foundBy: 'a pick, once it is ground bright',
    figures: {},
    fields: [SIZE_MM],
    blank: {},
    where: { mm: 60, isUnderFilm: true },
    needs: METAL,
    mend: 'coats',
    leaves: ['rust', 'pits'],
  }),
  'rust-through': row({
    label: 'rusted through',
    synonyms: ['rust hole', 'perforated'],
    foundBy: 'a pick, light from behind',
    figures: {},
    fields: [],
    blank: {},
    where: 'zone',
    needs: METAL,
    mend: 'coats',
    leaves: [],
  }),
  'mark-from-below': row({
    label: 'mark from below',
    synonyms: ['scratches show through', 'mapping', 'ring', 'sink mark', 'old edge'],
    foundBy: 'light from the side; how deep by gauge',
    figures: { um: heightUm(2000) },
    fields: [number('um', 'lies so deep', 'Um', 2000), SIZE_MM, AREA_M2],
    blank: { um: 40 },
    where: 'sized',
    // A rough coat shows none.
    needs: { ...FILM, except: 'texture' },
    mend: 'coats',
    leaves: ['mark'],
  }),
  'orange-peel': onSurface('orange peel', ['peel', 'texture of the spray'], {
    foundBy: 'light from the side',
    where: 'zone',
    needs: FILM,
    leaves: [],
  }),
  'release-agent': onSurface('release agent', ['mould release', 'release wax'], {
    foundBy: 'water break',
    where: 'zone',
    needs: { on: 'base', families: ['plastic', 'composite'] },
    leaves: ['wax'],
  }),
  dressing: onSurface('dressing', ['silicone', 'polish', 'wax', 'trim shine'], {
    foundBy: 'water break',
    where: 'zone',
    leaves: ['dressing'],
  }),
  'glue-residue': onSurface('glue residue', ['adhesive', 'tape residue', 'decal glue'], {
    foundBy: 'by eye and hand',
    where: 'sized',
    leaves: ['glue'],
  }),
  overspray: onSurface('overspray', ['fallout', 'spray dust'], {
    foundBy: 'a bare hand: it is rough',
    where: 'sized',
    leaves: ['overspray'],
  }),
  edge: row({
    label: 'edge to feather',
    synonyms: ['paint edge', 'step', 'broken edge'],
    foundBy: 'a fingernail across it',
    figures: {},
    fields: [],
    blank: {},
    where: 'zone',
    edge: 'raw',
    mend: 'coats',
    leaves: [],
  }),
  'open-joint': row({
    label: 'open joint',
    synonyms: ['seam', 'open seam', 'sealer missing'],
    foundBy: 'by eye along the joint',
    figures: {},
    fields: [LENGTH_MM],
    blank: {},
    where: { mm: 10 },
    mend: 'coats',
    leaves: ['joint'],
  }),
  'unknown-plastic': row({
    label: 'unknown plastic',
    synonyms: ['no mark', 'mark not readable'],
    foundBy: 'no mark inside the part; float test',
    figures: {},
    fields: [],
    blank: {},
    where: 'zone',
    needs: { on: 'base', families: ['plastic'] },
    mend: 'coats',
    leaves: [],
  }),
} as const;

export type FindingKind = keyof typeof FINDINGS;
/** Kinds in the order in which they are offered. */
export const FINDING_KINDS = Object.keys(FINDINGS) as FindingKind[];

/** The row of a kind, whatever its figures. */
export const findingRow = (kind: FindingKind): FindingRow => FINDINGS[kind] as unknown as FindingRow;
