import {
  cardState,
  cardWords,
  foldRecord,
  handOverCard,
  notCheckedLines,
  type CardState,
  type CardWords,
  type HandOverCard,
  type PanelView,
  type Step,
} from '@blue-ledge/core';
import { useMemo } from 'react';
import { isOpened, usePlan, type PanelKey } from '../../api/queries.ts';
import { usePanelRecord, type PanelRecord } from '../../api/record-queries.ts';
import { useServerNow } from '../../clocks/use-server-now.ts';
import { useFormat } from '../../state/units.ts';

const MINUTE_MS = 60_000;

/** The card of a panel as its record leaves it now. */
export interface Card {
  readonly card: HandOverCard;
  readonly words: CardWords;
  readonly state: CardState;
  /** What was not checked or not kept, where that is what the card says. */
  readonly notChecked: readonly string[];
  /** The plan by which the panel was worked last. */
  readonly planId: string | undefined;
  readonly steps: readonly Step[];
}

/** ms of the zero of the panel's clock. */
function zeroMsOf({ start }: HandOverCard, utcOffsetMin: number): number {
  if (!start) return 0;
  return Date.parse(`${start.startOn}T00:00:00Z`) + (start.startMin - utcOffsetMin) * MINUTE_MS;
}

/** The card, its words and how far the panel is; `card` is null until plan and record are there. */
export function useCard(
  key: PanelKey,
  view: PanelView,
): { readonly card: Card | null; readonly record: PanelRecord; readonly error: Error | null } {
  const { data: plan, error, isPending } = usePlan(key);
  const { record, error: recordError } = usePanelRecord(key);
  const nowMs = useServerNow(MINUTE_MS / 2);
  const { system } = useFormat();
  const { entries, kept } = record;
  const worked = useMemo(() => {
    const opened = isOpened(plan) ? plan : null;
    const steps = opened?.opened.view.systems.find(({ id }) => id === opened.chosen)?.steps;
    return opened && steps ? { planId: opened.id, steps } : undefined;
  }, [plan]);
  const now = new Date(Math.floor(nowMs / MINUTE_MS) * MINUTE_MS).toISOString();
  const card = useMemo(() => {
    const task = isOpened(plan)
      ? plan.plan.inputs
      : { panel: view.panel, shop: view.shop, target: view.target };
    const fold = foldRecord(task, entries, { utcOffsetMin: kept?.utcOffsetMin ?? 0, now });
    return handOverCard(fold, entries, { kept: kept?.verified, plan: worked });
  }, [plan, worked, entries, kept, view, now]);
  const nowMin = (nowMs - zeroMsOf(card, kept?.utcOffsetMin ?? 0)) / MINUTE_MS;
  const state = cardState(card, nowMin);
  const whole: Card = {
    card,
    words: cardWords(card, nowMin, system),
    state,
    notChecked: state === 'not-checked' ? notCheckedLines(card) : [],
    planId: worked?.planId,
    steps: worked?.steps ?? [],
  };
  return { card: isPending || !kept ? null : whole, record, error: error ?? recordError };
}
