import type { ProductSheet } from '../materials/sheet.ts';
import type { Panel } from '../survey/panel.ts';
import { schoolOf, type SchoolName, type SideOf } from '../survey/schools.ts';
import { shopRule, type ShopRuleName } from '../survey/shop-rules.ts';
import { lowerQuality, type Quality } from '../survey/qualities.ts';
import type { Shop, ShopAir, Target } from '../survey/shop.ts';
import { sandingFiguresOf, type SandingFigures } from '../surface/figures.ts';
import type { Source, Sourced } from '../wording/reason.ts';
import type { ZoneState } from './state.ts';

/** The air of a shop as it was said to be until a minute of the panel's clock. */
export interface PastAir {
  readonly untilMin: number;
  readonly air: ShopAir;
}

/** What surrounds the work and does not change while a panel is planned. */
export interface Context {
  readonly panel: Panel;
  readonly shop: Shop;
  readonly target: Target;
  /** It is judged as a face that nobody looks at. */
  readonly isHidden?: boolean;
  readonly shelf: ReadonlyMap<string, ProductSheet>;
  /** Minutes after midnight at which the panel's clock shows 0. */
  readonly startMin: number;
  /** The day on which it does, ISO; days off are not known without. */
  readonly startOn?: string | undefined;
  /** Products that a person took for this work, by their ids: none other takes their place. */
  readonly taken?: readonly string[];
  /** Every product of a kind is tried wherever it may go, instead of the preferred one: exact, and slow on a long shelf. */
  readonly triesAll?: boolean;
  /** Work that really runs: the air that it lay in before the shop's air was said anew, in order; the shop has what is now. */
  readonly airBefore?: readonly PastAir[];
  /**
   * The hours of the work are not known yet: a search, or a sequence that is judged before it is timed. Only a rule that
   * reads the panel may look at it: what others said is remembered for both.
   */
  readonly isUntimed?: boolean;
}

/** A shop rule in force, with its source. */
export const ruleIn = (context: Pick<Context, 'shop'>, name: ShopRuleName): Sourced<number> =>
  shopRule(context.shop.rules, name);

/** The constants of the sanding models in this shop. */
export const figuresIn = (context: Context): SandingFigures => sandingFiguresOf(context.shop.rules);

/** A school in force, with its source. */
export const schoolIn = <N extends SchoolName>(
  context: Context,
  name: N,
): { side: SideOf<N>; source: Source } => schoolOf(context.shop.schools, name);

/** @throws {Error} for an id that is not on the shelf: acts are only made from sheets that are. */
export function sheetIn(context: Context, id: string): ProductSheet {
  const sheet = context.shelf.get(id);
  if (!sheet) throw new Error(`no sheet "${id}" on the shelf`);
  return sheet;
}

const contextsFor = new WeakMap<Context, Map<string, Context>>();

/** Edges, jambs and inside faces: nobody runs a palm over them. */
export const isHiddenFace = ({ face }: Pick<ZoneState['zone'], 'face'>): boolean =>
  face !== undefined && face !== 'outside';

/**
 * The context as a zone sees it: judged by its own quality where that is lower than the job's, and not as a face that is
 * looked at where it is none.
 */
export function contextFor({ zone }: Pick<ZoneState, 'zone'>, context: Context): Context {
  const { target } = context;
  const quality = zone.quality ? lowerQuality(zone.quality, target.quality) : target.quality;
  const isHidden = isHiddenFace(zone);
  if (quality === target.quality && isHidden === (context.isHidden ?? false)) return context;
  const name = `${quality}${isHidden}`;
  const known = contextsFor.get(context) ?? new Map<string, Context>();
  contextsFor.set(context, known);
  const own = known.get(name) ?? { ...context, target: { ...target, quality }, isHidden };
  known.set(name, own);
  return own;
}

const LEDGE_RULE: Record<Quality, ShopRuleName> = {
  economy: 'ledgeEconomyUm',
  standard: 'ledgeStandardUm',
  show: 'ledgeShowUm',
};

/** Ledge that passes at the target quality; chips of a jamb of economy quality are touched, not blocked. */
export const ledgeLimit = ({
  isHidden,
  ...context
}: Pick<Context, 'shop' | 'target' | 'isHidden'>): Sourced<number> => {
  const { quality } = context.target;
  return ruleIn(context, isHidden && quality === 'economy' ? 'ledgeHiddenUm' : LEDGE_RULE[quality]);
};

/** Film of a build that must stay: its sheet, else the shop's rule. */
export function mustStay(context: Context, sheetId: string): Sourced<number> {
  const own = context.shelf.get(sheetId)?.mustStayUm;
  return own === undefined ? ruleIn(context, 'mustStayUm') : { value: own, source: 'sheet' };
}
