import { GENERIC_SHELF, type ProductSheet } from '@blue-ledge/core';
import { Input, Select } from 'antd';
import { useId, useState } from 'react';
import { Dialog } from '../shared/dialog/Dialog.tsx';
import { SHELF_KINDS, kindWords } from './sheet-fields.ts';

interface NewProductProps {
  readonly own: readonly ProductSheet[];
  readonly onMake: (sheet: ProductSheet) => void;
  readonly onClose: () => void;
}

const BUILT_IN = GENERIC_SHELF.filter(({ kind }) => (SHELF_KINDS as readonly string[]).includes(kind));

/** Letters, digits and hyphens of a name; `product` where nothing is left of it. */
const slug = (name: string): string =>
  name
    .toLowerCase()
    .normalize('NFD')
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-+|-+$/g, '')
    .slice(0, 50) || 'product';

function freeId(name: string, taken: ReadonlySet<string>): string {
  const id = slug(name);
  if (!taken.has(id)) return id;
  let n = 2;
  while (taken.has(`${id}-${n}`)) n++;
  return `${id}-${n}`;
}

/** A new product begins as one that is like it, and is then changed to what its data sheet says. */
export function NewProduct({ own, onMake, onClose }: NewProductProps) {
  const [name, setName] = useState('');
  const [like, setLike] = useState<string | null>(null);
  const nameId = useId();
  const starters = [...own.filter(({ isArchived }) => !isArchived), ...BUILT_IN];
  const starter = starters.find(({ id }) => id === like);
  const make = (): void => {
    if (!starter) return;
    const { rank: _, ...sheet } = starter;
    const id = freeId(name, new Set([...own, ...GENERIC_SHELF].map((other) => other.id)));
    onMake({ ...sheet, id, name: name.trim(), version: 1 });
  };
  return (
    <Dialog
      title="New product"
      act={{ label: 'Write its sheet', run: make, isOff: name.trim() === '' || !starter }}
      onClose={onClose}
    >
      <div className="field">
        <label htmlFor={nameId}>What you call it</label>
        <Input id={nameId} value={name} maxLength={120} onChange={({ target }) => setName(target.value)} />
      </div>
      <label className="field">
        <span>It begins as</span>
        <Select
          aria-label="It begins as"
          showSearch={{ optionFilterProp: 'label' }}
          placeholder="a product of the same kind"
          value={like}
          options={starters.map((sheet) => ({
            value: sheet.id,
            label: `${kindWords(sheet)}: ${sheet.name}`,
          }))}
          onChange={setLike}
        />
      </label>
      <p className="note">Every figure can be changed before it is saved.</p>
    </Dialog>
  );
}
