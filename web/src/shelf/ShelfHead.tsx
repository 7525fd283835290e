import type { ShopView } from '@blue-ledge/core';
import { Select } from 'antd';
import type { ReactNode } from 'react';
import { NavLink, Navigate, useNavigate, useParams } from 'react-router';
import { useShops } from '../api/queries.ts';
import '../shared/stage-tabs.css';
import { Pending } from '../shared/Problem.tsx';

interface ShelfOfShopProps {
  readonly children: (shop: ShopView, shops: readonly ShopView[]) => ReactNode;
}

/** A part of the shelf of the shop in the address; of the first one where none is named. */
export function ShelfOfShop({ children }: ShelfOfShopProps) {
  const { shop: id } = useParams();
  const { data: shops, error } = useShops();
  if (!shops) return <Pending error={error} what="the shelf" />;
  const [first] = shops;
  if (!first) return <Navigate to="/shop" replace />;
  const shop = shops.find((candidate) => candidate.id === id);
  if (!shop) return <Navigate to={`/shelf/${first.id}`} replace />;
  return children(shop, shops);
}

const PARTS = [
  ['', 'Products'],
  ['equipment', 'Equipment'],
  ['stock', 'Stock'],
] as const;

interface ShelfHeadProps {
  readonly shop: ShopView;
  readonly shops: readonly ShopView[];
  readonly part: (typeof PARTS)[number][0];
  readonly note: string;
  readonly children?: ReactNode;
}

const pathOf = (shopId: string, part: string): string => `/shelf/${shopId}${part && `/${part}`}`;

/** Head of every part of the shelf: whose it is, its parts, and what can be done here. */
export function ShelfHead({ shop, shops, part, note, children }: ShelfHeadProps) {
  const navigate = useNavigate();
  return (
    <div className="page-head">
      <h1>Shelf</h1>
      <nav className="stage-tabs" aria-label="Parts of the shelf">
        {PARTS.map(([name, label]) => (
          <NavLink
            key={name}
            to={pathOf(shop.id, name)}
            end
            className={({ isActive }) => (isActive ? 'stepped-row active' : '')}
          >
            {label}
          </NavLink>
        ))}
      </nav>
      <span className="note">{note}</span>
      <div className="head-actions">
        {shops.length > 1 && (
          <Select
            aria-label="Shop"
            value={shop.id}
            options={shops.map((other) => ({ value: other.id, label: other.name }))}
            onChange={(other) => void navigate(pathOf(other, part))}
          />
        )}
        {children}
      </div>
    </div>
  );
}
