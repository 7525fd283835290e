import type { Pour } from '@blue-ledge/core';
import { useAmounts } from '../../shared/use-amounts.ts';

/** A pot part by part, in the order in which it is poured: by volume and by mass, and what must then be read. */
export function MixTable({ parts }: Pick<Pour, 'parts'>) {
  const amount = useAmounts();
  const grams = (value: number | undefined): string => (value === undefined ? '-' : amount('Grams', value));
  const blind = parts.find((part) => part.grams === undefined);
  return (
    <>
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
              <td>{grams(part.grams)}</td>
              <td className="pour-read">{grams(part.readGrams)}</td>
            </tr>
          ))}
        </tbody>
      </table>
      {blind && (
        <p className="note">
          Its sheet gives no density for {blind.name}: from there on it is poured by volume. Add the density
          on the Shelf to pour by scale.
        </p>
      )}
    </>
  );
}
