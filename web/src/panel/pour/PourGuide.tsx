import {
  QUANTITIES,
  RESCUE_TOLERANCE_PERCENT,
  guidePour,
  askedTolerance,
  rescueOf,
  toShown,
  toStored,
  usableMl,
  type Pour,
} from '@blue-ledge/core';
import { Button } from 'antd';
import { useState } from 'react';
import type { ShopEdit } from '../../api/use-shop-of-job.ts';
import { NumberInput } from '../../shared/NumberInput.tsx';
import { announce } from '../../state/announce.ts';
import { keepPot, usePotRuns, type PotRun } from '../../state/pot-runs.ts';
import type { PotClock } from './use-pot-clock.ts';
import { useUnits } from '../../state/units.ts';
import { useCup } from './use-cup.ts';
import { useAmounts } from '../../shared/use-amounts.ts';

interface PourGuideProps {
  /** Name under which this pot is kept. */
  readonly name: string;
  readonly pour: Pour;
  readonly shop: ShopEdit;
  readonly clock: PotClock;
}

const MOST_GRAMS = 100_000;
const STEPS = [-1, 1, 10, 100] as const;

/** Pouring at the bench: one part at a time, what the display must read, and what an over-pour asks for. */
export function PourGuide({ name, pour, shop, clock }: PourGuideProps) {
  const run = usePotRuns(({ byPot }) => byPot[name]);
  const { parts } = pour;
  const nothing = parts.map(() => 0);
  if (!run)
    return (
      <p>
        <Button
          type="primary"
          onClick={() => keepPot(name, { pouredMl: nothing, beganAt: Date.now(), mixedAt: null })}
        >
          Pour it part by part
        </Button>
      </p>
    );
  return <Pouring name={name} pour={pour} run={run} shop={shop} clock={clock} />;
}

interface PouringProps extends PourGuideProps {
  readonly run: PotRun;
}

function Pouring({ name, pour, run, shop, clock }: PouringProps) {
  const { parts } = pour;
  const { pouredMl, beganAt } = run;
  const isMixed = run.mixedAt !== null;
  const amount = useAmounts();
  const units = useUnits((state) => state.system);
  const cup = useCup(shop);
  const [typed, setTyped] = useState<number | null>(null);
  const keepRun = (poured: readonly number[], mixedAt: number | null): void => {
    setTyped(null);
    keepPot(name, { pouredMl: poured, beganAt, mixedAt });
  };
  // By scale where every density is known, else by the marks of the cup.
  const byMass = parts.every(({ grams }) => grams !== undefined);
  const quantity = byMass ? 'Grams' : 'Ml';
  const perMl = parts.map(({ grams, ml }) => (byMass ? grams! / ml : 1));
  const meantMl = parts.map(({ ml }) => ml);
  const guide = guidePour(meantMl, pouredMl, RESCUE_TOLERANCE_PERCENT);
  const stands = pouredMl.reduce((sum, ml, i) => sum + ml * perMl[i]!, 0);
  if (isMixed || guide.next === null)
    return (
      <section className="pour-guide is-done" aria-labelledby="guide-head">
        <h3 id="guide-head">{isMixed ? 'In the cup' : 'All parts are right'}</h3>
        <p>
          <b>
            {amount(
              'Ml',
              pouredMl.reduce((sum, ml) => sum + ml, 0),
            )}
          </b>{' '}
          in all
          {guide.moreMl > 0.5 && `, ${amount('Ml', guide.moreMl)} more than was wanted`}.{' '}
          {!isMixed && (
            <Button
              type="primary"
              onClick={() => {
                keepRun(pouredMl, Date.now());
                clock.start();
                announce('The clock of this pot runs.');
              }}
            >
              Stirred: start its clock
            </Button>
          )}{' '}
          <Button
            onClick={() => {
              clock.stop();
              keepPot(name, null);
            }}
          >
            Empty the cup
          </Button>
        </p>
      </section>
    );
  const { part, addMl, fromMl, toMl } = guide.next;
  const density = perMl[part]!;
  const reads = (ml: number): number => stands + ml * density;
  const at = typed ?? stands;
  const addedMl = (at - stands) / density;
  const wouldBeMl = pouredMl.map((ml, i) => (i === part ? ml + Math.max(0, addedMl) : ml));
  const isOver = addedMl > toMl + 1e-9;
  const isIn = addedMl >= fromMl - 1e-9 && !isOver;
  const span = { from: stands, to: reads(toMl * 1.35 + 0.5) };
  const percent = (value: number): number =>
    Math.min(100, Math.max(0, ((value - span.from) / (span.to - span.from)) * 100));
  const unit = QUANTITIES[quantity][units].symbol;
  const shown = (value: number): number => Number(toShown(quantity, value, units).toFixed(2));
  const step = (by: number): void =>
    setTyped(Math.max(stands, at + toStored(quantity, units === 'us' ? by / 20 : by, units)));
  const verb = byMass ? 'scale' : 'cup';
  return (
    <section className="pour-guide" aria-labelledby="guide-head">
      <h3 id="guide-head">
        Pour {parts[part]!.name}
        {pouredMl[part]! > 0 && ', more of it'}{' '}
        <span className="note">
          {part + 1} of {parts.length}
        </span>
      </h3>
      <p className="guide-target">
        until the {verb} reads <b>{amount(quantity, reads(addMl))}</b>
        <span className="note">
          {' '}
          right from {amount(quantity, reads(fromMl))} to {amount(quantity, reads(toMl))},{' '}
          {RESCUE_TOLERANCE_PERCENT} % of its share
        </span>
      </p>
      <div className="guide-bar" aria-hidden="true">
        <span
          className="band"
          style={{
            left: `${percent(reads(fromMl))}%`,
            width: `${percent(reads(toMl)) - percent(reads(fromMl))}%`,
          }}
        />
        <span className={isOver ? 'level is-over' : 'level'} style={{ width: `${percent(at)}%` }} />
        <span className="aim" style={{ left: `${percent(reads(addMl))}%` }} />
      </div>
      <div className="guide-acts">
        <label className="field">
          <span>The {verb} reads now</span>
          <NumberInput
            key={`${part} ${units}`}
            name={`Reading of the ${verb}`}
            value={typed === null ? null : shown(typed)}
            from={shown(stands)}
            to={shown(MOST_GRAMS)}
            unit={unit}
            digits={2}
            placeholder={String(shown(stands))}
            onClear={() => setTyped(null)}
            onChange={(value) => setTyped(Math.max(stands, toStored(quantity, value, units)))}
          />
        </label>
        {STEPS.map((by) => (
          <Button
            key={by}
            aria-label={`Reading ${by > 0 ? 'up' : 'down'} ${Math.abs(by)}`}
            onClick={() => step(by)}
          >
            {by > 0 ? `+${by}` : by}
          </Button>
        ))}
        <Button
          type="primary"
          disabled={typed === null || addedMl <= 0}
          onClick={() => keepRun(wouldBeMl, null)}
        >
          {isOver ? 'Take it so' : isIn ? 'It is in: next' : 'Stop here'}
        </Button>
        <Button onClick={() => keepPot(name, null)}>Start over</Button>
      </div>
      <Rescue
        pour={pour}
        wouldBeMl={isOver ? wouldBeMl : pouredMl}
        usable={cup ? usableMl(cup) : null}
        cupName={cup?.name}
      />
    </section>
  );
}

