import type { ProductSheet } from '@blue-ledge/core';
import { Button } from 'antd';
import { EditRows, type Column } from '../shared/EditRows.tsx';
import { PlusOutlined } from '../shared/icons.tsx';

type Point = ProductSheet['cure'][number];

interface TimePointsProps {
  readonly points: readonly Point[];
  /** What happens after the minutes: "Fully cured after". */
  readonly what: string;
  /** What a point is called: "cure point". */
  readonly called: string;
  /** Where a data sheet says it. */
  readonly help: string;
  readonly least: number;
  /** The point that is added next. */
  readonly next: Point;
  readonly onChange: (points: Point[]) => void;
}

const MOST = 6;
const YEAR_MIN = 60 * 24 * 365;

/** Minutes at several temperatures: every other temperature is worked out between them. */
export function TimePoints({ points, what, called, help, least, next, onChange }: TimePointsProps) {
  const columns: readonly Column<Point>[] = [
    {
      kind: 'number',
      head: 'At',
      name: 'Temperature',
      of: 'celsius',
      quantity: 'Celsius',
      from: -10,
      to: 120,
    },
    { kind: 'number', head: what, name: 'Minutes', of: 'minutes', unit: 'min', from: least, to: YEAR_MIN },
  ];
  const remove =
    points.length > least || least < 1
      ? (nth: number) => onChange(points.filter((_, i) => i !== nth))
      : undefined;
  return (
    <>
      {points.length > 0 && (
        <EditRows
          columns={columns}
          rows={points}
          nameOf={(_, nth) => `${called} ${nth + 1}`}
          onChange={(nth, point) => onChange(points.map((each, i) => (i === nth ? point : each)))}
          onRemove={remove}
        />
      )}
      <p className="note">{help}</p>
      {points.length < MOST && (
        <Button icon={<PlusOutlined />} onClick={() => onChange([...points, next])}>
          Another temperature
        </Button>
      )}
    </>
  );
}
