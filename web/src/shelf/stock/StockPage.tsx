import type { ShopView } from '@blue-ledge/core';
import { Button } from 'antd';
import { useState } from 'react';
import { useSheetsOfShop } from '../../api/shelf-queries.ts';
import { useCansByProduct, useNeeds, useStock } from '../../api/stock-queries.ts';
import { PlusOutlined } from '../../shared/icons.tsx';
import { Pending, Problem } from '../../shared/Problem.tsx';
import { PageTitle } from '../../shell/PageTitle.tsx';
import { ShelfHead, ShelfOfShop } from '../ShelfHead.tsx';
import '../shelf.css';
import { CanTable } from './CanTable.tsx';
import { NewCans } from './NewCans.tsx';
import { NeedTable } from './NeedTable.tsx';
import { todayHere } from '../../state/now.ts';
import './stock.css';

/** Cans of a shop, and what its open plans need against what is there. */
export const StockPage = () => (
  <ShelfOfShop>{(shop, shops) => <Stock key={shop.id} shop={shop} shops={shops} />}</ShelfOfShop>
);

interface StockProps {
  readonly shop: ShopView;
  readonly shops: readonly ShopView[];
}

function Stock({ shop, shops }: StockProps) {
  const { data: cans, error } = useStock(shop.id);
  const { data: needs, error: needsError } = useNeeds(shop.id);
  const sheets = useSheetsOfShop(shop.id);
  const poured = useCansByProduct(shop.id);
  const [isAdding, setIsAdding] = useState(false);
  if (!cans || !sheets || !poured) return <Pending error={error} what="the stock" />;
  const today = todayHere();
  const filled = cans.filter(({ leftMl }) => leftMl > 0).length;
  return (
    <main className="page stock-page">
      <PageTitle name="Stock" />
      <ShelfHead shop={shop} shops={shops} part="stock" note={filled === 1 ? '1 can' : `${filled} cans`}>
        <Button type="primary" icon={<PlusOutlined />} onClick={() => setIsAdding(true)}>
          New cans
        </Button>
      </ShelfHead>
      {needsError && <Problem error={needsError} />}
      <NeedTable needs={needs} cans={poured} shop={shop} today={today} />
      <CanTable cans={cans} sheets={sheets} shop={shop} today={today} onAdd={() => setIsAdding(true)} />
      {isAdding && <NewCans shop={shop} sheets={sheets} onClose={() => setIsAdding(false)} />}
    </main>
  );
}
