import { CheckOutlined, CloseSquareOutlined, MinusOutlined } from '@ant-design/icons';
import { allowedIf, type Reason, type Source, type System } from '@blue-ledge/core';
import { Button } from 'antd';
import { useRef } from 'react';
import { SourceMark } from '../../shared/SourceMark.tsx';
import { SectionThumb } from '../../shared/section/SectionThumb.tsx';
import type { SectionInput } from '../../shared/section/section-layout.ts';
import { useFormat } from '../../state/units.ts';

interface SystemCardsProps {
  readonly systems: readonly System[];
  readonly inputs: ReadonlyMap<string, SectionInput>;
  readonly chosen: string | null;
  readonly shown: string;
  readonly isChoosing: boolean;
  readonly onShow: (id: string) => void;
  readonly onChoose: (id: string) => void;
  readonly onSchools: () => void;
  readonly onWhyNot: () => void;
}

/** Systems side by side: those that are ready first, then those that a technician would ask about and that are refused. */
export function SystemCards({
  systems,
  inputs,
  chosen,
  shown,
  isChoosing,
  onShow,
  onChoose,
  onSchools,
  onWhyNot,
}: SystemCardsProps) {
  const strip = useRef<HTMLUListElement>(null);
  const ready = systems.filter(({ verdict }) => verdict === 'ready');
  const refused = systems.filter(({ verdict }) => verdict === 'refused');
  const reveal = (system: System | undefined): void => {
    if (!system) return;
    onShow(system.id);
    strip.current?.children[systems.indexOf(system)]?.scrollIntoView({ inline: 'start', block: 'nearest' });
  };
  return (
    <section className="system-cards" aria-label="Systems to compare">
      <div className="card-groups">
        <button type="button" onClick={() => reveal(ready[0])} disabled={ready.length === 0}>
          <b>{ready.length}</b> ready
        </button>
        <button type="button" onClick={() => reveal(refused[0])} disabled={refused.length === 0}>
          <b>{refused.length}</b> refused
        </button>
        <button type="button" onClick={onSchools}>
          Schools…
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
            input={inputs.get(system.id)!}
            isChosen={system.id === chosen}
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
  readonly input: SectionInput;
  readonly isChosen: boolean;
  readonly isShown: boolean;
  readonly isChoosing: boolean;
  readonly onShow: () => void;
  readonly onChoose: () => void;
}

function Card({ system, input, isChosen, isShown, isChoosing, onShow, onChoose }: CardProps) {
  const { minutes, quantity } = useFormat();
  const { totals, level } = system;
  const isReady = system.verdict === 'ready';
  const figures: readonly (readonly [figure: string, words: string, source?: Source])[] = isReady
    ? [
        [minutes(totals.handsOnMin), 'hands-on'],
        [minutes(totals.elapsedMin), 'until ready'],
        [String(totals.materialCost), 'material', 'model'],
        [level ? quantity('Um', level.ledgeUm) : '-', 'ledge left'],
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
        {!isReady && <Verdict system={system} isChosen={false} />}
      </button>
      {isReady && (
        <div className={`card-foot ${isChosen ? 'is-chosen' : ''}`}>
          <Verdict system={system} isChosen={isChosen} />
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

/** State in glyph and words: chosen, allowed with what speaks against it, or refused by its first rule. */
function Verdict({ system, isChosen }: { readonly system: System; readonly isChosen: boolean }) {
  const { said, system: units } = useFormat();
  const [broken] = system.refusedBy;
  const [remark] = system.remarks;
  if (broken) {
    const allowed = allowedIf(broken as Pick<Reason, 'code' | 'facts'>, units);
    return (
      <span className="card-verdict is-refused">
        <CloseSquareOutlined /> <b>Refused by {broken.rule}.</b> {said(broken)}
        {allowed && <i> Allowed {allowed}.</i>}
      </span>
    );
  }
  return (
    <span className="card-verdict">
      {isChosen ? <CheckOutlined /> : <MinusOutlined />} <b>{isChosen ? 'Chosen.' : 'Allowed.'}</b>{' '}
      {remark ? said(remark) : 'By the shop’s own schools; breaks no rule.'}
    </span>
  );
}
