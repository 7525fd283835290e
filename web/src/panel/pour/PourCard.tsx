import { placeWords, stepTitle, type Pour, type ProductSheet, type Step } from '@blue-ledge/core';
import { useFormat } from '../../state/units.ts';
import { Rescue } from './Rescue.tsx';
import { useAmounts } from './use-amounts.ts';

interface PourCardProps {
  readonly pour: Pour;
  readonly step: Step;
  readonly sheet: ProductSheet | undefined;
}

/** One mix in large figures: what goes in, in its order, and what the scale must read after each. */
export function PourCard({ pour, step, sheet }: PourCardProps) {
  const { minutes } = useFormat();
  const amount = useAmounts();
  const { pots, potMl, needMl, leftoverMl, potLifeMin, inductionMin, cost, parts } = pour;
  return (
    <section className="pane pour-card" aria-labelledby="pour-head">
      <h2 id="pour-head">
        {step.n}. {stepTitle(step)} <span className="note">{placeWords(step.areas)}</span>
      </h2>
      <p className="pour-facts">
        <span>
          <b>{pots > 1 ? `${pots} pots of ${amount('Ml', potMl)}` : amount('Ml', potMl)}</b> to mix
        </span>
        <span>
          <b>{amount('Ml', needMl)}</b> needed, losses included
        </span>
        <span>
          <b>{amount('Ml', leftoverMl)}</b> left over
        </span>
        <span>
          <b>{cost.toFixed(2)}</b> material
        </span>
      </p>
      {pots > 1 && (
        <p>
          The coats lie further apart than the pot life: mix each pot when its first coat is due, not before.
        </p>
      )}
      <table className="pour-table">
        <caption className="visually-hidden">One pot, in the order in which it is poured</caption>
        <thead>
          <tr>
            <th scope="col">Pour</th>
            <th scope="col">Volume</th>
            <th scope="col">Cup reads</th>
            <th scope="col">Mass</th>
            <th scope="col">Scale reads</th>
          </tr>
        </thead>
        <tbody>
          {parts.map((part) => (
            <tr key={part.name}>
              <th scope="row">{part.name}</th>
              <td>{amount('Ml', part.ml)}</td>
              <td>{amount('Ml', part.readMl)}</td>
              <td>{amount('Grams', part.grams)}</td>
              <td className="pour-read">{amount('Grams', part.readGrams)}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <p>
        {inductionMin !== undefined && (
          <>
            Stirred, it stands <b>{minutes(inductionMin)}</b> before it is sprayed.{' '}
          </>
        )}
        {potLifeMin === undefined ? (
          'No pot life is given: the rest goes back into a closed can of its own.'
        ) : (
          <>
            Good for <b>{minutes(potLifeMin)}</b> at this shop’s temperature; what is left then is waste, and
            is never closed up.
          </>
        )}
      </p>
      {step.cautions.length > 0 && (
        <ul className="cautions">
          {step.cautions.map((caution) => (
            <li key={caution}>{caution}</li>
          ))}
        </ul>
      )}
      {sheet && parts.length > 1 && <Rescue pour={pour} name={sheet.name} />}
    </section>
  );
}
