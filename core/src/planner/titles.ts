import { labelOf } from '../materials/layer-kinds.ts';
import { isLastCoat, isStripping, type Act, type OpName } from '../operations/act.ts';
import type { SentenceCode } from '../wording/sentences.ts';
import { readArea } from '../survey/patches.ts';
import type { Reason } from '../wording/reason.ts';
import { topOf, type ZoneState } from '../operations/state.ts';
import { rowOf } from '../operations/table.ts';
import { capital } from '../units/capital.ts';

/** Names of systems in the words of the bench, from the choices that made them. */

const EPOXY_SEALER = 'epoxy as sealer';
const ON_PRIMED = ' on the primed areas';

/** What words are made of. */
interface Worded {
  readonly op: OpName;
  readonly zones: readonly string[];
  readonly why: readonly Pick<Reason, 'code'>[];
}

/** The sealer is a reduced epoxy. */
export const sealsWithEpoxy = ({ op, why }: Pick<Worded, 'op' | 'why'>): boolean =>
  op === 'seal' && why.some(({ code }) => code === 'S8.as-sealer');

/** Stripping is named for what comes off. */
const wordOf = (act: Act): string | undefined => {
  const where = sealsPrimed(act) ? ON_PRIMED : '';
  if (sealsWithEpoxy(act)) return EPOXY_SEALER + where;
  if (act.op === 'seal') return rowOf(act.op).inSystem + where;
  return isStripping(act) ? wordOfStrip(act) : rowOf(act.op).inSystem;
};

/** A strip is named where it is a choice or takes a whole zone; opening patches is part of every system. */
function wordOfStrip(act: Act): string | undefined {
  const said = (code: SentenceCode): boolean => act.why.some((reason) => reason.code === code);
  if (said('O2.strip')) return 'thinner-soft paint off';
  if (said('plan.refill') || said('F2.found')) return 'old filler out';
  return act.zones.every((id) => id.includes('/')) ? undefined : rowOf(act.op).inSystem;
}

/** The sealer goes over primed areas only. */
export const sealsPrimed = ({ op, why }: Pick<Worded, 'op' | 'why'>): boolean =>
  op === 'seal' && why.some(({ code }) => code === 'S1.seal-primed');

const wordsOf = (choices: readonly Act[]): string[] => choices.flatMap((act) => wordOf(act) ?? []);

/** "Old filler out, epoxy, filler, build, sealer"; a panel that needs no coat is "Clean and key". */
export const titleOf = (choices: readonly Act[]): string =>
  capital(wordsOf(choices).join(', ') || 'clean and key, no primer');

/** What was about to happen when a system was refused: "Sealer straight on bare steel". */
export function refusedTitle(choices: readonly Act[], refused: Act, brokenOn: ZoneState): string {
  const before = wordsOf(choices);
  if (refused.op === 'hand-over') {
    const hasSealer = choices.some(isLastCoat);
    return capital([...before, hasSealer ? 'then base' : 'no sealer'].join(', '));
  }
  const word = wordOf(refused) ?? refused.op;
  const hasCoat = choices.some((act) => act.op.startsWith('prime-') || act.op === 'fill');
  if (hasCoat) {
    const isEarlySeal =
      isLastCoat(refused) && !choices.some((act) => act.op === 'prime-build' || act.op === 'prime-dtm');
    return capital([...before, word, ...(isEarlySeal ? ['no build'] : [])].join(', '));
  }
  return `${capital(word.replace(ON_PRIMED, ''))} straight on ${labelOf(topOf(brokenOn).kind)}`;
}

/** What a plan lays on one zone, or takes off it, in the words of the titles; "keyed only" where nothing. */
export function wordsOnZone(acts: readonly Worded[], zoneId: string): string {
  const words = acts.flatMap((act) => {
    if (!act.zones.some((area) => readArea(area).zone === zoneId)) return [];
    if (sealsWithEpoxy(act)) return EPOXY_SEALER;
    const { inSystem, onZone = inSystem } = rowOf(act.op);
    return onZone ?? [];
  });
  return capital([...new Set(words)].join(', ') || 'keyed only');
}
