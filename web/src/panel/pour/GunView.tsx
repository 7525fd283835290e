import {
  airVerdict,
  coatOfGun,
  isUsualGun,
  passMetres,
  passesOver,
  type Gun,
  type Panel,
  type Pour,
  type ProductSheet,
  type SprayTask,
} from '@blue-ledge/core';
import { useMemo } from 'react';
import { Link } from 'react-router';
import type { PlanOnScreen } from '../../api/opened-plan.ts';
import type { ShopEdit } from '../../api/use-shop-of-job.ts';
import { Choice } from '../../shared/Choice.tsx';
import { NumberField } from '../../shared/NumberField.tsx';
import { keepBenchChoice, useBenchChoice, useBenchChoices } from '../../state/bench-choices.ts';
import { useFormat } from '../../state/units.ts';
import { chosenGun, gunName, gunsOfShop, setUpName, usualReduction } from './gun-choice.ts';
import { AirLine } from './AirLine.tsx';
import { GunFacts } from './GunFacts.tsx';
import { PaceBar } from './PaceBar.tsx';
import { PassMap, type SprayWay } from './PassMap.tsx';
import { triggerWords } from './trigger-words.ts';
import { Setups } from './Setups.tsx';

interface GunViewProps {
  readonly plan: PlanOnScreen;
  readonly task: SprayTask;
  readonly pour: Pour;
  readonly sheet: ProductSheet;
  readonly shop: ShopEdit;
}

/** The gun for one step: tip, reduction, pace, the way over the panel, refills, and whether the air lasts. */
export function GunView({ plan, task, pour, sheet, shop }: GunViewProps) {
  const { compressors = [] } = shop.shop;
  const guns = gunsOfShop(shop.shop);
  const [, chooseGun] = useBenchChoice(gunName(shop.id, sheet.id));
  const chosen = useBenchChoices((state) => state.byName);
  const { gun } = chosenGun(task, sheet, shop, chosen);
  return (
    <GunOf
      key={gun.id}
      plan={plan}
      task={task}
      pour={pour}
      sheet={sheet}
      shop={shop}
      gun={gun}
      guns={guns}
      compressors={compressors}
      onGun={chooseGun}
    />
  );
}

interface GunOfProps extends GunViewProps {
  readonly gun: Gun;
  readonly guns: readonly Gun[];
  readonly compressors: NonNullable<ShopEdit['shop']['compressors']>;
  readonly onGun: (id: string) => void;
}

/** The way over each area, with this gun's passes. */
function waysOf(task: SprayTask, stepMm: number, panel: Panel): SprayWay[] {
  return task.areas.map((area) => ({
    area,
    passes: passesOver(area.rings, stepMm, area.isDrawn ? (panel.outline ?? null) : null),
  }));
}

function GunOf({ plan, task, pour, sheet, shop, gun, guns, compressors, onGun }: GunOfProps) {
  const { quantity } = useFormat();
  const setName = (what: 'tip' | 'reduced', gunId: string): string =>
    setUpName(what, shop.id, sheet.id, gunId);
  const [, setTip] = useBenchChoice(setName('tip', gun.id));
  const [, setReduction] = useBenchChoice(setName('reduced', gun.id));
  const chosen = useBenchChoices((state) => state.byName);
  const { tipMm, reductionPercent, setup } = chosenGun(task, sheet, shop, chosen);
  const [compressorId, chooseCompressor] = useBenchChoice(`${shop.id}/compressor`);
  const compressor = compressors.find(({ id }) => id === compressorId) ?? compressors[0];
  const { panel } = plan.plan.inputs;
  const ways = useMemo(() => waysOf(task, setup.stepMm, panel), [task, setup.stepMm, panel]);
  const areaM2 = task.areas.reduce((sum, area) => sum + area.areaM2, 0);
  const coat = coatOfGun(
    setup,
    areaM2,
    ways.flatMap(({ passes }) => passes.map(passMetres)),
    gun.cupMl,
  );
  const take = (tip: string): void => {
    setTip(tip);
    setReduction(String(usualReduction(task, gun, Number(tip))));
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
            onChange={take}
          />
          <NumberField
            label="Reduced by"
            quantity="Percent"
            value={reductionPercent}
            from={0}
            to={50}
            hint="of the activated volume"
            onChange={(percent) => setReduction(String(percent))}
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
        <GunFacts
          task={task}
          setup={setup}
          sheet={sheet}
          reductionPercent={reductionPercent}
          potMl={pour.potMl}
        />
        <PaceBar metresPerSecond={setup.metresPerSecond} />
        {compressor ? (
          <AirLine
            verdict={airVerdict(gun, compressor, coat.triggerMin)}
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
            keepBenchChoice(setName('tip', kept.gunId), String(kept.tipMm));
            keepBenchChoice(setName('reduced', kept.gunId), String(kept.reductionPercent));
            onGun(kept.gunId);
          }}
        />
      </div>
      <div className="gun-way">
        <p className="pour-facts">
          <span>
            <b>{quantity('M', coat.metres)}</b> of way a coat
          </span>
          <span>
            <b>{triggerWords(coat.triggerMin)}</b> of trigger a coat
          </span>
          <span>
            <b>{quantity('Ml', coat.ml)}</b> a coat
          </span>
        </p>
        {task.count > 1 && <p className="note">For one part of {task.count}.</p>}
        <PassMap ways={ways} panel={panel} refillAfter={coat.refillAfter} />
        <ol className="gun-order">
          <li>Edges, recesses and body lines once round.</li>
          {task.hidden.length > 0 && <li>Hidden faces before the others: {task.hidden.join(', ')}.</li>}
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
