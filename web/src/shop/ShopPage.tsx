import type { Shop, ShopView } from '@blue-ledge/core';
import { Button, Input, Select } from 'antd';
import { useState } from 'react';
import { Link, Navigate, useNavigate, useParams } from 'react-router';
import { PageTitle } from '../shell/PageTitle.tsx';
import { DeleteOutlined, PlusOutlined } from '../shared/icons.tsx';
import { useJobs, useNewShop, useRemoveShop, useShops } from '../api/queries.ts';
import { Dialog } from '../shared/dialog/Dialog.tsx';
import { Pending, Problem } from '../shared/Problem.tsx';
import { RemoveButton } from '../shared/RemoveButton.tsx';
import { TextField } from '../shared/TextField.tsx';
import { withShopChanges, type ShopFields } from '../outbox/field-change.ts';
import { changeFields } from '../outbox/outbox.ts';
import { sendSoon } from '../outbox/sender.ts';
import { useFieldChanges } from '../outbox/use-outbox.ts';
import { Backups } from './Backups.tsx';
import { Climate } from './Climate.tsx';
import { OwnFigures } from './OwnFigures.tsx';
import { People } from './People.tsx';
import { ShopFigures } from './ShopFigures.tsx';
import { ShopMoney } from './ShopMoney.tsx';
import { ShopSchools } from './ShopSchools.tsx';
import { StockFields } from './StockFields.tsx';
import { UsualDay } from './UsualDay.tsx';
import './shop.css';

/** The shop that is open; without one, the first, or the way to make one. */
export function ShopPage() {
  const { shop: id } = useParams();
  const { data: shops, error } = useShops();
  if (!shops) return <Pending error={error} what="the shop" />;
  const [first] = shops;
  if (id === undefined && first) return <Navigate to={`/shop/${first.id}`} replace />;
  if (!first) return <NoShop />;
  const shop = shops.find((candidate) => candidate.id === id);
  if (!shop)
    return <Pending error={new Error(`Shop "${id}" is not here; it may have been removed.`)} what="" />;
  return <ShopPlace key={shop.id} saved={shop} shops={shops} />;
}

function NoShop() {
  const [isMaking, setIsMaking] = useState(false);
  return (
    <main className="page">
      <PageTitle name="Shop" />
      <h1>Shop</h1>
      <p className="empty">
        No shop yet. A shop says how warm and damp it is, what it sands and sprays with, and which way it goes
        where practitioners differ. A job file brings its own; or make one with the usual settings.
      </p>
      <Button type="primary" icon={<PlusOutlined />} onClick={() => setIsMaking(true)}>
        New shop
      </Button>
      {isMaking && <NewShop onClose={() => setIsMaking(false)} />}
    </main>
  );
}

interface ShopPlaceProps {
  readonly saved: ShopView;
  readonly shops: readonly ShopView[];
}

function ShopPlace({ saved, shops }: ShopPlaceProps) {
  const { changes, refusal } = useFieldChanges(saved.id);
  const [isMaking, setIsMaking] = useState(false);
  const { data } = useJobs({ text: '', which: 'open', offset: 0, limit: 1 });
  const remove = useRemoveShop();
  const navigate = useNavigate();
  const { id, name, shop } = withShopChanges(saved, changes);
  const change = (fields: ShopFields): void => {
    changeFields({ of: 'shops', id, fields });
    sendSoon();
  };
  const put = (fields: NonNullable<ShopFields['shop']>): void => change({ shop: fields });
  return (
    <main className="page">
      <PageTitle name={`Shop ${name}`} />
      <div className="page-head">
        <h1>{name}</h1>
        <div className="head-actions">
          {shops.length > 1 && (
            <Select
              aria-label="Shop"
              value={id}
              options={shops.map((other) => ({ value: other.id, label: other.name }))}
              onChange={(other) => void navigate(`/shop/${other}`)}
            />
          )}
          <Button icon={<PlusOutlined />} onClick={() => setIsMaking(true)}>
            New shop
          </Button>
          <RemoveButton
            type="default"
            icon={<DeleteOutlined />}
            label={`Remove ${name}`}
            onRemove={() => remove.mutate(saved, { onSuccess: () => void navigate('/shop') })}
          />
        </div>
      </div>
      {data?.nJobs === 0 && (
        <p className="plan-done">
          The usual settings are in. Change what is different here, then{' '}
          <Link to="/jobs">make the first job</Link>.
        </p>
      )}
      {refusal.length > 0 && <Problem error={new Error(refusal.join(' '))} />}
      {remove.error && <Problem error={remove.error} />}
      <div className="shop-columns">
        <section className="pane shop-place" aria-labelledby="place-head">
          <h2 id="place-head">Place and climate</h2>
          <TextField
            label="Name of the shop"
            value={name}
            most={80}
            whenEmpty="A shop needs a name."
            onChange={(next) => change({ name: next })}
          />
          <Climate shop={shop} onChange={put} />
          <StockFields shop={shop} onChange={put} />
          <ShopMoney shop={shop} onChange={put} />
          <p>
            <Link to={`/shelf/${id}/equipment`}>Guns, compressors and cups</Link>
          </p>
        </section>
        <section className="pane shop-schools" aria-labelledby="schools-head">
          <h2 id="schools-head">How this shop works</h2>
          <p className="note">
            Where practitioners differ, each side with the reason it gives. A plan may go the other way for
            itself.
          </p>
          <ShopSchools schools={shop.schools} onChange={(schools) => put({ schools })} />
        </section>
        <div className="shop-people">
          <People shop={shop} onChange={change} />
        </div>
        <section className="pane shop-people" aria-labelledby="usual-day-head">
          <UsualDay shop={shop} onChange={put} />
        </section>
        <section className="pane shop-figures" aria-labelledby="backups-head">
          <h2 id="backups-head">Backups</h2>
          <Backups />
        </section>
        <section className="pane shop-figures" aria-labelledby="own-figures-head">
          <h2 id="own-figures-head">What the record says</h2>
          <OwnFigures shopId={id} shop={shop} onChange={change} />
        </section>
        <section className="pane shop-figures" aria-labelledby="figures-head">
          <h2 id="figures-head">Figures</h2>
          <ShopFigures rules={shop.rules} onChange={(rules: Shop['rules']) => put({ rules })} />
        </section>
      </div>
      {isMaking && <NewShop onClose={() => setIsMaking(false)} />}
    </main>
  );
}

function NewShop({ onClose }: { readonly onClose: () => void }) {
  const [name, setName] = useState('');
  const make = useNewShop();
  const navigate = useNavigate();
  return (
    <Dialog
      title="New shop"
      act={{
        label: 'Make the shop',
        run: () =>
          make.mutate(
            { name: name.trim() },
            {
              onSuccess: ({ id }) => {
                onClose();
                void navigate(`/shop/${id}`);
              },
            },
          ),
        isBusy: make.isPending,
        isOff: name.trim() === '',
      }}
      onClose={onClose}
    >
      <div className="field">
        <label htmlFor="new-shop-name">Name</label>
        <Input
          id="new-shop-name"
          maxLength={80}
          value={name}
          onChange={({ target }) => setName(target.value)}
        />
      </div>
      {make.error && <Problem error={make.error} />}
    </Dialog>
  );
}
