import { SHOP_RULES, SHOP_RULE_GROUPS, type Shop } from '@blue-ledge/core';
import { Button, Input } from 'antd';
import { useId, useState } from 'react';
import { NumberInput } from '../shared/NumberInput.tsx';
import { useFormat } from '../state/units.ts';
import { figureReading } from './figure-reading.ts';

type FigureName = keyof typeof SHOP_RULES;
type Group = keyof typeof SHOP_RULE_GROUPS;
type Rules = Shop['rules'];

interface ShopFiguresProps {
  readonly rules: Rules;
  readonly onChange: (rules: Rules) => void;
}

const GROUP_HEADS: Readonly<Record<Group, string>> = {
  bench: 'Film, patches, quality and gun',
  times: 'Clocks, climate and the working day',
  labour: 'Labour',
  sanding: 'Sanding, what shows, and blocking',
};

const finds = (name: FigureName, wanted: string): boolean =>
  `${name} ${SHOP_RULES[name].about}`.toLowerCase().includes(wanted.trim().toLowerCase());

/** Every figure behind rules and models, by group: what it is, its unit, range and default, and the shop's own. */
export function ShopFigures({ rules, onChange }: ShopFiguresProps) {
  const [wanted, setWanted] = useState('');
  const groups = (Object.keys(SHOP_RULE_GROUPS) as Group[]).map((group) => ({
    group,
    names: (Object.keys(SHOP_RULE_GROUPS[group]) as FigureName[]).filter((name) => finds(name, wanted)),
  }));
  const isOpen = wanted.trim() !== '';
  return (
    <>
      <p className="note">
        A figure that the shop sets stands over the default; a product sheet stands over both. A calibrated
        one is fitted to what it names; an estimate to nothing yet: measure your own.
      </p>
      <Input.Search
        aria-label="Find a figure"
        placeholder="for example groove, disc, ledge"
        allowClear
        value={wanted}
        onChange={({ target }) => setWanted(target.value)}
      />
      {groups.map(({ group, names }) =>
        names.length === 0 ? null : (
          <details key={`${group} ${isOpen}`} open={isOpen}>
            <summary>
              {GROUP_HEADS[group]} <span className="note">{nOwn(names, rules)}</span>
            </summary>
            <ul className="figure-rows" aria-label={GROUP_HEADS[group]}>
              {names.map((name) => (
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
          </details>
        ),
      )}
      {groups.every(({ names }) => names.length === 0) && (
        <p>No figure is called that: try a shorter word.</p>
      )}
    </>
  );
}

function nOwn(names: readonly FigureName[], rules: Rules): string {
  const own = names.filter((name) => rules[name] !== undefined).length;
  return own > 0 ? `${names.length} figures, ${own} of the shop’s own` : `${names.length} figures`;
}

interface FigureRowProps {
  readonly name: FigureName;
  readonly own: number | undefined;
  readonly onChange: (value: number | undefined) => void;
}

function FigureRow({ name, own, onChange }: FigureRowProps) {
  const { preset, from, to, about } = SHOP_RULES[name];
  const { system } = useFormat();
  const reading = figureReading(name, system);
  const id = useId();
  const range = `${reading.text(from)} to ${reading.text(to)}, default ${reading.text(preset)}`;
  return (
    <li>
      <label htmlFor={id}>
        {about}
        <span className="note"> {range}</span>
      </label>
      <span>
        <NumberInput
          key={system}
          id={id}
          name="The figure"
          value={reading.shown(own ?? preset)}
          from={reading.shown(from)}
          to={reading.shown(to)}
          unit={reading.unit}
          whenLeft
          onChange={(shown) => {
            const stored = reading.stored(shown);
            onChange(stored === preset ? undefined : stored);
          }}
        />
      </span>
      <Button disabled={own === undefined} onClick={() => onChange(undefined)}>
        Default
      </Button>
    </li>
  );
}
