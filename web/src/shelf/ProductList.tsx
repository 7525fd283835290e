import { formatQuantity, type ProductSheet } from '@blue-ledge/core';
import { Checkbox } from 'antd';
import { memo } from 'react';
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

/** Products as rows: rows out of sight are not laid out, so that a long shelf opens at once. */
export const ProductList = ({ sheets, picked, drafts, onPick, onOpen, acts }: ProductListProps) => (
  <ul className="product-list">
    {sheets.map((sheet) => (
      <li key={sheet.id} className={sheet.isArchived ? 'is-archived' : ''}>
        <Checkbox
          aria-label={`Compare ${sheet.name}`}
          checked={picked.includes(sheet)}
          onChange={() => onPick(sheet)}
        />
        <ProductName sheet={sheet} isDraft={drafts?.has(sheet.id) ?? false} onOpen={onOpen} />
        <ProductFigures sheet={sheet} />
        <span className="product-acts">{acts(sheet)}</span>
      </li>
    ))}
  </ul>
);

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

/** What tells products of a kind apart at a glance. */
const ProductFigures = memo(function ProductFigures({ sheet }: { readonly sheet: ProductSheet }) {
  const { minutes, system } = useFormat();
  const { film, components, sandAfterMin, potLifeMin, pricePerLitre } = sheet;
  return (
    <>
      <span>
        {film.coats} × {formatQuantity('Um', film.perCoatUm, system)}
      </span>
      <span>{components.length === 1 ? 'one-pack' : components.map(({ parts }) => parts).join(':')}</span>
      <span>{sandAfterMin === null ? 'not sanded' : `sands after ${minutes(sandAfterMin)}`}</span>
      <span>{potLifeMin === undefined ? 'no pot life' : `pot life ${minutes(potLifeMin)}`}</span>
      <span className="product-price">{pricePerLitre.toFixed(2)} a litre</span>
    </>
  );
});