interface RescueProps {
  readonly pour: Pour;
  readonly wouldBeMl: readonly number[];
  /** What the chosen cup holds; null where none was chosen. */
  readonly usable: number | null;
  readonly cupName: string | undefined;
}

/** Too much of one went in: the least that makes it right, what that comes to, whether it fits and what is wasted. */
function Rescue({ pour, wouldBeMl, usable, cupName }: RescueProps) {
  const amount = useAmounts();
  const { parts, potMl, leftoverMl, pots } = pour;
  const { moreMl } = guidePour(
    parts.map(({ ml }) => ml),
    wouldBeMl,
    RESCUE_TOLERANCE_PERCENT,
  );
  if (moreMl <= 0.05) return null;
  const { addMl, batchMl } = rescueOf(
    parts.map(({ ml }) => ml),
    wouldBeMl,
    askedTolerance(RESCUE_TOLERANCE_PERCENT),
  );
  const adds = parts.flatMap(({ name, grams, ml }, i) =>
    addMl[i]! < 0.05
      ? []
      : [
          <b key={name}>
            {grams === undefined ? amount('Ml', addMl[i]!) : amount('Grams', (addMl[i]! * grams) / ml)} {name}
            {'; '}
          </b>,
        ],
  );
  const isTooMuch = usable !== null && batchMl > usable;
  return (
    <p role="status" className="rescue-answer">
      Too much. It is right again with {adds}that makes <b>{amount('Ml', batchMl)}</b>,{' '}
      {amount('Ml', Math.max(0, batchMl - potMl))} more than was wanted;{' '}
      {amount('Ml', leftoverMl / pots + Math.max(0, batchMl - potMl))} will be left over.{' '}
      {usable === null
        ? 'Mind that the cup holds it.'
        : isTooMuch
          ? `${cupName} does not hold it: pour into a larger one first.`
          : `${cupName} holds it.`}
    </p>
  );
}
