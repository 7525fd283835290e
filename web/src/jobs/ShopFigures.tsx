import { SHOP_RULES, type JobView } from '@blue-ledge/core';
import { Button, Drawer, Input, InputNumber } from 'antd';
import { useState } from 'react';
import { unitOf } from './unit-of.ts';

type FigureName = keyof typeof SHOP_RULES;
type Rules = JobView['shop']['rules'];

interface ShopFiguresProps {
  readonly rules: Rules;
  readonly onChange: (rules: Rules) => void;
  readonly onClose: () => void;
}

const NAMES = Object.keys(SHOP_RULES) as FigureName[];
const finds = (name: FigureName, wanted: string): boolean =>
  `${name} ${SHOP_RULES[name].about}`.toLowerCase().includes(wanted.trim().toLowerCase());

/** Every figure behind rules and models: what it is, its unit, range and default, and the shop's own where it has one. */
export function ShopFigures({ rules, onChange, onClose }: ShopFiguresProps) {
  const [wanted, setWanted] = useState('');
  const shown = NAMES.filter((name) => finds(name, wanted));
  return (
    <Drawer open title="Figures of this shop" size={720} onClose={onClose}>
      <p>
        A figure that the shop sets stands over the default; a product sheet stands over both. Figures called
        calibrated are fitted to shop practice.
      </p>
      <Input.Search
        aria-label="Find a figure"
        placeholder="for example groove, disc, ledge"
        allowClear
        value={wanted}
        onChange={({ target }) => setWanted(target.value)}
      />
      <ul className="figure-rows" aria-label="Figures">
        {shown.map((name) => (
          <FigureRow
            key={name}
            name={name}
            own={rules[name]}
            onChange={(value) => {
              const { [name]: _, ...others } = rules;
              onChange(value === undefined ? others : { ...others, [name]: value });
            }}
          />
        ))}
      </ul>
      {shown.length === 0 && <p>No figure is called that: try a shorter word.</p>}
    </Drawer>
  );
}

interface FigureRowProps {
  readonly name: FigureName;
  readonly own: number | undefined;
  readonly onChange: (value: number | undefined) => void;
}

function FigureRow({ name, own, onChange }: FigureRowProps) {
  const { preset, from, to, about } = SHOP_RULES[name];
  const [typed, setTyped] = useState<number | null>(own ?? preset);
  const isOutside = typed !== null && (typed < from || typed > to);
  const keep = (): void => {
    if (typed === null || isOutside) return;
    const next = typed === preset ? undefined : typed;
    if (next !== own) onChange(next);
  };
  return (
    <li>
      <span>
        {about}
        <span className="note">
          {' '}
          {from} to {to}
          {unitOf(name) && ` ${unitOf(name)}`}, default {preset}
        </span>
        {isOutside && (
          <p className="field-problem" role="alert">
            Must be from {from} to {to}.
          </p>
        )}
      </span>
      <InputNumber
        aria-label={about}
        value={typed}
        status={isOutside ? 'error' : ''}
        suffix={unitOf(name)}
        onChange={setTyped}
        onBlur={keep}
        onPressEnter={keep}
      />
      <Button
        disabled={own === undefined}
        onClick={() => {
          setTyped(preset);
          onChange(undefined);
        }}
      >
        Default
      </Button>
    </li>
  );
}
