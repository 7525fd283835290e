import {
  cardWords,
  foldRecord,
  handOverCard,
  type CardAreaWords,
  type CardSection,
  type CardVerdict,
  type HandOverCard,
} from '@blue-ledge/core';
import { Button, Spin } from 'antd';
import { useMemo, useState } from 'react';
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
import { SavePdf } from './SavePdf.tsx';
import './hand-over.css';

const MINUTE_MS = 60_000;

/** Hand-over: the ready-for-base card, from what the record says. */
export function HandOverStage() {
  const { key, view } = usePanelContext();
  const { data: plan, error, isPending } = usePlan(key);
  const { record, error: recordError } = usePanelRecord(key);
  const who = useWho(view.shop);
  const [isSigning, setIsSigning] = useState(false);
  const nowMs = useServerNow(30_000);
  const { system } = useFormat();
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
  const { quality, base } = view.target;
  const heading = `${view.panel.name}, ${view.job.title}: hand-over card`;
  const about = `${view.job.title}; ${quality} quality, ${base.carrier} base, ${base.effect}.`;
  const nowMin = (nowMs - zeroMsOf(card, record.kept.utcOffsetMin)) / MINUTE_MS;
  const words = cardWords(card, nowMin, system);
  return (
    <div className="hand-over">
      <PrintPages heading={heading} />
      <RefusedEntries refused={record.refused} />
      <header className="card-top">
        <div>
          <h2>{view.panel.name}</h2>
          <p>{about}</p>
        </div>
        <p className="card-code">
          Code <code>{words.code}</code>
          <span className="note">the record of this panel shows the same</span>
        </p>
        <p className="card-acts">
          <Button icon={<PrinterOutlined />} onClick={() => window.print()}>
            Print
          </Button>
          <SavePdf heading={heading} about={about} words={words} />
          <Button type="primary" disabled={record.waiting.length > 0} onClick={() => setIsSigning(true)}>
            Sign it…
          </Button>
        </p>
      </header>
      <Verdict verdict={words.verdict} />
      <div className="card-columns">
        <Areas areas={words.areas} />
        <div>
          {words.sections.map((section) => (
            <Section key={section.title} section={section} />
          ))}
        </div>
      </div>
      <p className="note">{words.cautions.join(' ')}</p>
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
function zeroMsOf({ start }: HandOverCard, utcOffsetMin: number): number {
  if (!start) return 0;
  return Date.parse(`${start.startOn}T00:00:00Z`) + (start.startMin - utcOffsetMin) * MINUTE_MS;
}

/** Whether base may go on, and until when. */
function Verdict({ verdict: { state, title, lines } }: { readonly verdict: CardVerdict }) {
  const isReady = state === 'ready';
  return (
    <div className={`card-verdict-bar ${isReady ? 'is-ready' : 'is-not'}`} role="status">
      <b>
        {isReady ? <CheckOutlined /> : <WarningOutlined />} {title}
      </b>
      {state === 'not-yet' ? (
        <ul>
          {lines.map((line) => (
            <li key={line}>{line}</li>
          ))}
        </ul>
      ) : (
        lines.map((line) => <p key={line}>{line}</p>)
      )}
    </div>
  );
}

const Areas = ({ areas }: { readonly areas: readonly CardAreaWords[] }) => (
  <section className="card-block">
    <h3>What lies under base</h3>
    <ul className="card-areas">
      {areas.map(({ title, note, layers }) => (
        <li key={title}>
          <h4>
            {title} <span className="note">{note}</span>
          </h4>
          <ul>
            {layers.map(({ kind, label, note: more, film }, i) => (
              <li key={`${kind}${i}`}>
                <Swatch kind={kind} /> {label}
                {more && <span className="note"> {more}</span>}
                {film && <b>{film}</b>}
              </li>
            ))}
          </ul>
        </li>
      ))}
    </ul>
  </section>
);

const Section = ({ section: { title, lines } }: { readonly section: CardSection }) => (
  <section className="card-block">
    <h3>{title}</h3>
    {lines.length === 1 ? (
      <p>{lines[0]}</p>
    ) : (
      <ul>
        {lines.map((line, i) => (
          <li key={i}>{line}</li>
        ))}
      </ul>
    )}
  </section>
);
