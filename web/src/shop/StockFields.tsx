import { GRADES, TOOLS, explainGrade, type Grade, type Shop, type Tool } from '@blue-ledge/core';
import { Select } from 'antd';
import { useState } from 'react';
import { TOOL_WORDS } from '../shared/tool-words.ts';
import type { ShopFields } from '../outbox/field-change.ts';

interface StockFieldsProps {
  readonly shop: Shop;
  readonly onChange: (fields: NonNullable<ShopFields['shop']>) => void;
}

/** What the shop sands with: grades on the shelf, on either scale, and tools. All of them where it does not say. */
export function StockFields({ shop, onChange }: StockFieldsProps) {
  const [said, setSaid] = useState<readonly string[]>([]);
  /** A first grade, until there is a second one to make a stock of. */
  const [single, setSingle] = useState<Grade | null>(null);
  const take = (typed: readonly string[]): void => {
    const read = typed.map(explainGrade);
    setSaid(read.flatMap((each) => (each.ok ? (each.note ? [`${each.note}.`] : []) : [`${each.message}.`])));
    const grades = new Set(read.flatMap((each) => (each.ok ? [each.grade] : [])));
    const stock = GRADES.filter((grade) => grades.has(grade));
    setSingle(stock.length === 1 ? stock[0]! : null);
    if (stock.length === 1)
      return setSaid((notes) => [...notes, 'A ladder needs at least two grades: add another one.']);
    onChange({ stock: stock.length === 0 ? null : stock });
  };
  return (
    <>
      <label className="field">
        <span>Grades on the shelf</span>
        <Select
          aria-label="Grades on the shelf"
          mode="tags"
          placeholder="all grades"
          value={single ? [single] : (shop.stock ?? [])}
          options={GRADES.map((grade) => ({ value: grade as string, label: grade }))}
          onChange={take}
        />
        {said.map((words) => (
          <span key={words} className="note" role="status">
            {words}
          </span>
        ))}
      </label>
      <label className="field">
        <span>Tools to sand with</span>
        <Select
          aria-label="Tools to sand with"
          mode="multiple"
          placeholder="as the plan says"
          value={shop.tools ?? []}
          options={TOOLS.map((tool) => ({ value: tool, label: TOOL_WORDS[tool].long }))}
          onChange={(tools: Tool[]) => onChange({ tools: tools.length === 0 ? null : tools })}
        />
      </label>
    </>
  );
}
