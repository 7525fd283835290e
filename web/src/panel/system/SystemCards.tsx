import {
  allowedIf,
  standingsOf,
  type Quote,
  type Reason,
  type Source,
  type Standing,
  type System,
  type WorkStart,
} from '@blue-ledge/core';
import { Button } from 'antd';
import { useMemo, useRef } from 'react';
import { CheckOutlined, CloseSquareOutlined, MinusOutlined } from '../../shared/icons.tsx';
import { SourceMark } from '../../shared/SourceMark.tsx';
import type { TimesBy } from '../../api/timed-plan.ts';
import { SectionThumb } from '../../shared/section/SectionThumb.tsx';
import type { SectionInput } from '../../shared/section/section-layout.ts';
import { moneyText } from '../../shared/money.ts';
import { shopTime } from '../../state/now.ts';
import { usePanelContext } from '../panel-context.ts';
import { useFormat } from '../../state/units.ts';

interface SystemCardsProps {
  readonly systems: readonly System[];
  readonly start: WorkStart;
  /** Whose times the chosen system stands at. */
  readonly timesBy: TimesBy;
  readonly inputs: ReadonlyMap<string, SectionInput>;
  readonly quotes: ReadonlyMap<string, Quote>;
  readonly chosen: string | null;
  /** What a person wants; the planner suggests where nobody chose. */
  readonly wanted: string | null;
  readonly shown: string;
  readonly isChoosing: boolean;
  readonly onShow: (id: string) => void;
  readonly onChoose: (id: string) => void;
  readonly onSchools: () => void;
  readonly onWhyNot: () => void;
  readonly onCompare: () => void;
}

/** Systems side by side: those that are ready first, then those that a technician would ask about and that are refused. */
export function SystemCards({
  systems,
  start,
  timesBy,
  inputs,
  quotes,
  chosen,
  wanted,
  shown,
  isChoosing,
  onShow,
  onChoose,
  onSchools,
  onWhyNot,
  onCompare,
}: SystemCardsProps) {
  const strip = useRef<HTMLUListElement>(null);
  const ready = systems.filter(({ verdict }) => verdict === 'ready');
  const standings = useMemo(() => standingsOf(systems), [systems]);
  const refused = systems.filter(({ verdict }) => verdict === 'refused');
  const reveal = (system: System | undefined): void => {
    if (!system) return;
    onShow(system.id);
    strip.current?.children[systems.indexOf(system)]?.scrollIntoView({ inline: 'start', block: 'nearest' });
  };
  return (
    <section className="system-cards" aria-label="Systems to compare">
      <div className="card-groups">
        <button
          type="button"
          aria-label={`${ready.length} ready: compare them in a table`}
          onClick={onCompare}
          disabled={ready.length === 0}
        >
          <b>{ready.length}</b> ready…
        </button>
        <button type="button" onClick={() => reveal(refused[0])} disabled={refused.length === 0}>
          <b>{refused.length}</b> refused
        </button>
        <button type="button" onClick={onSchools}>
          Our ways…
        </button>
        <button type="button" onClick={onWhyNot}>
          Why not…?
        </button>
      </div>
      <ul ref={strip} tabIndex={-1}>
        {systems.map((system) => (
          <Card
            key={system.id}
            system={system}
            readyAt={
              timesBy === 'bay' && system.id === chosen ? shopTime(start, system.steps.at(-1)!.endMin) : null
            }
            input={inputs.get(system.id)!}
            quote={quotes.get(system.id)!}
            standing={standings.get(system.id) ?? []}
            isChosen={system.id === chosen && system.id === wanted}
            isSuggested={system.id === chosen && system.id !== wanted}
            isShown={system.id === shown}
            isChoosing={isChoosing}
            onShow={() => onShow(system.id)}
            onChoose={() => onChoose(system.id)}
          />
        ))}
      </ul>
    </section>
  );
}

