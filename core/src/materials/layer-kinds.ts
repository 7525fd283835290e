/**
 * Every material that can lie in a stack: two-letter code, words, and what family it belongs to.
 * The kind words are those of the job file; codes and words are the same on screen, in print and in the CLI.
 */

export type Family = 'metal' | 'finish' | 'plastic' | 'composite' | 'body' | 'primer' | 'topcoat';

interface KindRow {
  readonly code: string;
  readonly label: string;
  /** One word, where room is short. */
  readonly short: string;
  readonly family: Family;
  /** Found on a panel at survey (true) or laid down by us only (false). */
  readonly canBeFound: boolean;
}

const kind =
  (canBeFound: boolean) =>
  (code: string, label: string, family: Family, short = label): KindRow => ({
    code,
    label,
    short,
    family,
    canBeFound,
  });
const found = kind(true);
const coat = kind(false);

export const LAYER_KINDS = {
  steel: found('St', 'bare steel', 'metal'),
  'zinc-steel': found('Zn', 'zinc-coated steel', 'metal'),
  aluminium: found('Al', 'bare aluminium', 'metal'),
  ecoat: found('Ec', 'e-coat', 'finish'),
  'part-primer': found('Mk', 'part primer', 'finish'),
  'old-finish': found('Of', 'old finish', 'finish'),
  'old-finish-soluble': found('So', 'thinner-soft paint', 'finish', 'soluble'),
  texture: found('Tx', 'texture coat', 'finish', 'texture'),
  'plastic-rigid': found('Rp', 'rigid plastic', 'plastic'),
  'plastic-olefin': found('Pp', 'PP/EPDM plastic', 'plastic'),
  'plastic-soft': found('Sp', 'soft plastic', 'plastic'),
  'plastic-primed': found('Tp', 'primed plastic', 'plastic'),
  fiberglass: found('Gf', 'fiberglass', 'composite'),
  filler: found('Fi', 'filler', 'body'),
  glaze: found('Gl', 'glaze', 'body'),
  seam: found('Sm', 'seam sealer', 'body'),
  promoter: coat('Pr', 'adhesion promoter', 'primer', 'promoter'),
  epoxy: coat('Ep', 'epoxy', 'primer'),
  etch: coat('Et', 'etch primer', 'primer', 'etch'),
  dtm: coat('Dm', 'direct-to-metal build', 'primer', 'metal build'),
  build: coat('Hb', 'high-build', 'primer', 'build'),
  'plastic-primer': coat('Pl', 'plastic primer', 'primer'),
  'wet-on-wet': coat('Ww', 'wet-on-wet primer', 'primer', 'wet-on-wet'),
  sealer: coat('Se', 'sealer', 'primer'),
  base: coat('Ba', 'base', 'topcoat'),
  clear: coat('Cl', 'clear', 'topcoat'),
} as const satisfies Record<string, KindRow>;

export type LayerKind = keyof typeof LAYER_KINDS;
export const LAYER_KIND_NAMES = Object.keys(LAYER_KINDS) as [LayerKind, ...LayerKind[]];
export const FINDABLE_KINDS = LAYER_KIND_NAMES.filter((kind) => LAYER_KINDS[kind].canBeFound);
export const familyOf = (kind: LayerKind): Family => LAYER_KINDS[kind].family;
export const labelOf = (kind: LayerKind): string => LAYER_KINDS[kind].label;
export const isMetal = (kind: LayerKind): boolean => familyOf(kind) === 'metal';
const SOLID: ReadonlySet<Family> = new Set(['metal', 'composite', 'plastic']);
/** What carries everything else and has no film thickness of its own. */
export const isSolid = (kind: LayerKind): boolean => SOLID.has(familyOf(kind));
/** Filler, glaze or seam: body that fills a hollow and so adds no height over the sound surface. */
export const isBody = (kind: LayerKind): boolean => familyOf(kind) === 'body';

/** Plastic without a coat of the maker's: it wants its own wash, its own cleaner and its own primer. */
export const isRawPlastic = (kind: LayerKind): boolean =>
  kind === 'plastic-rigid' || kind === 'plastic-olefin' || kind === 'plastic-soft';
/** Topcoats are planned over, not found: a found one is recorded as old finish. */
export const isTopcoat = (kind: LayerKind): boolean => familyOf(kind) === 'topcoat';

const FILM_KINDS: ReadonlySet<LayerKind> = new Set(
  LAYER_KIND_NAMES.filter((kind) => !isSolid(kind) && !isBody(kind)),
);

/** Film over the substrate, µm; filler, glaze and seam fill a hollow and add no height. */
export const filmHeightUm = (layers: readonly { readonly kind: LayerKind; readonly um: number }[]): number =>
  layers.reduce((sum, { kind, um }) => (FILM_KINDS.has(kind) ? sum + um : sum), 0);
