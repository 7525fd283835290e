import { GENERIC_SHELF, type ProductSheet, type ShopView } from '@blue-ledge/core';
import { Button, Checkbox, Input, Select } from 'antd';
import { useDeferredValue, useMemo, useState } from 'react';
import { useNavigate } from 'react-router';
import { useSaveSheet, useShopSheets } from '../api/shelf-queries.ts';
import { CopyOutlined, PlusOutlined } from '../shared/icons.tsx';
import { Pending, Problem } from '../shared/Problem.tsx';
import { PageTitle } from '../shell/PageTitle.tsx';
import { draftName, keepDraft, useSheetDrafts } from '../state/sheet-drafts.ts';
import { BuiltIn } from './BuiltIn.tsx';
import { CompareSheets } from './CompareSheets.tsx';
import { NewProduct } from './NewProduct.tsx';
import { ProductList } from './ProductList.tsx';
import { SHELF_KINDS, kindWords } from './sheet-fields.ts';
import { ShelfHead, ShelfOfShop } from './ShelfHead.tsx';
import { TakeSheets } from './TakeSheets.tsx';
import { useShopEdit } from './use-shop-edit.ts';
import './shelf.css';

/** The products of a shop: what it lays, in its own order; and the built-in ones that stand in for what it lacks. */
export const ShelfPage = () => (
  <ShelfOfShop>{(shop, shops) => <ShelfPlace key={shop.id} saved={shop} shops={shops} />}</ShelfOfShop>
);

interface ShelfPlaceProps {
  readonly saved: ShopView;
  readonly shops: readonly ShopView[];
}

/** What is typed is found in name, kind and id, every word of it. */
const isFound = (sheet: ProductSheet, words: readonly string[]): boolean => {
  const text = `${sheet.name} ${kindWords(sheet)} ${sheet.id}`.toLowerCase();
  return words.every((word) => text.includes(word));
};

