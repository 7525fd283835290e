import {
  CARD_CAUTIONS,
  areaTitle,
  clockTime,
  entryWords,
  foldRecord,
  handOverCard,
  isSolid,
  type HandOverCard,
} from '@blue-ledge/core';
import { Button, Spin } from 'antd';
import dayjs from 'dayjs';
import { useMemo, useState, type ReactNode } from 'react';
import { Link } from 'react-router';
import { isOpened, usePlan } from '../../api/queries.ts';
import { usePanelRecord } from '../../api/record-queries.ts';
import { useServerNow } from '../../clocks/use-server-now.ts';
import { enter } from '../../outbox/record.ts';
import { CheckOutlined, PrinterOutlined, WarningOutlined } from '../../shared/icons.tsx';
import { Swatch } from '../../shared/materials/Swatch.tsx';
import { Problem } from '../../shared/Problem.tsx';
import { useFormat } from '../../state/units.ts';
import { usePanelContext } from '../panel-context.ts';
import { RefusedEntries } from '../run/RefusedEntries.tsx';
import { useWho, WhoDialog } from '../run/Who.tsx';
import { writeEntry } from '../run/write-entry.ts';
import { PrintPages } from '../sheet/PrintPages.tsx';
import './hand-over.css';

/** Letters of the head that are read out and compared. */
const CODE_LETTERS = 12;
const MINUTE_MS = 60_000;

/** Hand-over: the ready-for-base card, from what the record says. */
export function HandOverStage() {
  const { key, view } = usePanelContext();
  const { data: plan, error, isPending } = usePlan(key);
  const { record, error: recordError } = usePanelRecord(key);
  const who = useWho(view.shop);
  const [isSigning, setIsSigning] = useState(false);
  const nowMs = useServerNow(30_000);
  const card = useMemo(() => {
    const task = isOpened(plan)
      ? plan.plan.inputs
      : { panel: view.panel, shop: view.shop, target: view.target };
    const { entries, kept } = record;
    const options = {
      utcOffsetMin: kept?.utcOffsetMin ?? 0,
      now: new Date(Math.floor(nowMs / MINUTE_MS) * MINUTE_MS).toISOString(),
    };
    return handOverCard(foldRecord(task, entries, options), entries, kept?.verified.head);
  }, [plan, record, view, nowMs]);
  if (error ?? recordError) return <Problem error={(error ?? recordError)!} />;
  if (isPending || !record.kept) return <Spin className="stage-wait" description="Fetching the record" />;
  if (!card.start)
    return (
      <div className="no-plan">
        <h2>Nothing to hand over yet</h2>
        <p>
          The card says what lies under base, how thick, in which tone, who did what, and until when base
          bonds. It comes from the record: do the first step at the bench.
        </p>
        <p>
          <Link to="../run">Open its Run stage</Link>
        </p>
      </div>
    );
  return (
    <div className="hand-over">
      <PrintPages heading={`${view.panel.name}, ${view.job.title}: ready for base`} />
      <RefusedEntries refused={record.refused} />
      <header className="card-top">
        <div>
          <h2>{view.panel.name}</h2>
          <p>
            {view.job.title}; {view.target.quality} quality, {view.target.base.carrier} base,{' '}
            {view.target.base.effect}.
          </p>
        </div>
        <p className="card-code">
          Code <code>{card.head.slice(0, CODE_LETTERS)}</code>
          <span className="note">the record of this panel shows the same</span>
        </p>
        <p className="card-acts">
          <Button icon={<PrinterOutlined />} onClick={() => window.print()}>
            Print
          </Button>
          <Button type="primary" disabled={record.waiting.length > 0} onClick={() => setIsSigning(true)}>
            Sign it…
          </Button>
        </p>
      </header>
      <Verdict card={card} nowMs={nowMs} zeroMs={zeroOf(card, record.kept.utcOffsetMin)} />
      <div className="card-columns">
        <Areas card={card} />
        <div>
          <Block title="For whoever lays the base">
            <ul>
              {card.forPainter.map((words) => (
                <li key={words}>{words}</li>
              ))}
            </ul>
          </Block>
          <Facts card={card} />
        </div>
      </div>
      <p className="note">{CARD_CAUTIONS.join(' ')}</p>
      {isSigning && (
        <WhoDialog
          who={who}
          onClose={() => setIsSigning(false)}
          onPick={(name) => {
            who.choose(name);
            enter(key, writeEntry({ by: name, kind: 'sign', body: { name, head: card.head } }), 'signed');
            setIsSigning(false);
          }}
        />
      )}
    </div>
  );
}

/** ms of the zero of the panel's clock. */
function zeroOf({ start }: HandOverCard, utcOffsetMin: number): number {
  if (!start) return 0;
  return Date.parse(`${start.startOn}T00:00:00Z`) + (start.startMin - utcOffsetMin) * MINUTE_MS;
}

