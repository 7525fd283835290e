import {
  GENERIC_SHELF,
  standIns,
  standsById,
  workOf,
  workWords,
  worksMissing,
  type ProductSheet,
  type ShopView,
} from '@blue-ledge/core';
import { Button } from 'antd';
import type { ShopFields } from '../outbox/field-change.ts';
import { ProductList } from './ProductList.tsx';

interface BuiltInProps {
  readonly shop: ShopView;
  /** The shop's own products, archived ones as well. */
  readonly own: readonly ProductSheet[];
  readonly wanted: (sheet: ProductSheet) => boolean;
  readonly picked: readonly ProductSheet[];
  readonly onPick: (sheet: ProductSheet) => void;
  readonly onTakeOver: (sheet: ProductSheet) => void;
  readonly onChange: (fields: NonNullable<ShopFields['shop']>) => void;
}

/** What a shop has none of is said once for all sheets of the same work. */
const isFirstOfWork = (sheet: ProductSheet, shown: readonly ProductSheet[]): boolean =>
  !standsById(sheet) && shown.find((other) => workOf(other) === workOf(sheet)) === sheet;

type NoneOf = NonNullable<ShopView['shop']['noneOf']>;

/** Built-in sheets that stand in for what the shop lacks, and kinds of which it says that it has none. */
export function BuiltIn({ shop, own, wanted, picked, onPick, onTakeOver, onChange }: BuiltInProps) {
  const noneOf: NoneOf = shop.shop.noneOf ?? [];
  const put = (next: readonly string[]): void => {
    const kinds = next.length === 0 ? null : ([...next] as NoneOf);
    onChange({ noneOf: kinds });
  };
  const shown = standIns(own, noneOf).filter(wanted);
  const missing = worksMissing(own, noneOf).map(builtInFor).filter(wanted);
  return (
    <>
      {shown.length > 0 && (
        <section aria-labelledby="generic-head" className="shelf-generic">
          <h2 id="generic-head">Built in, until you have your own</h2>
          <p className="note">
            Invented, with believable figures. One of your own for the same work takes its place; of a kind
            that you do not have, say so, and no plan counts on it.
          </p>
          <ProductList
            sheets={shown}
            picked={picked}
            onPick={onPick}
            acts={(sheet) => (
              <>
                <Button aria-label={`Take ${sheet.name} over`} onClick={() => onTakeOver(sheet)}>
                  Take it over
                </Button>
                {isFirstOfWork(sheet, shown) && (
                  <Button
                    aria-label={`We have no ${workWords(workOf(sheet))}`}
                    onClick={() => put([...noneOf, workOf(sheet)])}
                  >
                    We have none
                  </Button>
                )}
              </>
            )}
          />
        </section>
      )}
      {missing.length > 0 && (
        <section aria-labelledby="none-head" className="shelf-none">
          <h2 id="none-head">None of this kind</h2>
          <p className="note">No plan lays these: nothing built in stands in for them.</p>
          <ul>
            {missing.map((sheet) => (
              <NoneRow
                key={workOf(sheet)}
                sheet={sheet}
                isSaid={noneOf.some((work) => work === workOf(sheet))}
                onUse={() => put(noneOf.filter((work) => work !== workOf(sheet)))}
                onTakeOver={() => onTakeOver(sheet)}
              />
            ))}
          </ul>
        </section>
      )}
    </>
  );
}

interface NoneRowProps {
  readonly sheet: ProductSheet;
  /** The shop said so; else all of its own are archived. */
  readonly isSaid: boolean;
  readonly onUse: () => void;
  readonly onTakeOver: () => void;
}

function NoneRow({ sheet, isSaid, onUse, onTakeOver }: NoneRowProps) {
  const words = workWords(workOf(sheet));
  return (
    <li>
      <b>{words}</b>
      <span className="note">{isSaid ? 'you said that you have none' : 'all of yours are archived'}</span>
      {isSaid ? (
        <Button aria-label={`Use the built-in ${words} again`} onClick={onUse}>
          Use the built-in one
        </Button>
      ) : (
        <Button aria-label={`Take ${sheet.name} over`} onClick={onTakeOver}>
          Take the built-in one over
        </Button>
      )}
    </li>
  );
}

/** The built-in sheet for some work. */
const builtInFor = (work: string): ProductSheet => GENERIC_SHELF.find((sheet) => workOf(sheet) === work)!;