function ShelfPlace({ saved, shops }: ShelfPlaceProps) {
  const { data: own, error } = useShopSheets(saved.id);
  const save = useSaveSheet(saved.id);
  const drafts = useSheetDrafts((state) => state.byId);
  const navigate = useNavigate();
  const [text, setText] = useState('');
  const [kind, setKind] = useState<ProductSheet['kind'] | null>(null);
  const [withArchived, setWithArchived] = useState(false);
  const [isMaking, setIsMaking] = useState(false);
  const [picked, setPicked] = useState<readonly ProductSheet[]>([]);
  const [isComparing, setIsComparing] = useState(false);
  const asked = useDeferredValue(text);
  const shown = useMemo(() => {
    const words = asked.toLowerCase().split(/\s+/).filter(Boolean);
    const wanted = (sheet: ProductSheet): boolean =>
      (kind === null || sheet.kind === kind) && isFound(sheet, words);
    return {
      own: inOrder((own ?? []).filter((sheet) => (withArchived || !sheet.isArchived) && wanted(sheet))),
      wanted,
    };
  }, [own, asked, kind, withArchived]);
  const { shop, refusal, change } = useShopEdit(saved);
  if (!own) return <Pending error={error} what="the shelf" />;

  const open = (sheet: ProductSheet): void => void navigate(`/shelf/${shop.id}/products/${sheet.id}`);
  const nArchived = own.filter(({ isArchived }) => isArchived).length;
  const begin = (sheet: ProductSheet): void => {
    keepDraft(draftName(shop.id, sheet.id), { sheet, from: 0 });
    open(sheet);
  };
  const pick = (sheet: ProductSheet): void =>
    setPicked((now) =>
      now.includes(sheet) ? now.filter((one) => one !== sheet) : [...now.slice(-1), sheet],
    );
  return (
    <main className="page">
      <PageTitle name="Shelf" />
      <ShelfHead
        shop={shop}
        shops={shops}
        part=""
        note={`${own.length - nArchived === 1 ? '1 product' : `${own.length - nArchived} products`} of your own`}
      >
        <TakeSheets shop={shop} own={own} />
        <Button type="primary" icon={<PlusOutlined />} onClick={() => setIsMaking(true)}>
          New product
        </Button>
      </ShelfHead>
      {save.error && <Problem error={save.error} />}
      {refusal.length > 0 && <Problem error={new Error(refusal.join(' '))} />}
      <div className="shelf-find">
        <Input.Search
          aria-label="Find a product"
          placeholder="name or kind"
          allowClear
          maxLength={80}
          value={text}
          onChange={({ target }) => setText(target.value)}
        />
        <Select
          aria-label="Kind"
          allowClear
          placeholder="all kinds"
          value={kind}
          options={SHELF_KINDS.map((value) => ({ value, label: kindWords({ kind: value }) }))}
          onChange={(value: ProductSheet['kind'] | undefined) => setKind(value ?? null)}
        />
        {nArchived > 0 && (
          <Checkbox checked={withArchived} onChange={({ target }) => setWithArchived(target.checked)}>
            Archived too
          </Checkbox>
        )}
        {picked.length > 0 && (
          <span className="shelf-picked" role="status">
            {picked.length === 2 ? (
              <Button onClick={() => setIsComparing(true)}>Compare the two</Button>
            ) : (
              <span className="note">Tick another one to compare it with {picked[0]!.name}.</span>
            )}
          </span>
        )}
      </div>
      <section aria-labelledby="own-head">
        <h2 id="own-head">Your own</h2>
        {shown.own.length === 0 ? (
          <p className="empty">
            {own.length === 0 && asked.trim() === '' && kind === null
              ? 'No product of your own yet. Take a built-in sheet over and change it to what your data sheet says: plans then lay yours instead.'
              : 'No product of your own is found by that.'}
          </p>
        ) : (
          <ProductList
            sheets={shown.own}
            picked={picked}
            drafts={new Set(shown.own.filter(({ id }) => drafts[draftName(shop.id, id)]).map(({ id }) => id))}
            onPick={pick}
            onOpen={open}
            acts={(sheet) => (
              <>
                <Button
                  icon={<CopyOutlined />}
                  aria-label={`Duplicate ${sheet.name}`}
                  title="Duplicate"
                  onClick={() => begin(copyOf(sheet, own))}
                />
                <Button
                  onClick={() =>
                    save.mutate({
                      sheet: withArchivedAs(sheet, !sheet.isArchived),
                      from: sheet.version,
                    })
                  }
                >
                  {sheet.isArchived ? 'Use again' : 'Archive'}
                </Button>
              </>
            )}
          />
        )}
      </section>
      <BuiltIn
        shop={shop}
        own={own}
        wanted={shown.wanted}
        picked={picked}
        onPick={pick}
        onTakeOver={begin}
        onChange={(fields) => change({ shop: fields })}
      />
      {isMaking && (
        <NewProduct
          own={own}
          onClose={() => setIsMaking(false)}
          onMake={(sheet) => {
            setIsMaking(false);
            begin(sheet);
          }}
        />
      )}
      {isComparing && picked.length === 2 && (
        <CompareSheets pair={[picked[0]!, picked[1]!]} onClose={() => setIsComparing(false)} />
      )}
    </main>
  );
}

/** Made once: a shelf may have thousands of names. */
const byName = new Intl.Collator(undefined, { numeric: true }).compare;

/** By kind as they are laid, then by the shop's order, then by name. */
const inOrder = (sheets: readonly ProductSheet[]): ProductSheet[] => {
  const place = (sheet: ProductSheet): number =>
    (SHELF_KINDS as readonly string[]).indexOf(sheet.kind) * 2 + (sheet.use ? 1 : 0);
  return sheets.toSorted(
    (a, b) => place(a) - place(b) || (a.rank ?? 1000) - (b.rank ?? 1000) || byName(a.name, b.name),
  );
};

function withArchivedAs({ isArchived: _, ...sheet }: ProductSheet, isArchived: boolean): ProductSheet {
  return isArchived ? { ...sheet, isArchived } : sheet;
}

/** A copy under the next free id. */
function copyOf(sheet: ProductSheet, own: readonly ProductSheet[]): ProductSheet {
  const taken = new Set([...own, ...GENERIC_SHELF].map(({ id }) => id));
  const stem = sheet.id.slice(0, 50);
  const nth = Array.from({ length: own.length + 2 }, (_, i) => i + 2).find(
    (n) => !taken.has(`${stem}-${n}`),
  )!;
  return withArchivedAs(
    { ...sheet, id: `${stem}-${nth}`, name: `${sheet.name.slice(0, 110)}, copy`, version: 1 },
    false,
  );
}
