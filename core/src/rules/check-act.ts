import { familyOf } from '../materials/layer-kinds.ts';
import { OPS, handledAs, isCoat, meansOf, type Act, type OpName } from '../operations/act.ts';
import { contextFor, type Context } from '../operations/context.ts';
import { physicalReasons } from '../operations/perform.ts';
import { isSameMatter } from '../operations/matter.ts';
import { soundNeighbour, zoneOf, type Matter, type PanelState, type ZoneState } from '../operations/state.ts';
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
import {
  isRefusal,
  type PanelRule,
  type Rule,
  type RuleInput,
  type Verdict,
  type ZoneRuleInput,
} from './rule.ts';

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
/**
 * A rule with its place in the list of all. Each has every field, so that all are of one shape: a search asks millions of
 * times.
 */
interface Placed {
  readonly nth: number;
  readonly reads: NonNullable<Rule['reads']>;
  readonly only: Rule['only'] | null;
  readonly about: Rule['about'] | null;
  readonly concerns: Rule['concerns'] | null;
  readonly judge: PanelRule['judge'];
}
const placedAt = ({ reads = 'matter', only, about, concerns, judge }: Rule, nth: number): Placed => ({
  nth,
  reads,
  only: only ?? null,
  about: about ?? null,
  concerns: concerns ?? null,
  judge,
});
const rulesOn = (wanted: (rule: Rule) => boolean): ReadonlyMap<OpName, readonly Placed[]> => {
  const placed = ALL.map((rule, nth) => ({ rule, placed: placedAt(rule, nth) }));
  const on = (op: OpName): Placed[] =>
    placed.filter(({ rule }) => wanted(rule) && rule.on.includes(op)).map((each) => each.placed);
  return new Map(OPS.map((op) => [op, on(op)]));
};
const ADVICE = rulesOn(({ isAdvice }) => isAdvice === true);
const DECIDING = rulesOn(({ isAdvice }) => !isAdvice);

/** A rule that may have a word on an area, and what it said where that still holds. */
interface Speaker {
  readonly rule: Placed;
  said: readonly Verdict[];
  /** The sound neighbour beside which it was said. */
  beside: KnownMatter | null;
}

/** Rules on an area before an act, first to last: those heard so far that may speak again, and how many were looked at. */
interface Hearing {
  readonly speakers: Speaker[];
  nLooked: number;
}

/** A set of rules by their places, as bits: there is one for each matter, and thousands of matters in a search. */
type RuleSet = number[];
const BITS = 31;
const NO_RULES: readonly number[] = Array.from({ length: Math.ceil(ALL.length / BITS) }, () => 0);
const noRules = (): RuleSet => NO_RULES.slice();
const hasRule = (set: RuleSet, nth: number): boolean => (set[(nth / BITS) | 0]! & (1 << (nth % BITS))) !== 0;
const addRule = (set: RuleSet, nth: number): void => {
  set[(nth / BITS) | 0]! |= 1 << (nth % BITS);
};

/** What is known of the matter of an area: which rules speak of it at all, and each hearing by its act. */
interface KnownMatter {
  /** The first area that was seen of it. */
  readonly area: ZoneState;
  /** Rules of which it is known. */
  readonly known: RuleSet;
  readonly speaking: RuleSet;
  readonly hearings: Map<number, Hearing>;
}
const newMatterKnown = (area: ZoneState): KnownMatter => ({
  area,
  known: noRules(),
  speaking: noRules(),
  hearings: new Map(),
});

const speaksOf = ({ only, about }: Placed, { zone, context }: ZoneRuleInput): boolean =>
  (!only || only === familyOf(zone.stack[0]!.kind)) && (!about || about(zone, context));

function isSpeaking(rule: Placed, input: ZoneRuleInput, { known, speaking }: KnownMatter): boolean {
  const { nth } = rule;
  if (hasRule(known, nth)) return hasRule(speaking, nth);
  addRule(known, nth);
  const speaks = speaksOf(rule, input);
  if (speaks) addRule(speaking, nth);
  return speaks;
}

