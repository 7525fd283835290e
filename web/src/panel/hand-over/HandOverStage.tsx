import { uncheckedOf, type CardAreaWords, type CardSection, type HandOverCard } from '@blue-ledge/core';
import { Button, Spin } from 'antd';
import { useState } from 'react';
import { Link } from 'react-router';
import { PrinterOutlined } from '../../shared/icons.tsx';
import { Swatch } from '../../shared/materials/Swatch.tsx';
import { Problem } from '../../shared/Problem.tsx';
import { usePanelContext } from '../panel-context.ts';
import { LastEntered } from '../run/LastEntered.tsx';
import { RefusedEntries } from '../run/RefusedEntries.tsx';
import { useUnderName, useWho, WhoDialog } from '../run/Who.tsx';
import { PrintPages } from '../sheet/PrintPages.tsx';
import { CardDialogs, type Doing } from './CardDialogs.tsx';
import { SavePdf } from './SavePdf.tsx';
import { Unchecked } from './Unchecked.tsx';
import { useCard } from './use-card.ts';
import { Verdict } from './Verdict.tsx';
import './hand-over.css';

/** Hand-over: the ready-for-base card, from what the record says. */
export function HandOverStage() {
  const { key, view } = usePanelContext();
  const { card: whole, record, error } = useCard(key, view);
  const who = useWho(view.shop);
  const name = useUnderName(who);
  const [doing, setDoing] = useState<Doing | null>(null);
  if (error) return <Problem error={error} />;
  if (!whole) return <Spin className="stage-wait" description="Fetching the record" />;
  const { card, words, state, planId, steps } = whole;
  if (!card.start) return <NothingYet />;
  const { quality, base } = view.target;
  const heading = `${view.panel.name}, ${view.job.title}: hand-over card`;
  const about = `${view.job.title}; ${quality} quality, ${base.carrier} base, ${base.effect}.`;
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
              checks={uncheckedOf(card)}
              planId={planId}
              steps={steps}
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
      <CardDialogs
        doing={doing}
        at={key}
        panelName={view.panel.name}
        card={whole}
        who={who}
        onClose={() => setDoing(null)}
      />
    </div>
  );
}

const NothingYet = () => (
  <div className="no-plan">
    <h2>Nothing to hand over yet</h2>
    <p>
      The card says what lies under base, how thick, in which tone, who did what, and until when base bonds.
      It comes from the record: do the first step at the bench.
    </p>
    <p>
      <Link to="../run">Open its Run stage</Link>
    </p>
  </div>
);

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
