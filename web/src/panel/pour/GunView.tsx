import {
  SHOP_RULES,
  airVerdict,
  coatOfGun,
  gunFor,
  gunSetup,
  gunsOf,
  isUsualGun,
  passesOver,
  tipFor,
  type Gun,
  type Pour,
  type ProductSheet,
  type SprayTask,
} from '@blue-ledge/core';
import { useMemo, useState } from 'react';
import { Link } from 'react-router';
import type { PlanOnScreen } from '../../api/opened-plan.ts';
import type { ShopEdit } from '../../api/use-shop-of-job.ts';
import { Choice } from '../../shared/Choice.tsx';
import { NumberField } from '../../shared/NumberField.tsx';
import { useBenchChoice } from '../../state/bench-choices.ts';
import { useFormat } from '../../state/units.ts';
import { AirLine } from './AirLine.tsx';
import { GunFacts } from './GunFacts.tsx';
import { PaceBar } from './PaceBar.tsx';
import { PassMap, type SprayWay } from './PassMap.tsx';
import { Setups } from './Setups.tsx';

interface GunViewProps {
  readonly plan: PlanOnScreen;
  readonly task: SprayTask;
  readonly pour: Pour;
  readonly sheet: ProductSheet;
  readonly shop: ShopEdit;
}

/** The gun for one step: tip, reduction, pace, the way over the panel, refills, and whether the air lasts. */
export function GunView({ plan, task, sheet, shop }: GunViewProps) {
  const { rules, guns: own, compressors = [] } = shop.shop;
  const guns = gunsOf(own, rules.sprayTransferPercent ?? SHOP_RULES.sprayTransferPercent.preset);
  const [gunId, chooseGun] = useBenchChoice(`${shop.id}/gun/${sheet.id}`);
  const gun = guns.find(({ id }) => id === gunId) ?? gunFor(guns, sheet.tipMm)!;
  return (
    <GunOf
      key={gun.id}
      plan={plan}
      task={task}
      sheet={sheet}
      shop={shop}
      gun={gun}
      guns={guns}
      compressors={compressors}
      onGun={chooseGun}
    />
  );
}

interface GunOfProps extends Omit<GunViewProps, 'pour'> {
  readonly gun: Gun;
  readonly guns: readonly Gun[];
  readonly compressors: NonNullable<ShopEdit['shop']['compressors']>;
  readonly onGun: (id: string) => void;
}

/** The way over each area, with this gun's passes. */
function waysOf(task: SprayTask, stepMm: number): SprayWay[] {
  return task.areas.map((area) => ({ area, way: passesOver(area.rings, stepMm) }));
}