/** What a search keeps from one question to the next; its context does not change. */
export interface SearchMemory {
  /** What is known of the matter of areas. */
  readonly matters: Map<Matter, KnownMatter>;
  /** The same by the ids of areas: an area comes to be the same on many ways, at other times. */
  readonly ofArea: Map<string, KnownMatter[]>;
  /** Numbers of the ways in which acts are done, by what is said of them. */
  readonly ways: Map<string, number>;
  /** Acts by what tells them apart: an act is asked about again after each step that it needs. */
  readonly acts: Map<Act, KnownAct>;
  /** A search only wants to know that an act is refused, and by which rule first. */
  readonly endsAtRefusal: boolean;
}
export const newSearchMemory = (endsAtRefusal: boolean): SearchMemory => ({
  matters: new Map(),
  ofArea: new Map(),
  ways: new Map(),
  acts: new Map(),
  endsAtRefusal,
});

/** An act in a state of the panel. */
type Question = Omit<RuleInput, 'zone'>;

/** What tells acts apart; why they are done makes no difference. */
export interface KnownAct {
  /** Its operation and its areas. */
  readonly where: string;
  /** The same, and with what it is done. */
  readonly name: string;
  /** Number of the way in which it is done: hearings are looked up by it. */
  readonly way: number;
}

export function knownAct(act: Act, { acts, ways }: SearchMemory): KnownAct {
  const before = acts.get(act);
  if (before) return before;
  const { op, zones } = act;
  const handled = `${op} ${handledAs(act)}`;
  const way = ways.get(handled) ?? ways.size;
  ways.set(handled, way);
  const where = `${op}:${zones.join()}`;
  const known = { where, name: `${where} ${meansOf(act)}`, way };
  acts.set(act, known);
  return known;
}

/** More coats than any area gets at once. */
const MOST_COATS = 50;

/** How an act is done on one of its areas, as a number: its way, the coats there, whether it is the first area. */
const wayOnArea = (way: number, act: Act, id: string, nth: number): number =>
  (way * MOST_COATS + (isCoat(act) ? (act.coats[id] ?? 0) : 0)) * 2 + (nth === 0 ? 1 : 0);

function alikeIn({ ofArea }: SearchMemory, area: ZoneState): KnownMatter {
  const { id } = area.zone;
  const known = ofArea.get(id) ?? [];
  ofArea.set(id, known);
  const before = known.find((other) => isSameMatter(other.area, area));
  if (before) return before;
  const made = newMatterKnown(area);
  known.push(made);
  return made;
}

function matterIn(memory: SearchMemory, area: ZoneState): KnownMatter {
  const before = memory.matters.get(area.matter);
  if (before) return before;
  const known = alikeIn(memory, area);
  memory.matters.set(area.matter, known);
  return known;
}

/** The sound neighbour that an area must come level with; null where it has none. */
function besideIn(memory: SearchMemory, { zone, panel }: RuleInput): KnownMatter | null {
  const neighbour = soundNeighbour(zone, panel);
  return neighbour && matterIn(memory, neighbour);
}

function hearingIn({ hearings }: KnownMatter, way: number): Hearing {
  const before = hearings.get(way);
  if (before) return before;
  const hearing: Hearing = { speakers: [], nLooked: 0 };
  hearings.set(way, hearing);
  return hearing;
}

/** What a rule says that was heard before: what it said then, as long as that holds. */
function againOf(speaker: Speaker, input: RuleInput, { verdicts, memory }: Heard): readonly Verdict[] {
  const { rule, said } = speaker;
  if (rule.reads === 'panel') return rule.judge(input, verdicts);
  if (rule.reads === 'matter') return said;
  const beside = besideIn(memory, input);
  if (speaker.beside === beside) return said;
  speaker.beside = beside;
  return (speaker.said = rule.judge(input, verdicts));
}