interface VerdictProps {
  readonly card: HandOverCard;
  readonly nowMs: number;
  readonly zeroMs: number;
}

/** Whether base may go on, and until when. */
function Verdict({ card, nowMs, zeroMs }: VerdictProps) {
  const { said, minutes } = useFormat();
  const { window, notYet, signedBy, start } = card;
  if (notYet.length > 0)
    return (
      <div className="card-verdict-bar is-not" role="status">
        <b>
          <WarningOutlined /> Not ready for base
        </b>
        <ul>
          {notYet.map((reason) => (
            <li key={reason.text}>{said(reason)}</li>
          ))}
        </ul>
      </div>
    );
  const nowMin = (nowMs - zeroMs) / MINUTE_MS;
  const isMissed = window?.closesMin !== undefined && nowMin > window.closesMin;
  return (
    <div className={`card-verdict-bar ${isMissed ? 'is-not' : 'is-ready'}`} role="status">
      <b>
        {isMissed ? <WarningOutlined /> : <CheckOutlined />}{' '}
        {isMissed ? 'The window to base has closed' : 'Ready for base'}
      </b>
      <p>
        {window && start
          ? `Base from ${clockTime(start, Math.max(0, window.opensMin))}${
              window.closesMin === undefined
                ? ', without an end'
                : ` until ${clockTime(start, window.closesMin)}${isMissed ? '' : `, ${minutes(window.closesMin - nowMin)} from now`}`
            }.`
          : 'Sanded surfaces wait for base: no window runs; keep them clean and dry.'}
        {isMissed && ' Scuff and clean before base.'}
      </p>
      {signedBy.length > 0 && (
        <p>
          Signed:{' '}
          {signedBy.map(({ name, at }) => `${name}, ${dayjs(at).format('ddd D MMM HH:mm')}`).join('; ')}.
        </p>
      )}
    </div>
  );
}

function Areas({ card: { areas } }: { readonly card: HandOverCard }) {
  const { quantity } = useFormat();
  return (
    <Block title="What lies under base">
      <ul className="card-areas">
        {areas.map(({ area, layers, filmUm, isMeasured, lastGrade }) => (
          <li key={area}>
            <h4>
              {areaTitle(area)}{' '}
              <span className="note">
                {quantity('Um', filmUm)} {isMeasured ? 'by the gauge' : 'reckoned'}
                {lastGrade && `, last scratch ${lastGrade}`}
              </span>
            </h4>
            <ul>
              {layers.toReversed().map(({ kind, label, um, toneL, isOurs }, i) => (
                <li key={`${kind}${i}`}>
                  <Swatch kind={kind} /> {label}
                  {toneL !== undefined && <span className="note"> grey {toneL} of 100</span>}
                  {!isOurs && !isSolid(kind) && <span className="note"> found</span>}
                  {!isSolid(kind) && <b>{quantity('Um', um)}</b>}
                </li>
              ))}
            </ul>
          </li>
        ))}
      </ul>
    </Block>
  );
}

function Facts({ card }: { readonly card: HandOverCard }) {
  const { system, said } = useFormat();
  const { checks, readings, products, people, deviations, broken } = card;
  return (
    <>
      <Block title="Otherwise than planned">
        {deviations.length + broken.length === 0 ? (
          <p>Nothing: done as planned and by the rules.</p>
        ) : (
          <ul>
            {deviations.map((words) => (
              <li key={words}>{words}</li>
            ))}
            {broken.map((reason) => (
              <li key={reason.text}>Not by the rules: {said(reason)}</li>
            ))}
          </ul>
        )}
      </Block>
      <Block title="Products and batches">
        <ul>
          {products.map(({ name, sheetId, batches }) => (
            <li key={sheetId}>
              {name}
              {batches.length > 0 ? `, batch ${batches.join(', ')}` : ', batch not written down'}
            </li>
          ))}
        </ul>
      </Block>
      <Block title="Checks and readings">
        {checks.length + readings.length === 0 ? (
          <p>None was entered.</p>
        ) : (
          <ul>
            {checks.map(({ title, outcome, by }, i) => (
              <li key={i}>
                {title}: {outcome}, {by}
              </li>
            ))}
            {readings.map((entry) => {
              const { title, more } = entryWords(entry, { system, nameOf: (id) => id });
              return (
                <li key={entry.id}>
                  {title}: {more}
                </li>
              );
            })}
          </ul>
        )}
      </Block>
      <Block title="Who did it">
        <p>
          {people.map(({ name, nActs }) => `${name}, ${nActs} ${nActs === 1 ? 'step' : 'steps'}`).join('; ')}.
        </p>
      </Block>
    </>
  );
}

const Block = ({ title, children }: { readonly title: string; readonly children: ReactNode }) => (
  <section className="card-block">
    <h3>{title}</h3>
    {children}
  </section>
);
