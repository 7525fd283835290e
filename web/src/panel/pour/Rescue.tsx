import {
  QUANTITIES,
  RESCUE_TOLERANCE_PERCENT,
  rescueOf,
  toShown,
  toStored,
  type Pour,
} from '@blue-ledge/core';
import { useState } from 'react';
import { NumberInput } from '../../shared/NumberInput.tsx';
import { useUnits } from '../../state/units.ts';
import { useAmounts } from './use-amounts.ts';

interface RescueProps {
  readonly pour: Pour;
  readonly name: string;
}

const MOST_GRAMS = 100_000;

/** Too much of one went in: what is added to the others, and what that makes. By mass, as the scale shows it. */
export function Rescue({ pour: { parts }, name }: RescueProps) {
  const system = useUnits((state) => state.system);
  const amount = useAmounts();
  const [poured, setPoured] = useState<readonly (number | null)[]>(parts.map(() => null));
  const gramsPerMl = parts.map(({ grams, ml }) => grams / ml);
  const inCupMl = poured.map((grams, i) => (grams ?? 0) / gramsPerMl[i]!);
  const isPoured = inCupMl.some((ml) => ml > 0);
  const rescue = isPoured
    ? rescueOf(
        parts.map(({ ml }) => ml),
        inCupMl,
        RESCUE_TOLERANCE_PERCENT,
      )
    : null;
  const put = (nth: number, grams: number | null): void =>
    setPoured((now) => now.map((each, i) => (i === nth ? grams : each)));
  const least = rescue?.addMl.map((ml, i) => ml * gramsPerMl[i]!) ?? [];
  const isRight = least.every((grams) => grams < 0.05);
  return (
    <section className="pour-rescue" aria-labelledby="rescue-head">
      <h3 id="rescue-head">Too much of one went in?</h3>
      <p className="note">
        Put in what is in the cup of each, not what the scale adds up to. Within {RESCUE_TOLERANCE_PERCENT} %
        of its share each is right.
      </p>
      <div className="rescue-fields">
        {parts.map((part, i) => (
          <label key={`${part.name} ${system}`} className="field">
            <span>{part.name}</span>
            <NumberInput
              name={`Poured of ${part.name}`}
              value={poured[i] === null ? null : Number(toShown('Grams', poured[i]!, system).toFixed(1))}
              from={0}
              to={toShown('Grams', MOST_GRAMS, system)}
              unit={QUANTITIES.Grams[system].symbol}
              digits={1}
              placeholder={amount('Grams', part.grams)}
              onClear={() => put(i, null)}
              onChange={(shown) => put(i, toStored('Grams', shown, system))}
            />
          </label>
        ))}
      </div>
      {rescue && (
        <p role="status" className="rescue-answer">
          {isRight ? (
            <b>It is right as it is.</b>
          ) : (
            <>
              Add{' '}
              {parts.flatMap((part, i) =>
                least[i]! < 0.05
                  ? []
                  : [
                      <b key={part.name}>
                        {amount('Grams', least[i]!)} {part.name}
                        {'; '}
                      </b>,
                    ],
              )}
              that makes <b>{amount('Ml', rescue.batchMl)}</b> of {name}
              {rescue.batchMl > parts.at(-1)!.readMl * 1.01 &&
                `, ${amount('Ml', rescue.batchMl - parts.at(-1)!.readMl)} more than was wanted`}
              . Mind that the cup holds it.
            </>
          )}
        </p>
      )}
    </section>
  );
}
