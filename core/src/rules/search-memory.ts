import { familyOf } from '../materials/layer-kinds.ts';
import { handledAs, isCoat, meansOf, type Act } from '../operations/act.ts';
import { isSameMatter } from '../operations/matter.ts';
import type { Matter, ZoneState } from '../operations/state.ts';
import { RULE_COUNT, type Placed } from './all-rules.ts';
import type { Verdict, ZoneRuleInput } from './rule.ts';

/** What was heard before in a search: which rules speak of an area at all, and what they said of it. */

/** A rule that may have a word on an area, and what it said where that still holds. */
export interface Speaker {
  readonly rule: Placed;
  said: readonly Verdict[];
  /** The sound neighbour beside which it was said. */
  beside: KnownMatter | null;
}

/** Rules on an area before an act, first to last: those heard so far that may speak again, and how many were looked at. */
export interface Hearing {
  readonly rules: readonly Placed[];
  readonly of: KnownMatter;
  readonly speakers: Speaker[];
  nLooked: number;
}

/** A set of rules by their places, as bits: there is one for each matter, and thousands of matters in a search. */
type RuleSet = number[];
const BITS = 31;
const NO_RULES: readonly number[] = Array.from({ length: Math.ceil(RULE_COUNT / BITS) }, () => 0);
const noRules = (): RuleSet => NO_RULES.slice();
const hasRule = (set: RuleSet, nth: number): boolean => (set[(nth / BITS) | 0]! & (1 << (nth % BITS))) !== 0;
const addRule = (set: RuleSet, nth: number): void => {
  set[(nth / BITS) | 0]! |= 1 << (nth % BITS);
};

/** What is known of the matter of an area: which rules speak of it at all, and each hearing by its act. */
export interface KnownMatter {
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

/** Whether a rule speaks of the matter of an area at all. */
export function isSpeaking(rule: Placed, input: ZoneRuleInput, { known, speaking }: KnownMatter): boolean {
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

/** What tells acts apart; why they are done makes no difference. */
export interface KnownAct {
  /** Its operation and its areas. */
  readonly where: string;
  /** The same, and with what it is done. */
  readonly name: string;
  /** Number of the way in which it is done: hearings are looked up by it. */
  readonly way: number;
}

/** What tells an act apart, worked out once. */
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
export const wayOnArea = (way: number, act: Act, id: string, nth: number): number =>
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

/** What is known of the matter of an area. */
export function matterIn(memory: SearchMemory, area: ZoneState): KnownMatter {
  const before = memory.matters.get(area.matter);
  if (before) return before;
  const known = alikeIn(memory, area);
  memory.matters.set(area.matter, known);
  return known;
}

/** The hearing of an area for one way in which an act is done on it. */
export function hearingIn(of: KnownMatter, way: number, rules: readonly Placed[]): Hearing {
  const before = of.hearings.get(way);
  if (before) return before;
  const hearing: Hearing = { rules, of, speakers: [], nLooked: 0 };
  of.hearings.set(way, hearing);
  return hearing;
}
