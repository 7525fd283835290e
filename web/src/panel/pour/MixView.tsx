import { potOf, type Pour, type ProductSheet } from '@blue-ledge/core';
import { useState } from 'react';
import type { PlanOnScreen } from '../../api/opened-plan.ts';
import type { ShopEdit } from '../../api/use-shop-of-job.ts';
import { moneyText } from '../../shared/money.ts';
import { NumberInput } from '../../shared/NumberInput.tsx';
import { SourceMark } from '../../shared/SourceMark.tsx';
import { potName } from '../../state/pot-runs.ts';
import { useFormat } from '../../state/units.ts';
import { CupView } from './CupView.tsx';
import { FillerPuck } from './FillerPuck.tsx';
import { MixTable } from './MixTable.tsx';
import { PotClocks } from './PotClocks.tsx';
import { PourGuide } from './PourGuide.tsx';
import { StockLine } from './StockLine.tsx';
import { TogetherLine } from './TogetherLine.tsx';
import { usePotClock } from './use-pot-clock.ts';
import { useTogether } from './use-together.ts';
import { useAmounts } from '../../shared/use-amounts.ts';

interface MixViewProps {
  readonly plan: PlanOnScreen;
  readonly systemId: string;
  readonly pour: Pour;
  readonly sheet: ProductSheet | undefined;
  readonly shop: ShopEdit;
}

/** More pots than this are picked by their number. */
const MOST_POT_BUTTONS = 12;

/** A mix in large figures: how much, what goes in and in which order, its clocks, and pouring it part by part. */
export function MixView({ plan, systemId, pour: own, sheet, shop }: MixViewProps) {
  const amount = useAmounts();
  const together = useTogether(own);
  const all = together.pour;
  const [pot, setPot] = useState(0);
  const { pots, cans, needMl, leftoverMl, cost, lastPotMl } = all;
  // Everything below is about the pot that is mixed now.
  const pour = { ...all, ...potOf(all, pot) };
  const { parts } = pour;
  const isMixed = cans === undefined;
  // A pot for several panels is another pot.
  const name = [potName(plan.id, systemId, pour.n, pot), ...[...together.picked].sort()].join('+');
  const clock = usePotClock({ plan, systemId, n: pour.n, pot, sheet });
  const last = lastPotMl === undefined ? '' : `, the last one ${amount('Ml', lastPotMl)}`;
  const mixed = pots > 1 ? `${pots} pots of ${amount('Ml', all.potMl)}${last}` : amount('Ml', all.potMl);
  return (
    <>
      <p className="pour-facts">
        {isMixed ? (
          <span>
            <b>{mixed}</b> to mix
          </span>
        ) : (
          <span>
            <b>
              {cans} {cans === 1 ? 'can' : 'cans'}
            </b>{' '}
            of {amount('Ml', all.potMl)}
          </span>
        )}
        <span>
          <b>{amount('Ml', needMl)}</b> needed, losses included
        </span>
        <span>
          <b>{amount('Ml', leftoverMl)}</b> left over
        </span>
        <span>
          <b>{moneyText(cost, shop.shop.currency)}</b> material <SourceMark source="model" />
        </span>
      </p>
      <Solvent pour={pour} limit={shop.shop.vocLimitGPerL} />
      {isMixed && pots > 1 && (
        <div className="pour-pots">
          {pour.potsACoat === undefined
            ? 'Coats or lifts lie further apart than the pot life: mix each pot when its first one is due.'
            : `Laying it takes longer than the pot life: ${pour.potsACoat} pots for each coat, the next one mixed when one runs out.`}{' '}
          {pots > MOST_POT_BUTTONS ? (
            <NumberInput
              name="Pot that is mixed now"
              value={pot + 1}
              from={1}
              to={pots}
              isWhole
              onChange={(nth) => setPot(nth - 1)}
            />
          ) : (
            Array.from({ length: pots }, (_, i) => (
              <button key={i} type="button" aria-pressed={i === pot} onClick={() => setPot(i)}>
                Pot {i + 1}
              </button>
            ))
          )}
        </div>
      )}
      {isMixed && <MixTable parts={parts} />}
      {isMixed && pots === 1 && <TogetherLine {...together} />}
      <PotClocks pour={pour} name={name} clock={clock} />
      {sheet?.hardenerPercent && <FillerPuck pour={pour} sheet={sheet} rules={shop.shop.rules} />}
      {isMixed && parts.length > 1 && (
        <PourGuide key={name} name={name} pour={pour} shop={shop} clock={clock} />
      )}
      <StockLine pour={pour} name={name} shop={shop} />
      {isMixed && !sheet?.hardenerPercent && <CupView pour={pour} sheet={sheet} shop={shop} />}
    </>
  );
}

/** Solvent that leaves a litre, against the shop's own limit. */
function Solvent({
  pour: { vocGPerL, vocSource },
  limit,
}: {
  readonly pour: Pour;
  readonly limit: number | undefined;
}) {
  const { quantity } = useFormat();
  if (vocGPerL === null)
    return limit === undefined ? null : (
      <p className="note">Solvent (VOC): not said on the sheet for every part; fill it in on the Shelf.</p>
    );
  const isOver = limit !== undefined && vocGPerL > limit;
  return (
    <p className={isOver ? 'pour-over' : 'note'}>
      Solvent (VOC) ready to spray: {quantity('GPerL', vocGPerL)} <SourceMark source={vocSource} />
      {limit === undefined
        ? '; this shop has set no limit of its own.'
        : isOver
          ? `, over this shop’s limit of ${quantity('GPerL', limit)}: take another product or less thinner.`
          : `, within this shop’s limit of ${quantity('GPerL', limit)}.`}
    </p>
  );
}
