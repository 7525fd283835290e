import {
  GRADES,
  OPS,
  OP_LABELS,
  areaWords,
  isBodyOp,
  isForPlastic,
  isProductFor,
  isSandOp,
  readArea,
  type ActInput,
  type Grade,
  type OpName,
  type ProductSheet,
} from '@blue-ledge/core';
import { Button, Checkbox, Select } from 'antd';
import { DownOutlined, PlusOutlined, UpOutlined } from '../icons.tsx';
import { NumberInput } from '../NumberInput.tsx';
import { RemoveButton } from '../RemoveButton.tsx';
import './own-acts.css';

interface OwnActsProps {
  readonly acts: readonly ActInput[];
  /** Where something can be done: grounds of zones, and their patches. */
  readonly areas: readonly string[];
  readonly sheets: readonly ProductSheet[];
  /** Operations that may be added; all of them where it is left out. */
  readonly ops?: readonly OpName[];
  readonly onChange: (acts: readonly ActInput[]) => void;
}

/** A sequence of a person's own, step by step: what, where, with what; moved, taken out and added to. */
export function OwnActs({ acts, areas, sheets, ops = OPS, onChange }: OwnActsProps) {
  const move = (i: number, by: -1 | 1): void => {
    const next = [...acts];
    const [moved] = next.splice(i, 1);
    next.splice(i + by, 0, moved!);
    onChange(next);
  };
  return (
    <>
      <ol className="own-acts">
        {acts.map((act, i) => (
          <OwnRow
            key={i}
            n={i + 1}
            act={act}
            areas={areas}
            sheets={sheets}
            isFirst={i === 0}
            isLast={i === acts.length - 1}
            onChange={(next) => onChange(acts.map((old, j) => (j === i ? next : old)))}
            onMove={(by) => move(i, by)}
            onRemove={() => onChange(acts.filter((_, j) => j !== i))}
          />
        ))}
      </ol>
      <Select
        className="add-row"
        aria-label="Add a step"
        placeholder="Add a step"
        prefix={<PlusOutlined />}
        showSearch={{ optionFilterProp: 'label' }}
        value={null}
        options={ops.map((op) => ({ value: op, label: OP_LABELS[op] }))}
        onChange={(op: OpName | null) => op && onChange([...acts, blankOf(op, areas, sheets)])}
      />
    </>
  );
}

const sheetsFor = (op: OpName, sheets: readonly ProductSheet[]): ProductSheet[] =>
  sheets.filter((sheet) => isProductFor(op, sheet) && (op !== 'plastic-repair' || isForPlastic(sheet)));

const NEW_GRADE: Grade = 'P320';

/** A repair goes on the damage, where that is drawn as patches; everything else over all. */
function areasFor(op: OpName, areas: readonly string[]): readonly string[] {
  const patches = areas.filter((area) => readArea(area).patch !== undefined);
  return isBodyOp(op) && patches.length > 0 ? patches : areas;
}

/** A new step: where it is usually done, with the first product or a usual grade. */
function blankOf(op: OpName, areas: readonly string[], sheets: readonly ProductSheet[]): ActInput {
  const [sheet] = sheetsFor(op, sheets);
  return {
    op,
    zones: [...areasFor(op, areas)],
    ...(sheet ? { sheetId: sheet.id } : {}),
    ...(isSandOp(op) ? { grits: [NEW_GRADE] } : {}),
  };
}

interface OwnRowProps {
  readonly n: number;
  readonly act: ActInput;
  readonly areas: readonly string[];
  readonly sheets: readonly ProductSheet[];
  readonly isFirst: boolean;
  readonly isLast: boolean;
  readonly onChange: (act: ActInput) => void;
  readonly onMove: (by: -1 | 1) => void;
  readonly onRemove: () => void;
}

function OwnRow({ n, act, areas, sheets, isFirst, isLast, onChange, onMove, onRemove }: OwnRowProps) {
  const label = OP_LABELS[act.op];
  const products = sheetsFor(act.op, sheets);
  const usualCoats = products.find(({ id }) => id === act.sheetId)?.film.coats ?? 1;
  const hasCoats = products.length > 0 && !!isBodyOp(act.op);
  return (
    <li>
      <span className="step-n">{n}</span>
      <b>{label}</b>
      <Checkbox.Group
        aria-label={`Areas of step ${n}`}
        value={[...act.zones]}
        options={areas.map((id) => ({ label: areaWords(id), value: id }))}
        onChange={(chosen) => chosen.length > 0 && onChange({ ...act, zones: chosen as string[] })}
      />
      <span className="own-means">
        {products.length > 0 && (
          <Select
            aria-label={`Product of step ${n}`}
            value={act.sheetId ?? null}
            options={products.map(({ id, name }) => ({ value: id, label: name }))}
            popupMatchSelectWidth={false}
            onChange={(sheetId) => sheetId && onChange({ ...act, sheetId })}
          />
        )}
        {hasCoats && (
          <NumberInput
            name={`Coats of step ${n}`}
            from={1}
            to={8}
            isWhole
            unit="coats"
            value={
              typeof act.coats === 'object'
                ? Math.max(...Object.values(act.coats))
                : (act.coats ?? usualCoats)
            }
            onChange={(coats) => onChange({ ...act, coats })}
          />
        )}
        {isSandOp(act.op) && (
          <Select
            mode="multiple"
            aria-label={`Grades of step ${n}, coarse to fine`}
            value={[...(act.grits ?? [])]}
            options={GRADES.map((grade) => ({ value: grade, label: grade }))}
            onChange={(grits) =>
              grits.length > 0 &&
              onChange({ ...act, grits: [...grits].sort((a, b) => GRADES.indexOf(a) - GRADES.indexOf(b)) })
            }
          />
        )}
      </span>
      <span className="own-moves">
        <Button
          type="text"
          icon={<UpOutlined />}
          aria-label={`Step ${n} earlier`}
          disabled={isFirst}
          onClick={() => onMove(-1)}
        />
        <Button
          type="text"
          icon={<DownOutlined />}
          aria-label={`Step ${n} later`}
          disabled={isLast}
          onClick={() => onMove(1)}
        />
        <RemoveButton label={`Remove step ${n}`} onRemove={onRemove} />
      </span>
    </li>
  );
}
