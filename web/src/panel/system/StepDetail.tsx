import {
  allowedIf,
  areaTitle,
  areasOf,
  placeWords,
  stepMeans,
  stepMix,
  stepTitle,
  type OpenedPlan,
  type Reason,
  type Said,
  type Step,
  type System,
  type WorkStart,
} from '@blue-ledge/core';
import { Button } from 'antd';
import { CloseSquareOutlined, WarningOutlined } from '../../shared/icons.tsx';
import { SourceMark, sourceWords } from '../../shared/SourceMark.tsx';
import { shopTime } from '../../state/now.ts';
import { useFormat } from '../../state/units.ts';

/** The step that is looked at: what to do, with what, how long, until when, why, and what can hurt. */
export function StepDetail({
  system,
  n,
  start,
  sheetOf,
  onReplan,
  clockOf,
  otherProducts,
}: {
  readonly system: System;
  readonly n: number;
  readonly start: WorkStart;
  readonly sheetOf: OpenedPlan['sheetOf'];
  /** Plans the rest from this step; absent where nothing can be planned on. */
  readonly onReplan?: () => void;
  /** The clock of a step, or what starts it. */
  readonly clockOf: (step: Step) => React.ReactNode;
  /** What is said of other products for a step that lays one. */
  readonly otherProducts: (step: Step) => React.ReactNode;
}) {
  const step = system.steps[n - 1];
  const isEnd = system.verdict === 'refused' && n === system.steps.length;
  return (
    <section className="step-detail" aria-label="Step in detail" tabIndex={0}>
      {isEnd && <RefusedBy system={system} />}
      {step ? (
        <Detail
          step={step}
          all={areasOf(system.steps)}
          start={start}
          sheetOf={sheetOf}
          clock={step.isDone || isEnd ? null : clockOf(step)}
          products={step.sheetId && !step.isDone && !isEnd ? otherProducts(step) : null}
          {...(onReplan && step.op !== 'hand-over' ? { onReplan } : {})}
        />
      ) : (
        <p>The panel as it came in. Move the scrubber to see each step.</p>
      )}
    </section>
  );
}

interface DetailProps {
  readonly step: Step;
  readonly all: readonly string[];
  readonly start: WorkStart;
  readonly sheetOf: OpenedPlan['sheetOf'];
  readonly onReplan?: () => void;
  readonly clock: React.ReactNode;
  readonly products: React.ReactNode;
}

function Detail({ step, all, start, sheetOf, onReplan, clock, products }: DetailProps) {
  const { minutes, system } = useFormat();
  const at = (afterMin: number): string => shopTime(start, afterMin);
  const mix = stepMix(step, sheetOf(step.sheetId));
  const means = stepMeans(step, system);
  const { window: open } = step;
  return (
    <>
      <h3>
        {step.n}. {stepTitle(step)}
        {step.isDone && ', done'} <span className="note">{placeWords(step.areas, all)}</span>
      </h3>
      {means && <p className="detail-means">{means}</p>}
      {mix && <p className="detail-means">{mix}</p>}
      <p className="detail-times">
        {step.handsOnMin > 0 && (
          <span>
            hands-on <b>{minutes(step.handsOnMin)}</b>{' '}
            <SourceMark source={step.sources['handsOnMin'] ?? 'default'} />
          </span>
        )}
        {step.waitMin > 0 && (
          <span>
            wait <b>{minutes(step.waitMin)}</b> <SourceMark source={step.sources['waitMin'] ?? 'default'} />
          </span>
        )}
        {open && (
          <span>
            next coat{' '}
            <b>
              {open.opensMin > 0 ? `${minutes(open.opensMin)} to ` : 'within '}
              {minutes(open.closesMin)}
            </b>{' '}
            <SourceMark source={step.sources['window'] ?? 'sheet'} />
          </span>
        )}
      </p>
      <p className="note">
        {step.isDone ? 'Planned for' : 'From'} {at(step.startMin)} to {at(step.endMin)}
        {isSplit(step) && ', over the shop’s closing time'}
        {open && `; next coat from ${at(step.endMin + open.opensMin)} to ${at(step.endMin + open.closesMin)}`}
        .
      </p>
      {clock}
      {onReplan && (
        <p>
          <Button onClick={onReplan}>Done so far: plan on from here…</Button>
        </p>
      )}
      {products}
      <Reasons reasons={step.why} />
      {step.cautions.length > 0 && (
        <ul className="cautions">
          {step.cautions.map((caution, i) => (
            <li key={caution}>
              {i === 0 && <WarningOutlined />} {caution}
            </li>
          ))}
        </ul>
      )}
    </>
  );
}

/** The shop closes in the middle of it. */
const isSplit = ({ startMin, endMin, handsOnMin, waitMin }: Step): boolean =>
  endMin - startMin > handsOnMin + waitMin + 1;

/** Reasons, each with the rule behind it and where it comes from, in words as well as by mark. */
function Reasons({ reasons }: { readonly reasons: readonly Said[] }) {
  const { said } = useFormat();
  return (
    <ul className="reasons">
      {reasons.map((reason, i) => (
        <li key={i}>
          <SourceMark source={reason.source} /> {said(reason)}{' '}
          <span className="note">
            {isRule(reason.rule) && <b>{reason.rule}</b>} {sourceWords(reason.source)}
          </span>
        </li>
      ))}
    </ul>
  );
}

/** Ids of the trade's rules are a letter or two and a number; other reasons speak for themselves. */
const isRule = (rule: string): boolean => /^[A-Z]{1,2}\d+$/.test(rule);

function RefusedBy({ system }: { readonly system: System }) {
  const { said } = useFormat();
  const { refusedStep } = system;
  return (
    <div className="problem">
      <b>
        <CloseSquareOutlined />{' '}
        {refusedStep
          ? `Here it stops: ${refusedStep.sheetName ?? 'hand over to base'} on ${placeWords(refusedStep.areas)}`
          : 'Here it stops'}
      </b>
      <ul>
        {byReason(system.refusedBy).map(({ zones, reason }) => (
          <li key={reason.text}>
            {zones.map(areaTitle).join(', ')}: {said(reason)}{' '}
            {isRule(reason.rule) && <span className="rule-id">{reason.rule}</span>}
            <Allowed refusal={reason} />
          </li>
        ))}
      </ul>
    </div>
  );
}

/** What would make it allowed, where something would. */
function Allowed({ refusal }: { readonly refusal: Said }) {
  const { system } = useFormat();
  const words = allowedIf(refusal as Pick<Reason, 'code' | 'facts'>, system);
  return words ? <i> Allowed {words}.</i> : null;
}

interface ZonesReason {
  readonly zones: readonly string[];
  readonly reason: Said;
}

/** What is said of several zones in the same words is said once. */
function byReason(refusals: System['refusedBy']): ZonesReason[] {
  const texts = [...new Set(refusals.map(({ text }) => text))];
  return texts.map((text) => {
    const same = refusals.filter((refusal) => refusal.text === text);
    return { zones: same.map(({ zoneId }) => zoneId), reason: same[0]! };
  });
}
