import { z } from 'zod';
import type { Source } from '../wording/reason.ts';

/** Where practitioners differ the shop chooses; each side with the reason it gives. The first side is the default. */

interface Side {
  readonly label: string;
  readonly reason: string;
}

const side = (label: string, reason: string): Side => ({ label, reason });

export const SCHOOLS = {
  firstCoat: {
    epoxy: side('epoxy first on metal', 'epoxy seals the metal and keeps water out'),
    'etch-spots': side('etch on spots', 'quick to recoat on small bare spots'),
    dtm: side('direct-to-metal build', 'one product protects and fills'),
  },
  filler: {
    'over-epoxy': side('filler over epoxy', 'metal is sealed, so no moisture stays under the filler'),
    'on-metal': side('filler on metal', 'quicker, and the strongest mechanical key'),
  },
  ecoat: {
    leave: side('leave sound e-coat unsanded', 'the factory dip is the best corrosion layer there is'),
    scuff: side('scuff e-coat all over', 'a mechanical key everywhere'),
  },
  sealerCoats: {
    one: side('sealer in one full coat', 'quicker, one film'),
    two: side('a light and a medium coat', 'safer on steep or curved panels'),
  },
  epoxySealer: {
    'wet-on-wet': side('epoxy as sealer inside its window', 'no sanding'),
    cured: side('cured overnight and scuffed', 'forgiving for slow workers'),
  },
  build: {
    'skip-if-straight': side('skip build where the metal is straight', 'no meticulous sanding'),
    always: side('build and block always', 'a blocked panel is a known panel'),
  },
  fillerFinish: {
    P180: side('finish filler at P180', 'build that cures fully hides it'),
    P320: side('finish filler at P320', 'nothing to sink back, whatever the cure'),
  },
  rawPlasticSolvent: {
    no: side('soap and alcohol only on raw plastic', 'solvent loads static'),
    yes: side('solvent degreaser on raw plastic', 'takes off what soap leaves'),
  },
  plasticSystem: {
    promoter: side('promoter and two-pack primer', 'known on every low-energy plastic'),
    'plastic-mode': side('wet-on-wet in its plastic mode', 'one product, one pass'),
  },
  strip: {
    machine: side('strip by machine', 'no chemistry left behind'),
    chemical: side('strip by chemical', 'no heat in large flat panels'),
    blast: side('strip by blasting', 'reaches crevices and seams'),
  },
  pace: {
    overnight: side('cure overnight', 'full cure before sanding, nothing sinks back'),
    'same-day': side('cure with heat the same day', 'the panel leaves today'),
  },
  finalSand: {
    'machine-dry': side('last grit by machine, dry', 'quicker, and no water near filler or metal'),
    'hand-wet': side('last grit by hand, wet', 'the hand feels what a machine runs over'),
  },
  guideCoat: {
    'every-grit': side('guide coat before every grit', 'dust shows what an eye misses'),
    eye: side('guide coat once, then by eye', 'raking light shows an experienced eye the rest'),
  },
  firstTone: {
    'near-topcoat': side('tone near the topcoat', 'fewer base coats'),
    dark: side('dark first coat', 'shows dents on a bare body'),
  },
} as const satisfies Record<string, Record<string, Side>>;

export type SchoolName = keyof typeof SCHOOLS;
export type SideOf<N extends SchoolName> = Extract<keyof (typeof SCHOOLS)[N], string>;
export type Schools = { [N in SchoolName]?: SideOf<N> | undefined };

const names = Object.keys(SCHOOLS) as SchoolName[];
const sidesOf = (name: SchoolName): string[] => Object.keys(SCHOOLS[name]);

export const schoolsSchema = z.looseObject(
  Object.fromEntries(
    names.map((name) => [
      name,
      z
        .enum(sidesOf(name) as [string, ...string[]], {
          error: `must be one of: ${sidesOf(name).join(', ')}`,
        })
        .optional(),
    ]),
  ),
) as unknown as z.ZodType<Schools>;

interface SideInForce<N extends SchoolName> {
  readonly side: SideOf<N>;
  readonly source: Source;
}
const DEFAULTS = Object.fromEntries(
  names.map((name) => [name, { side: sidesOf(name)[0], source: 'default' }]),
) as { readonly [N in SchoolName]: SideInForce<N> };

/** The side in force: the shop's own, else the first listed. */
export function schoolOf<N extends SchoolName>(schools: Schools, name: N): SideInForce<N> {
  const own = schools[name];
  return own === undefined ? DEFAULTS[name] : { side: own as SideOf<N>, source: 'shop' };
}

/** The words of a side. */
export const sideText = (name: SchoolName, value: string): Side =>
  (SCHOOLS[name] as Record<string, Side>)[value] ?? side(value, '');
