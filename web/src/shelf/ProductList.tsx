import { formatQuantity, isTwoPack, type ProductSheet } from '@blue-ledge/core';
import { Checkbox } from 'antd';
import { useVirtualizer } from '@tanstack/react-virtual';
import { memo, useLayoutEffect, useRef, useState } from 'react';
import { useFormat } from '../state/units.ts';
import { kindWords } from './sheet-fields.ts';

interface ProductListProps {
  readonly sheets: readonly ProductSheet[];
  /** Ticked to be compared. */
  readonly picked: readonly ProductSheet[];
  /** Ids of those with changes that are not saved. */
  readonly drafts?: ReadonlySet<string>;
  readonly onPick: (sheet: ProductSheet) => void;
  /** Absent where there is nothing to change. */
  readonly onOpen?: (sheet: ProductSheet) => void;
  readonly acts: (sheet: ProductSheet) => React.ReactNode;
}

/** Height of a row, px; the same in shelf.css. */
const ROW_PX = 56;
/** Rows that are there beyond what is in sight. */
const MORE_ROWS = 6;

/** Products as rows; of a long shelf only those in sight and some around them are there. */
export function ProductList({ sheets, picked, drafts, onPick, onOpen, acts }: ProductListProps) {
  const list = useRef<HTMLUListElement>(null);
  const [topPx, setTopPx] = useState(0);
  // What stands above changes without this list's knowledge; the same number again ends it.
  // eslint-disable-next-line react-hooks/exhaustive-deps
  useLayoutEffect(() => setTopPx(list.current?.offsetTop ?? 0));
  // eslint-disable-next-line react-hooks/incompatible-library -- nothing of it is passed on to memoized parts
  const rows = useVirtualizer({
    count: sheets.length,
    getScrollElement: () => list.current?.closest('main') ?? null,
    estimateSize: () => ROW_PX,
    getItemKey: (nth) => sheets[nth]!.id,
    overscan: MORE_ROWS,
    scrollMargin: topPx,
  });
  return (
    <ul ref={list} className="product-list" style={{ height: rows.getTotalSize() + 3 }}>
      {rows.getVirtualItems().map(({ index, key, start }) => {
        const sheet = sheets[index]!;
        return (
          <li
            key={key}
            className={sheet.isArchived ? 'is-archived' : ''}
            style={{ transform: `translateY(${start - topPx}px)` }}
            aria-setsize={sheets.length}
            aria-posinset={index + 1}
          >
            <Checkbox
              aria-label={`Compare ${sheet.name}`}
              checked={picked.includes(sheet)}
              onChange={() => onPick(sheet)}
            />
            <ProductName sheet={sheet} isDraft={drafts?.has(sheet.id) ?? false} onOpen={onOpen} />
            <ProductFigures sheet={sheet} />
            <span className="product-acts">{acts(sheet)}</span>
          </li>
        );
      })}
    </ul>
  );
}

interface ProductNameProps {
  readonly sheet: ProductSheet;
  readonly isDraft: boolean;
  readonly onOpen: ProductListProps['onOpen'];
}

const ProductName = ({ sheet, isDraft, onOpen }: ProductNameProps) => (
  <span className="product-name">
    {onOpen ? (
      <button type="button" className="link-button" onClick={() => onOpen(sheet)}>
        {sheet.name}
      </button>
    ) : (
      <b>{sheet.name}</b>
    )}
    <span className="note">
      {kindWords(sheet)}
      {sheet.rank !== undefined && `, no. ${sheet.rank} in your order`}
      {sheet.isArchived && ', archived'}
      {isDraft && ', changes not saved'}
    </span>
  </span>
);

/** How it is mixed, in a word: a two-pack in one can is released, not mixed. */
function mixWords(sheet: ProductSheet): string {
  if (sheet.components.length > 1) return sheet.components.map(({ parts }) => parts).join(':');
  return isTwoPack(sheet) ? 'two-pack' : 'one-pack';
}

/** What tells products of a kind apart at a glance. */
const ProductFigures = memo(function ProductFigures({ sheet }: { readonly sheet: ProductSheet }) {
  const { minutes, system } = useFormat();
  const { film, sandAfterMin, potLifeMin, pricePerLitre } = sheet;
  return (
    <>
      <span>
        {film.coats} × {formatQuantity('Um', film.perCoatUm, system)}
      </span>
      <span>{mixWords(sheet)}</span>
      <span>{sandAfterMin === null ? 'not sanded' : `sands after ${minutes(sandAfterMin)}`}</span>
      <span>{potLifeMin === undefined ? 'no pot life' : `pot life ${minutes(potLifeMin)}`}</span>
      <span className="product-price">{pricePerLitre.toFixed(2)} a litre</span>
    </>
  );
});