function GunOf({ plan, task, sheet, shop, gun, guns, compressors, onGun }: GunOfProps) {
  const { quantity, minutes } = useFormat();
  const [tipMm, setTip] = useState(() => tipFor(gun, sheet.tipMm));
  const [reductionPercent, setReduction] = useState(() =>
    usualReduction(task, gun, tipFor(gun, sheet.tipMm)),
  );
  const [compressorId, chooseCompressor] = useBenchChoice(`${shop.id}/compressor`);
  const compressor = compressors.find(({ id }) => id === compressorId) ?? compressors[0];
  const setup = gunSetup(task.coat, { gun, tipMm, reductionPercent });
  const ways = useMemo(() => waysOf(task, setup.stepMm), [task, setup.stepMm]);
  const metresOf = ways.flatMap(({ way }) => [
    way.edgeMetres,
    ...way.passes.map(({ from, to }) => Math.hypot(to[0] - from[0], to[1] - from[1]) / 1000),
  ]);
  const coat = coatOfGun(setup, metresOf, gun.cupMl);
  const take = (tip: number): void => {
    setTip(tip);
    setReduction(usualReduction(task, gun, tip));
  };
  return (
    <div className="gun-view">
      <div className="gun-set">
        <div className="gun-fields">
          <Choice
            label="Gun"
            value={gun.id}
            options={guns.map(({ id, name }) => [id, name])}
            onChange={onGun}
          />
          <Choice
            label="Tip"
            value={String(tipMm)}
            options={gun.tipsMm.map((tip) => [String(tip), `${tip} mm`])}
            onChange={(tip) => take(Number(tip))}
          />
          <NumberField
            label="Reduced by"
            quantity="Percent"
            value={reductionPercent}
            from={0}
            to={50}
            hint="of the activated volume"
            onChange={setReduction}
          />
          {compressors.length > 0 && (
            <Choice
              label="Compressor"
              value={compressor!.id}
              options={compressors.map(({ id, name }) => [id, name])}
              onChange={chooseCompressor}
            />
          )}
        </div>
        {isUsualGun(gun) && (
          <p className="note">
            A usual gun stands in (default). Enter yours under{' '}
            <Link to={`/shelf/${shop.id}/equipment`}>Shelf, Equipment</Link>: flow, fan and air are then
            yours.
          </p>
        )}
        <GunFacts task={task} setup={setup} sheet={sheet} />
        <PaceBar metresPerSecond={setup.metresPerSecond} />
        {compressor ? (
          <AirLine
            verdict={airVerdict(gun, compressor, coat.minutes)}
            gun={gun}
            compressor={compressor}
            guns={guns}
          />
        ) : (
          <p className="note">
            No compressor yet: enter one under{' '}
            <Link to={`/shelf/${shop.id}/equipment`}>Shelf, Equipment</Link> to see whether it keeps up with{' '}
            {quantity('LPerMin', gun.airLPerMin)}.
          </p>
        )}
        <Setups
          shop={shop}
          sheet={sheet}
          gun={gun}
          now={{ tipMm, reductionPercent }}
          onUse={(kept) => {
            if (kept.gunId !== gun.id && guns.some(({ id }) => id === kept.gunId)) onGun(kept.gunId);
            setTip(kept.tipMm);
            setReduction(kept.reductionPercent);
          }}
        />
      </div>
      <div className="gun-way">
        <p className="pour-facts">
          <span>
            <b>
              {quantity(
                'M',
                metresOf.reduce((sum, each) => sum + each, 0),
              )}
            </b>{' '}
            a coat
          </span>
          <span>
            <b>{minutes(Math.max(1, Math.round(coat.minutes)))}</b> of trigger a coat
          </span>
          <span>
            <b>{quantity('Ml', coat.ml)}</b> a coat
          </span>
        </p>
        {task.count > 1 && <p className="note">For one part of {task.count}.</p>}
        <PassMap ways={ways} panel={plan.plan.inputs.panel} refillAfter={coat.refillAfter} />
        <ol className="gun-order">
          <li>Edges, recesses and body lines once round.</li>
          {task.areas.some(({ isHidden }) => isHidden) && (
            <li>
              Hidden faces:{' '}
              {task.areas
                .filter(({ isHidden }) => isHidden)
                .map(({ areaId }) => areaId)
                .join(', ')}
              .
            </li>
          )}
          <li>
            Then pass below pass, {quantity('Mm', setup.stepMm)} apart; trigger on before the edge, off after
            it.
          </li>
          {coat.refillAfter.length > 0 ? (
            <li>
              Fill the cup again after {coat.refillAfter.map((n) => `pass ${n}`).join(', ')}: it holds{' '}
              {quantity('Ml', gun.cupMl)}.
            </li>
          ) : (
            <li>One filling of {quantity('Ml', gun.cupMl)} is enough for a coat.</li>
          )}
        </ol>
      </div>
    </div>
  );
}

/** What the tip asks for by itself. */
function usualReduction(task: SprayTask, gun: Gun, tipMm: number): number {
  const { tip } = gunSetup(task.coat, { gun, tipMm, reductionPercent: 0 });
  return tip.kind === 'reduce' ? tip.percent : 0;
}