/** What a rule says that is asked for the first time; it stays among the speakers where it may speak again. */
function firstOf(
  rule: Placed,
  input: RuleInput,
  speakers: Speaker[],
  { verdicts, memory }: Heard,
): readonly Verdict[] {
  const said = rule.judge(input, verdicts);
  const beside = rule.reads === 'neighbour' ? besideIn(memory, input) : null;
  if (said.length > 0 || rule.reads !== 'matter') speakers.push({ rule, said, beside });
  return said;
}

/** What was said of an act so far, rule by rule; `nths` has the place of the rule of each verdict. */
interface Heard {
  readonly verdicts: Verdict[];
  readonly nths: number[];
  /** The last rule that is asked: one that refuses the act, where that ends it. */
  mostNth: number;
  readonly memory: SearchMemory;
}

/** Adds verdicts behind those of the same rule and of rules before it. */
function add({ verdicts, nths }: Heard, nth: number, said: readonly Verdict[]): void {
  let at = nths.length;
  while (at > 0 && nths[at - 1]! > nth) at--;
  for (const verdict of said) {
    if (at === nths.length) {
      nths.push(nth);
      verdicts.push(verdict);
    } else {
      nths.splice(at, 0, nth);
      verdicts.splice(at, 0, verdict);
    }
    at++;
  }
}

function hear(all: Heard, nth: number, said: readonly Verdict[]): void {
  if (said.length === 0) return;
  add(all, nth, said);
  if (all.memory.endsAtRefusal && said.some(isRefusal)) all.mostNth = nth;
}

/** What the rules that concern an area say of it, first to last, added to what was said of other areas. */
function hearArea(
  rules: readonly Placed[],
  hearing: Hearing,
  known: KnownMatter,
  input: RuleInput,
  all: Heard,
): void {
  const { speakers } = hearing;
  for (const speaker of speakers) {
    const { nth } = speaker.rule;
    if (nth > all.mostNth) return;
    hear(all, nth, againOf(speaker, input, all));
  }
  for (; hearing.nLooked < rules.length; hearing.nLooked++) {
    const rule = rules[hearing.nLooked]!;
    if (rule.nth > all.mostNth) return;
    if (isSpeaking(rule, input, known) && (!rule.concerns || rule.concerns(input)))
      hear(all, rule.nth, firstOf(rule, input, speakers, all));
  }
}

/** What each rule says about each area that it concerns, rule by rule; up to the first that refuses where a search asks. */
function heard(rules: readonly Placed[], { act, panel, context }: Question, memory: SearchMemory): Verdict[] {
  const { way } = knownAct(act, memory);
  const all: Heard = { verdicts: [], nths: [], mostNth: Infinity, memory };
  for (const [i, id] of act.zones.entries()) {
    const zone = zoneOf(panel, id);
    const input = { act, zone, panel, context: contextFor(zone, context) };
    const known = matterIn(memory, zone);
    hearArea(rules, hearingIn(known, wayOnArea(way, act, id, i)), known, input, all);
  }
  const { verdicts, nths, mostNth } = all;
  while (nths.length > 0 && nths[nths.length - 1]! > mostNth) {
    nths.pop();
    verdicts.pop();
  }
  return verdicts;
}

/**
 * Every verdict that decides about an act in this state: the trade's rules first, then what is physically wrong with
 * it. Empty when nobody has anything to say. O(rules of the operation x zones of the act).
 * @param memory what was heard before in this search
 */
export const decideAct = (
  act: Act,
  panel: PanelState,
  context: Context,
  memory = newSearchMemory(false),
): Verdict[] => heard(DECIDING.get(act.op)!, { act, panel, context }, memory);

/** How an act is done right: notes of the rules that only advise. */
export const adviceOn = (act: Act, panel: PanelState, context: Context): Verdict[] =>
  heard(ADVICE.get(act.op)!, { act, panel, context }, newSearchMemory(false));

/** All that is said of an act in this state, advice included. */
export const checkAct = (act: Act, panel: PanelState, context: Context): Verdict[] => [
  ...decideAct(act, panel, context),
  ...adviceOn(act, panel, context),
];
