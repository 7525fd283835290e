import {
  areaWords,
  type GunSetupResult,
  type ProductSheet,
  type SprayTask,
  type TipVerdict,
} from '@blue-ledge/core';
import { SourceMark } from '../../shared/SourceMark.tsx';
import { useAmounts } from '../../shared/use-amounts.ts';
import { useFormat } from '../../state/units.ts';

interface GunFactsProps {
  readonly task: SprayTask;
  readonly setup: GunSetupResult;
  readonly sheet: ProductSheet;
  readonly reductionPercent: number;
  /** What one pot is without it. */
  readonly potMl: number;
}

/** What tip and mix come to: film a coat, coats, and whether a coat stays where it is sprayed. */
export function GunFacts({ task, setup, sheet, reductionPercent, potMl }: GunFactsProps) {
  const amount = useAmounts();
  const { quantity } = useFormat();
  const { wetUm, limitWetUm, coats, perCoatUm, isSplit } = setup;
  const isMore = coats > task.coats;
  return (
    <ul className="gun-facts">
      <li className={setup.tip.kind === 'inside' || setup.tip.kind === 'not-said' ? '' : 'is-odd'}>
        <b>Tip.</b> {tipWords(setup.tip, sheet)} <SourceMark source="sheet" />
      </li>
      <li className={isMore ? 'is-odd' : ''}>
        <b>
          {coats} {coats === 1 ? 'coat' : 'coats'}
        </b>{' '}
        of {quantity('Um', perCoatUm)} dry, {quantity('Um', wetUm)} wet <SourceMark source="model" />
        {isMore && `; the plan has ${task.coats}: so thin a mix, or so heavy a coat, takes more.`}
        {new Set(Object.values(task.coatsOf)).size > 1 &&
          `: ${Object.entries(task.coatsOf)
            .map(([area, n]) => `${areaWords(area)} ${n}`)
            .join(', ')}.`}
        {task.isLightFirst && ' The first one light: it goes over feathered edges.'}
      </li>
      <li className={isSplit ? 'is-odd' : ''}>
        <b>Sag.</b>{' '}
        {Number.isFinite(limitWetUm)
          ? isSplit
            ? `One coat as wet as the sheet’s would run: past ${quantity('Um', limitWetUm)} wet it does not stay. It is laid in thinner coats.`
            : `${quantity('Um', wetUm)} wet stays; up to ${quantity('Um', limitWetUm)} would.`
          : task.isLaidFlat
            ? 'Laid flat for this coat: nothing runs.'
            : 'On a level panel nothing runs.'}{' '}
        <SourceMark source="model" />
        {task.assumed.length > 0 && (
          <span className="note"> Taken as usual, the sheet says nothing: {task.assumed.join(', ')}.</span>
        )}
      </li>
      {reductionPercent > 0 && (
        <li>
          <b>Reducer.</b> {amount('Ml', (potMl * reductionPercent) / 100)} to a pot of {amount('Ml', potMl)},
          besides what the mix has; the pot then gives as much film.
        </li>
      )}
      <li>
        <b>Lands.</b> {Math.round(setup.transfer * 100)} % of {quantity('MlPerMin', setup.flowMlPerMin)}.
      </li>
    </ul>
  );
}

function tipWords(tip: TipVerdict, { tipMm: range }: ProductSheet): string {
  const says = range ? `the sheet’s ${range.from} to ${range.to} mm` : '';
  switch (tip.kind) {
    case 'inside':
      return `Inside ${says}.`;
    case 'not-said':
      return 'The sheet names no tip.';
    case 'too-large':
      return `Larger than ${says}: it puts on more than levels out. Take a smaller one.`;
    case 'reduce':
      return `Smaller than ${says}: only reduced by ${tip.percent} %; film and coats are worked out again.`;
    case 'too-small':
      return `Far smaller than ${says}: even 20 % of thinner does not make up for it. Take another tip or gun.`;
  }
}
