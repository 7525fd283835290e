import { familyOf } from '../materials/layer-kinds.ts';
import { OPS, type Act, type OpName } from '../operations/act.ts';
import { contextFor, type Context } from '../operations/context.ts';
import { physicalReasons } from '../operations/perform.ts';
import { soundNeighbour, zoneOf, type PanelState, type ZoneState } from '../operations/state.ts';
import { LAST_SANDING_RULES } from './last-sanding.ts';
import { BUILD_RULES } from './build.ts';
import { CLEAN_RULES } from './cleanliness.ts';
import { COMPOSITE_RULES } from './composite.ts';
import { FILLER_RULES } from './filler.ts';
import { FINISH_RULES } from './finish.ts';
import { METAL_RULES } from './metal.ts';
import { OPEN_RULES } from './open-issues.ts';
import { PLASTIC_RULES } from './plastic.ts';
import { SEAL_RULES } from './seal.ts';
import { NO_VERDICTS, isRefusal, type Rule, type RuleInput, type Verdict } from './rule.ts';

/** All rules in the order in which they are named to the user: the first broken rule is the first listed. */
export const RULES: readonly Rule[] = [
  ...METAL_RULES,
  ...FILLER_RULES,
  ...FINISH_RULES,
  ...PLASTIC_RULES,
  ...COMPOSITE_RULES,
  ...BUILD_RULES,
  ...LAST_SANDING_RULES,
  ...SEAL_RULES,
  ...CLEAN_RULES,
  ...OPEN_RULES,
];

/** What is physically wrong with an act, of whatever rule the operation names; heard after the rules of the trade. */
const PHYSICAL: Rule = {
  id: 'op',
  on: OPS,
  asks: 'The operation can be done on this zone at all.',
  judge: ({ act, zone, context }) =>
    physicalReasons(zone, act, context).map((reason): Verdict => ({
      level: 'must',
      zoneId: zone.zone.id,
      reason,
    })),
};

const rulesOn = (wanted: (rule: Rule) => boolean): ReadonlyMap<OpName, readonly Rule[]> =>
  new Map(OPS.map((op) => [op, [...RULES, PHYSICAL].filter((rule) => rule.on.includes(op) && wanted(rule))]));
const ADVICE = rulesOn(({ isAdvice }) => isAdvice === true);
const DECIDING = rulesOn(({ isAdvice }) => !isAdvice);

const inputsOf = (act: Act, panel: PanelState, context: Context): RuleInput[] =>
  act.zones.map((id) => {
    const zone = zoneOf(panel, id);
    return { act, zone, panel, context: contextFor(zone, context) };
  });

/** What each rule of an operation said, at the rule's place in the list. */
type VerdictsByRule = (readonly Verdict[] | undefined)[];

/** What was said about a zone for itself, and beside the sound neighbour that it last had. */
interface CachedVerdicts {
  readonly alone: VerdictsByRule;
  beside: { readonly neighbour: ZoneState | null; readonly said: VerdictsByRule };
}

/**
 * What rules said before that read no more than the zone and its sound neighbour, by zone and act: where neither
 * changed since they are not asked again. One for a whole search, whose context does not change.
 */
export type VerdictCache = Map<ZoneState, Map<string, CachedVerdicts>>;

/** @param name tells the act apart in all that it does */
function cachedFor(
  hearings: VerdictCache,
  zone: ZoneState,
  name: string,
  neighbour: ZoneState | null,
): CachedVerdicts {
  const ofZone = hearings.get(zone) ?? new Map<string, CachedVerdicts>();
  hearings.set(zone, ofZone);
  const known = ofZone.get(name) ?? { alone: [], beside: { neighbour, said: [] } };
  if (known.beside.neighbour !== neighbour) known.beside = { neighbour, said: [] };
  ofZone.set(name, known);
  return known;
}

const listFor = (rule: Rule, evaluate: CachedVerdicts | undefined): VerdictsByRule | undefined => {
  if (rule.reads === 'panel') return undefined;
  return rule.reads === 'neighbour' ? evaluate?.beside.said : evaluate?.alone;
};

interface Evaluation {
  readonly inputs: readonly RuleInput[];
  /** What each input's zone heard before, where that is kept. */
  readonly before?: readonly CachedVerdicts[] | undefined;
  /** The rule that refuses the act outright ends it. */
  readonly endsAtRefusal?: boolean;
}

const none = (): readonly Verdict[] => NO_VERDICTS;

/** Asks each rule about each zone that it speaks of, rule by rule. */
function heard(rules: readonly Rule[], { inputs, before, endsAtRefusal }: Evaluation): Verdict[] {
  const verdicts: Verdict[] = [];
  const saidOf =
    ({ zone }: RuleInput) =>
    () =>
      verdicts.filter(({ zoneId }) => zoneId === zone.zone.id);
  const families = inputs.map(({ zone }) => familyOf(zone.stack[0]!.kind));
  for (let nth = 0; nth < rules.length; nth++) {
    const rule = rules[nth]!;
    const nBefore = verdicts.length;
    for (let i = 0; i < inputs.length; i++) {
      if (rule.only && rule.only !== families[i]) continue;
      const list = listFor(rule, before?.[i]);
      const now = list
        ? (list[nth] ??= rule.judge(inputs[i]!, none))
        : rule.judge(inputs[i]!, saidOf(inputs[i]!));
      if (now.length > 0) verdicts.push(...now);
    }
    if (endsAtRefusal && verdicts.length > nBefore && verdicts.slice(nBefore).some(isRefusal)) break;
  }
  return verdicts;
}

/** What a search keeps from one question to the next. */
export interface SearchMemory {
  readonly cache: VerdictCache;
  /** A search only wants to know that an act is refused, and by which rule first. */
  readonly endsAtRefusal: boolean;
}

/**
 * Every verdict that decides about an act in this state: the trade's rules first, then what is physically wrong with
 * it. Empty when nobody has anything to say. O(rules of the operation x zones of the act).
 * @param memory what was heard before in this search, and the act's name in it
 */
export function decideAct(
  act: Act,
  panel: PanelState,
  context: Context,
  memory?: SearchMemory & { readonly name: string },
): Verdict[] {
  const inputs = inputsOf(act, panel, context);
  const rules = DECIDING.get(act.op)!;
  if (!memory) return heard(rules, { inputs });
  const before = inputs.map(({ zone }) =>
    cachedFor(memory.cache, zone, memory.name, soundNeighbour(zone, panel)),
  );
  return heard(rules, { inputs, before, endsAtRefusal: memory.endsAtRefusal });
}

/** How an act is done right: notes of the rules that only advise. */
export const adviceOn = (act: Act, panel: PanelState, context: Context): Verdict[] =>
  heard(ADVICE.get(act.op)!, { inputs: inputsOf(act, panel, context) });

/** All that is said of an act in this state, advice included. */
export const checkAct = (act: Act, panel: PanelState, context: Context): Verdict[] => [
  ...decideAct(act, panel, context),
  ...adviceOn(act, panel, context),
];
