import {
  cardState,
  cardWords,
  foldRecord,
  handOverCard,
  notCheckedLines,
  uncheckedOf,
  type AskedCheck,
  type CardAreaWords,
  type CardSection,
  type HandOverCard,
  type NewEntry,
} from '@blue-ledge/core';
import { Button, Spin } from 'antd';
import { useMemo, useState } from 'react';
import { Link } from 'react-router';
import { isOpened, usePlan } from '../../api/queries.ts';
import { usePanelRecord } from '../../api/record-queries.ts';
import { useServerNow } from '../../clocks/use-server-now.ts';
import { enterAll } from '../../outbox/record.ts';
import { PrinterOutlined } from '../../shared/icons.tsx';
import { Swatch } from '../../shared/materials/Swatch.tsx';
import { Problem } from '../../shared/Problem.tsx';
import { rememberLast } from '../../state/last-entries.ts';
import { useFormat } from '../../state/units.ts';
import { usePanelContext } from '../panel-context.ts';
import { LastEntered } from '../run/LastEntered.tsx';
import { RefusedEntries } from '../run/RefusedEntries.tsx';
import { useUnderName, useWho, WhoDialog } from '../run/Who.tsx';
import { writeEntry } from '../run/write-entry.ts';
import { PrintPages } from '../sheet/PrintPages.tsx';
import { BaseOnDialog } from './BaseOnDialog.tsx';
import { SavePdf } from './SavePdf.tsx';
import { SignDialog } from './SignDialog.tsx';
import { Unchecked } from './Unchecked.tsx';
import { Verdict } from './Verdict.tsx';
import { WaiveDialog } from './WaiveDialog.tsx';
import './hand-over.css';

const MINUTE_MS = 60_000;

/** What somebody is doing on the card, and under which name. */
type Doing = { readonly what: 'sign' } | { readonly what: 'waive' | 'base'; readonly by: string };

/** Hand-over: the ready-for-base card, from what the record says. */
export function HandOverStage() {
  const { key, view } = usePanelContext();
  const { data: plan, error, isPending } = usePlan(key);
  const { record, error: recordError } = usePanelRecord(key);
  const who = useWho(view.shop);
  const name = useUnderName(who);
  const [doing, setDoing] = useState<Doing | null>(null);
  const nowMs = useServerNow(30_000);
  const { system } = useFormat();
  const worked = useMemo(() => {
    const steps = isOpened(plan)
      ? plan.opened.view.systems.find(({ id }) => id === plan.chosen)?.steps
      : null;
    return steps && isOpened(plan) ? { planId: plan.id, steps } : undefined;
  }, [plan]);
  const card = useMemo(() => {
    const task = isOpened(plan)
      ? plan.plan.inputs
      : { panel: view.panel, shop: view.shop, target: view.target };
    const { entries, kept } = record;
    const options = {
      utcOffsetMin: kept?.utcOffsetMin ?? 0,
      now: new Date(Math.floor(nowMs / MINUTE_MS) * MINUTE_MS).toISOString(),
    };
    return handOverCard(foldRecord(task, entries, options), entries, {
      head: kept?.verified.head,
      plan: worked,
    });
  }, [plan, worked, record, view, nowMs]);
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
  const state = cardState(card, nowMin);
  const notChecked = state === 'not-checked' ? notCheckedLines(card) : [];
  const unchecked = uncheckedOf(card);
  const close = (): void => setDoing(null);
  const write = (entries: readonly NewEntry[], title: string): void => {
    enterAll(
      key,
      entries.map((entry) => ({ entry, title })),
    );
    rememberLast(key, entries, title);
    close();
  };
  const sign = (by: string): void => {
    who.choose(by);
    const body = {
      name: by,
      head: card.head,
      state: state === 'ready' ? ('ready' as const) : ('not-checked' as const),
      ...(notChecked.length > 0 ? { notChecked } : {}),
    };
    write([writeEntry({ by, kind: 'sign', body })], 'signed');
  };
  const waive = (by: string, checks: readonly AskedCheck[], text: string): void => {
    write(
      checks.map(({ check, step, zones }) =>
        writeEntry({
          by,
          kind: 'check',
          body: { check, outcome: 'waived', zones: [...zones], text, ...(step ? { step } : {}) },
        }),
      ),
      `${checks.length} ${checks.length === 1 ? 'check' : 'checks'} waived`,
    );
  };
  const layBase = (by: string, agoMin: number, text: string): void => {
    write([writeEntry({ by, kind: 'base', body: text ? { text } : {}, agoMin })], 'base is on');
  };
  return (
    <div className="hand-over">
      <PrintPages heading={heading} />
      <RefusedEntries refused={record.refused} />
      <header className="card-top">
        <div>
          <h2>{view.panel.name}</h2>
          <p>{about}</p>
          <p className="note">{words.asOf}</p>
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
          <NextAct
            card={card}
            isReady={state === 'ready' || state === 'not-checked'}
            isWaiting={record.waiting.length > 0}
            onSign={() => setDoing({ what: 'sign' })}
            onBase={() => name.as((by) => setDoing({ what: 'base', by }))}
          />
        </p>
      </header>
      <LastEntered at={key} name={name} />
      <Verdict verdict={words.verdict} />
      <div className="card-columns">
        <Areas areas={words.areas} />
        <div>
          {!card.base && (
            <Unchecked
              checks={unchecked}
              planId={worked?.planId}
              steps={worked?.steps ?? []}
              onWaive={() => name.as((by) => setDoing({ what: 'waive', by }))}
            />
          )}
          {words.sections.map((section) => (
            <Section key={section.title} section={section} />
          ))}
        </div>
      </div>
      <p className="note">{words.cautions.join(' ')}</p>
      {name.isAsking && <WhoDialog who={who} onClose={() => name.answer(null)} onPick={name.answer} />}
      {doing?.what === 'sign' && (
        <SignDialog
          panelName={view.panel.name}
          state={state === 'ready' ? 'ready' : 'not-checked'}
          notChecked={notChecked}
          code={words.code}
          who={who}
          onSign={sign}
          onClose={close}
        />
      )}
      {doing?.what === 'waive' && (
        <WaiveDialog
          checks={unchecked}
          by={doing.by}
          onWaive={(checks, why) => waive(doing.by, checks, why)}
          onClose={close}
        />
      )}
      {doing?.what === 'base' && (
        <BaseOnDialog
          by={doing.by}
          isNotReady={state === 'not-ready'}
          onEnter={(agoMin, text) => layBase(doing.by, agoMin, text)}
          onClose={close}
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

interface NextActProps {
  readonly card: HandOverCard;
  readonly isReady: boolean;
  /** Entries are on their way: what they say is not signed yet. */
  readonly isWaiting: boolean;
  readonly onSign: () => void;
  readonly onBase: () => void;
}

/** A card that is ready is signed; after that the painter's base ends it. What is not ready cannot be signed. */
function NextAct({ card: { base, signedBy }, isReady, isWaiting, onSign, onBase }: NextActProps) {
  if (base) return null;
  const isSigned = signedBy.some(({ nSince }) => nSince === 0);
  return (
    <>
      {isReady && (
        <Button type={isSigned ? 'default' : 'primary'} disabled={isWaiting} onClick={onSign}>
          Sign it…
        </Button>
      )}
      <Button type={isSigned && isReady ? 'primary' : 'default'} disabled={isWaiting} onClick={onBase}>
        Base is on…
      </Button>
    </>
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