interface CardProps {
  readonly system: System;
  /** When it is ready by the bay; null for one that does not stand there. */
  readonly readyAt: string | null;
  readonly input: SectionInput;
  readonly quote: Quote;
  /** What stands out about it among those that are ready. */
  readonly standing: readonly Standing[];
  readonly isChosen: boolean;
  /** The planner would take it, and nobody chose. */
  readonly isSuggested: boolean;
  readonly isShown: boolean;
  readonly isChoosing: boolean;
  readonly onShow: () => void;
  readonly onChoose: () => void;
}

function Card({
  system,
  readyAt,
  input,
  quote,
  standing,
  isChosen,
  isSuggested,
  isShown,
  isChoosing,
  onShow,
  onChoose,
}: CardProps) {
  const { minutes, quantity } = useFormat();
  const { currency } = usePanelContext().view.shop;
  const { totals, level, steps } = system;
  const hasDone = steps.some(({ isDone }) => isDone);
  const isReady = system.verdict === 'ready';
  const figures: readonly (readonly [figure: string, words: string, source?: Source])[] = isReady
    ? [
        [minutes(totals.handsOnMin), hasDone ? 'work left' : 'hands-on'],
        readyAt ? [readyAt, 'ready'] : [minutes(totals.elapsedMin), hasDone ? 'to go' : 'elapsed'],
        [moneyText(quote.totalCost, currency, 0), hasDone ? 'cost left' : 'cost in all', 'model'],
        [level ? quantity('Um', level.ledgeUm) : '-', 'step left'],
      ]
    : [];
  return (
    <li className={`ledge system-card ${isShown ? 'is-shown' : ''} ${isReady ? '' : 'is-refused'}`}>
      <button type="button" className="card-face" aria-pressed={isShown} onClick={onShow}>
        <span className="card-head">
          <span className="card-title">{system.title}</span>
          <SectionThumb input={input} />
        </span>
        {isReady && (
          <span className="card-figures">
            {figures.map(([figure, words, source]) => (
              <span key={words}>
                <b>
                  {figure} {source && <SourceMark source={source} />}
                </b>
                {words}
              </span>
            ))}
          </span>
        )}
        {standing.length > 0 && <span className="card-standing">{standing.join(', ')}</span>}
        {!isReady && <Verdict system={system} state="refused" />}
      </button>
      {isReady && (
        <div className={`card-foot ${isChosen || isSuggested ? 'is-chosen' : ''}`}>
          <Verdict system={system} state={isChosen ? 'chosen' : isSuggested ? 'suggested' : 'allowed'} />
          {isShown && !isChosen && (
            <Button type="primary" loading={isChoosing} onClick={onChoose}>
              Choose
            </Button>
          )}
        </div>
      )}
    </li>
  );
}

type CardState = 'chosen' | 'suggested' | 'allowed' | 'refused';

const STATE_WORDS: Record<CardState, string> = {
  chosen: 'Chosen.',
  suggested: 'Suggested.',
  allowed: 'Allowed.',
  refused: 'Refused.',
};

/** State in glyph and words: chosen, suggested, allowed with what speaks against it, or refused by its first rule. */
function Verdict({ system, state }: { readonly system: System; readonly state: CardState }) {
  const { said, system: units } = useFormat();
  const [broken] = system.refusedBy;
  const [remark] = system.remarks;
  if (broken) {
    const allowed = allowedIf(broken as Pick<Reason, 'code' | 'facts'>, units);
    return (
      <span className="card-verdict is-refused">
        <CloseSquareOutlined /> <b>{STATE_WORDS.refused}</b> {said(broken)}
        {allowed && <i> Allowed {allowed}.</i>} <span className="rule-id">{broken.rule}</span>
      </span>
    );
  }
  return (
    <span className="card-verdict">
      {state === 'chosen' ? <CheckOutlined /> : <MinusOutlined />} <b>{STATE_WORDS[state]}</b>{' '}
      {remark ? said(remark) : 'Breaks no rule.'}
    </span>
  );
}
