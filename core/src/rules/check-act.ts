import { familyOf } from '../materials/layer-kinds.ts';
import { OPS, meansOnArea, type Act, type OpName } from '../operations/act.ts';
import { contextFor, type Context } from '../operations/context.ts';
import { physicalReasons } from '../operations/perform.ts';
import { soundNeighbour, zoneOf, type Matter, type PanelState } from '../operations/state.ts';
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
import { isRefusal, type Rule, type RuleInput, type Verdict, type ZoneRuleInput } from './rule.ts';

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

const ALL: readonly Rule[] = [...RULES, PHYSICAL];
/** A rule with its place in the list of all. */
interface Placed {
  readonly nth: number;
  readonly rule: Rule;
}
const rulesOn = (wanted: (rule: Rule) => boolean): ReadonlyMap<OpName, readonly Placed[]> => {
  const placed = ALL.map((rule, nth) => ({ nth, rule })).filter(({ rule }) => wanted(rule));
  return new Map(OPS.map((op) => [op, placed.filter(({ rule }) => rule.on.includes(op))]));
};
const ADVICE = rulesOn(({ isAdvice }) => isAdvice === true);
const DECIDING = rulesOn(({ isAdvice }) => !isAdvice);

/** A rule that may have a word on an area, and what it said where that still holds. */
interface Speaker extends Placed {
  said?: readonly Verdict[];
  /** Matter of the sound neighbour beside which it was said. */
  beside?: Matter | null;
}

/** The rules that concern an area before an act, first to last; one that will not speak of it any more is dropped. */
type Hearing = Speaker[];

/** What is known of the matter of an area: which rules speak of it at all, by their place, and each hearing by its act. */
interface KnownMatter {
  readonly isAbout: (boolean | undefined)[];
  readonly hearings: Map<string, Hearing>;
}

const speaksOf = ({ only, about }: Rule, { zone, context }: ZoneRuleInput): boolean =>
  (!only || only === familyOf(zone.stack[0]!.kind)) && (!about || about(zone, context));

function hearingOf(rules: readonly Placed[], input: ZoneRuleInput, isAbout: KnownMatter['isAbout']): Hearing {
  const speakers: Speaker[] = [];
  for (const { nth, rule } of rules)
    if ((isAbout[nth] ??= speaksOf(rule, input)) && (!rule.concerns || rule.concerns(input)))
      speakers.push({ nth, rule });
  return speakers;
}

/**
 * Whom rules concern, and what they said of the matter of an area, by that and by how the act is done there. One for a
 * whole search, whose context does not change.
 */
export type VerdictCache = Map<Matter, KnownMatter>;

/** What a search keeps from one question to the next. */
export interface SearchMemory {
  readonly cache: VerdictCache;
  /** A search only wants to know that an act is refused, and by which rule first. */
  readonly endsAtRefusal: boolean;
}

/** An act in a state of the panel. */
type Question = Omit<RuleInput, 'zone'>;

/** An area before an act, as rules are asked about it. */
interface Asked {
  readonly input: RuleInput;
  readonly hearing: Hearing;
}

function hearingIn({ cache }: SearchMemory, rules: readonly Placed[], input: RuleInput): Hearing {
  const { act, zone } = input;
  let known = cache.get(zone.matter);
  if (!known) cache.set(zone.matter, (known = { isAbout: [], hearings: new Map() }));
  const name = meansOnArea(act, zone.zone.id);
  let hearing = known.hearings.get(name);
  if (!hearing) known.hearings.set(name, (hearing = hearingOf(rules, input, known.isAbout)));
  return hearing;
}

function askedOf(
  rules: readonly Placed[],
  { act, panel, context }: Question,
  memory?: SearchMemory,
): Asked[] {
  return act.zones.map((id) => {
    const zone = zoneOf(panel, id);
    const input = { act, zone, panel, context: contextFor(zone, context) };
    return { input, hearing: memory ? hearingIn(memory, rules, input) : hearingOf(rules, input, []) };
  });
}

/** What a rule says of an area now; of what it said before, as much as it cannot say otherwise. */
function saidOf(speaker: Speaker, input: RuleInput, verdicts: readonly Verdict[]): readonly Verdict[] {
  const { rule } = speaker;
  if (rule.reads === 'panel')
    return rule.judge(input, () => verdicts.filter(({ zoneId }) => zoneId === input.zone.zone.id));
  if (rule.reads !== 'neighbour') return (speaker.said ??= rule.judge(input));
  const beside = soundNeighbour(input.zone, input.panel)?.matter ?? null;
  if (speaker.said && speaker.beside === beside) return speaker.said;
  speaker.beside = beside;
  return (speaker.said = rule.judge(input));
}

const isSilentForGood = ({ rule, said }: Speaker): boolean =>
  said?.length === 0 && rule.reads !== 'neighbour';

/** Asks each rule about each area that it concerns, rule by rule. */
function heard(all: readonly Asked[], endsAtRefusal: boolean): Verdict[] {
  const verdicts: Verdict[] = [];
  const next = all.map(() => 0);
  for (;;) {
    let nth = Infinity;
    for (let i = 0; i < all.length; i++) {
      const speaker = all[i]!.hearing[next[i]!];
      if (speaker && speaker.nth < nth) nth = speaker.nth;
    }
    if (nth === Infinity) return verdicts;
    let isRefused = false;
    for (let i = 0; i < all.length; i++) {
      const { input, hearing } = all[i]!;
      const speaker = hearing[next[i]!];
      if (speaker?.nth !== nth) continue;
      const said = saidOf(speaker, input, verdicts);
      if (isSilentForGood(speaker)) hearing.splice(next[i]!, 1);
      else next[i]!++;
      for (const verdict of said) {
        verdicts.push(verdict);
        isRefused ||= isRefusal(verdict);
      }
    }
    if (isRefused && endsAtRefusal) return verdicts;
  }
}

/**
 * Every verdict that decides about an act in this state: the trade's rules first, then what is physically wrong with
 * it. Empty when nobody has anything to say. O(rules of the operation x zones of the act).
 * @param memory what was heard before in this search
 */
export const decideAct = (act: Act, panel: PanelState, context: Context, memory?: SearchMemory): Verdict[] =>
  heard(askedOf(DECIDING.get(act.op)!, { act, panel, context }, memory), memory?.endsAtRefusal ?? false);

/** How an act is done right: notes of the rules that only advise. */
export const adviceOn = (act: Act, panel: PanelState, context: Context): Verdict[] =>
  heard(askedOf(ADVICE.get(act.op)!, { act, panel, context }), false);

/** All that is said of an act in this state, advice included. */
export const checkAct = (act: Act, panel: PanelState, context: Context): Verdict[] => [
  ...decideAct(act, panel, context),
  ...adviceOn(act, panel, context),
];
