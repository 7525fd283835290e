import { asMode, type ProductSheet, type SheetMode } from '@blue-ledge/core';
import { Button, Input } from 'antd';
import { useState } from 'react';
import { Choice } from '../shared/Choice.tsx';
import { PlusOutlined } from '../shared/icons.tsx';
import { RemoveButton } from '../shared/RemoveButton.tsx';
import { GroundFields } from './GroundFields.tsx';
import { MixFields } from './MixFields.tsx';
import { FIELD_GROUPS, SHELF_KINDS, fieldsOfMode, kindWords } from './sheet-fields.ts';
import { SheetNumbers } from './SheetNumbers.tsx';
import { withAt } from './sheet-path.ts';

interface ModeFieldsProps {
  readonly sheet: ProductSheet;
  readonly onChange: (modes: SheetMode[] | undefined) => void;
}

/** Ways of mixing that a shop meets most. */
const USUAL: readonly { readonly name: string; readonly changes: Partial<SheetMode> }[] = [
  { name: 'as sealer', changes: { kind: 'sealer', sandAfterMin: null } },
  { name: 'wet-on-wet', changes: { kind: 'wet-on-wet', sandAfterMin: null } },
  { name: 'build', changes: { kind: 'build' } },
  { name: 'for plastic', changes: { kind: 'plastic-primer' } },
];
const MOST = 6;

const idOf = (name: string, taken: ReadonlySet<string>): string => {
  const stem = name.replace(/[^a-z0-9]+/g, '-').slice(0, 16);
  const nth = Array.from({ length: MOST + 1 }, (_, i) => (i === 0 ? stem : `${stem}-${i + 1}`));
  return nth.find((id) => !taken.has(id))!;
};

/** Other ways in which the product is mixed: each is planned with as a product of its own, from the same can. */
export function ModeFields({ sheet, onChange }: ModeFieldsProps) {
  const { modes = [] } = sheet;
  const put = (next: SheetMode[]): void => onChange(next.length === 0 ? undefined : next);
  /** The way that was added last is open: its figures are what comes next. */
  const [added, setAdded] = useState<string | null>(null);
  const add = ({ name, changes }: (typeof USUAL)[number]): void => {
    const id = idOf(name, new Set(modes.map((mode) => mode.id)));
    setAdded(id);
    put([...modes, { id, name, ...changes }]);
  };
  return (
    <>
      <p className="note">
        The same cans mixed in another way: thinned as sealer, wet-on-wet, with an additive for plastic. What
        a way does not change is as above.
      </p>
      {modes.map((mode, nth) => (
        <Mode
          key={mode.id}
          sheet={sheet}
          mode={mode}
          isOpen={mode.id === added}
          onChange={(next) => put(modes.map((each, i) => (i === nth ? next : each)))}
          onRemove={() => put(modes.filter((_, i) => i !== nth))}
        />
      ))}
      {modes.length < MOST && (
        <p className="mode-add">
          {USUAL.map((usual) => (
            <Button key={usual.name} icon={<PlusOutlined />} onClick={() => add(usual)}>
              {usual.name}
            </Button>
          ))}
        </p>
      )}
    </>
  );
}

interface ModeProps {
  readonly sheet: ProductSheet;
  readonly mode: SheetMode;
  readonly isOpen: boolean;
  readonly onChange: (mode: SheetMode) => void;
  readonly onRemove: () => void;
}

function Mode({ sheet, mode, isOpen, onChange, onRemove }: ModeProps) {
  const mixed = asMode(sheet, mode);
  /** A figure of the way: the group that it is in is then the way's own. */
  const putAt = (path: string, value: unknown): void => {
    const [group = ''] = path.split('.');
    const next = withAt(mixed, path, value) as Record<string, unknown>;
    onChange({ ...mode, [group]: next[group] });
  };
  return (
    <details className="mode" open={isOpen}>
      <summary>
        {mode.name} <span className="note">{kindWords(mixed)}</span>
      </summary>
      <div className="mode-head">
        <div className="field">
          <label htmlFor={`mode-${mode.id}`}>What you call it</label>
          <Input
            id={`mode-${mode.id}`}
            value={mode.name}
            maxLength={40}
            status={mode.name.trim() === '' ? 'error' : ''}
            onChange={({ target }) => onChange({ ...mode, name: target.value })}
          />
        </div>
        <Choice
          label="It is then a"
          value={mixed.kind}
          options={SHELF_KINDS.map((kind) => [kind, kindWords({ kind })])}
          onChange={(kind) => onChange({ ...mode, kind: kind as NonNullable<SheetMode['kind']> })}
        />
        <RemoveButton label={`Remove the way ${mode.name}`} onRemove={onRemove} />
      </div>
      <MixFields components={mixed.components} onChange={(components) => onChange({ ...mode, components })} />
      {FIELD_GROUPS.map((group) => {
        const own = fieldsOfMode(group);
        return own.length === 0 ? null : (
          <div key={group.id}>
            <h3>{group.title}</h3>
            <SheetNumbers fields={own} sheet={mixed} onChange={putAt} />
          </div>
        );
      })}
      <h3>What it may lie on</h3>
      <GroundFields sheet={mixed} onChange={(changes) => onChange({ ...mode, ...changes })} />
    </details>
  );
}
