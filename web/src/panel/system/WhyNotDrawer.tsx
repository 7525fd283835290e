import {
  GRADES,
  OPS,
  OP_LABELS,
  SHEET_KIND_OF,
  isProductFor,
  isSandOp,
  type Grade,
  type OpName,
  type ActInput,
  type OwnSequence,
  type PanelView,
  type ProductSheet,
  type Schools,
} from '@blue-ledge/core';
import { Button, Checkbox, Drawer, Select } from 'antd';
import { useState } from 'react';
import { FocusFirst } from '../../shared/FocusFirst.tsx';
import { DownOutlined, PlusOutlined, UpOutlined } from '../../shared/icons.tsx';
import { NumberInput } from '../../shared/NumberInput.tsx';
import type { PlanOnScreen } from '../../api/opened-plan.ts';
import { useJudge, useSheets } from '../../api/queries.ts';
import { Problem } from '../../shared/Problem.tsx';
import { nameOfPanel, type PanelKey } from '../../outbox/entry.ts';
import { keepSequence, useOwnSequences } from '../../state/own-sequences.ts';
import { RemoveButton } from '../../shared/RemoveButton.tsx';
import { Verdicts } from './Verdicts.tsx';

interface WhyNotProps {
  readonly panelKey: PanelKey;
  readonly view: PanelView;
  /** What one may start from: the system that was chosen. */
  readonly plan: PlanOnScreen;
  readonly schools: Schools;
  readonly onClose: () => void;
  /** Plans it as a system, and chooses that. */
  readonly onUse: (own: OwnSequence) => void;
}

/** Work that a person chooses; the rest is what rules ask for in between. */
const isChoice = (op: OpName): boolean =>
  SHEET_KIND_OF[op] !== undefined || op.startsWith('strip-') || op === 'hand-over';

/** "Why not...?": a sequence of one's own, and the verdict on it step by step. */
export function WhyNotDrawer({ panelKey, view, plan, schools, onClose, onUse }: WhyNotProps) {
  const name = nameOfPanel(panelKey);
  const own = useOwnSequences(({ byPanel }) => byPanel[name]) ?? [];
  const { data: sheets = [] } = useSheets(panelKey.job);
  const [fillsIn, setFillsIn] = useState(true);
  const judge = useJudge(panelKey);
  const zones = view.panel.zones.map(({ id }) => id);
  const put = (next: readonly ActInput[]): void => {
    keepSequence(name, next);
    judge.reset();
  };
  const move = (i: number, by: -1 | 1): void => {
    const next = [...own];
    const [moved] = next.splice(i, 1);
    next.splice(i + by, 0, moved!);
    put(next);
  };
  const { view: planned, actsOf } = plan.opened;
  const system = planned.systems.find(({ id }) => id === (plan.chosen ?? planned.chosen));
  const start = (id: string): void => put(actsOf(id).filter(({ op }) => isChoice(op)));
  return (
    <Drawer open title="Why not…?" size={760} onClose={onClose} className="why-not">
      <FocusFirst />
      <p className="note">
        Put together what you would do. The planner judges it step by step, says which rule a step breaks, and
        what would make it allowed.
      </p>
      <p className="why-acts">
        {system && <Button onClick={() => start(system.id)}>Start from “{system.title}”</Button>}
        {own.length > 0 && <Button onClick={() => put([])}>Clear</Button>}
      </p>
      <ol className="own-acts">
        {own.map((act, i) => (
          <OwnRow
            key={i}
            n={i + 1}
            act={act}
            zones={zones}
            sheets={sheets}
            isFirst={i === 0}
            isLast={i === own.length - 1}
            onChange={(next) => put(own.map((old, j) => (j === i ? next : old)))}
            onMove={(by) => move(i, by)}
            onRemove={() => put(own.filter((_, j) => j !== i))}
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
        options={OPS.map((op) => ({ value: op, label: OP_LABELS[op] }))}
        onChange={(op: OpName | null) => op && put([...own, blankOf(op, zones, sheets)])}
      />
      <div className="why-acts">
        <Checkbox checked={fillsIn} onChange={({ target }) => setFillsIn(target.checked)}>
          Add the cleaning, sanding and waiting that rules ask for in between
        </Checkbox>
        <Button
          type="primary"
          className="ledge-button"
          disabled={own.length === 0}
          loading={judge.isPending}
          onClick={() => judge.mutate({ own, fillsIn, schools })}
        >
          Check it
        </Button>
      </div>
      {judge.error && <Problem error={judge.error} />}
      {judge.data?.isReady && (
        <p className="why-acts">
          <span>It may take the place of the chosen system.</span>
          <Button type="primary" className="ledge-button" onClick={() => onUse({ acts: [...own], fillsIn })}>
            Use this
          </Button>
        </p>
      )}
      {judge.data && <Verdicts judgement={judge.data} />}
    </Drawer>
  );
}

const sheetsFor = (op: OpName, sheets: readonly ProductSheet[]): ProductSheet[] =>
  sheets.filter((sheet) => isProductFor(op, sheet));

const NEW_GRADE: Grade = 'P320';

/** A new step: on all zones, with the first product or a usual grade. */
function blankOf(op: OpName, zones: readonly string[], sheets: readonly ProductSheet[]): ActInput {
  const [sheet] = sheetsFor(op, sheets);
  return {
    op,
    zones: [...zones],
    ...(sheet ? { sheetId: sheet.id } : {}),
    ...(isSandOp(op) ? { grits: [NEW_GRADE] } : {}),
  };
}

interface OwnRowProps {
  readonly n: number;
  readonly act: ActInput;
  readonly zones: readonly string[];
  readonly sheets: readonly ProductSheet[];
  readonly isFirst: boolean;
  readonly isLast: boolean;
  readonly onChange: (act: ActInput) => void;
  readonly onMove: (by: -1 | 1) => void;
  readonly onRemove: () => void;
}

function OwnRow({ n, act, zones, sheets, isFirst, isLast, onChange, onMove, onRemove }: OwnRowProps) {
  const label = OP_LABELS[act.op];
  const products = sheetsFor(act.op, sheets);
  const usualCoats = products.find(({ id }) => id === act.sheetId)?.film.coats ?? 1;
  const hasCoats = products.length > 0 && !['filler', 'glaze', 'seam'].includes(SHEET_KIND_OF[act.op]!);
  return (
    <li>
      <span className="step-n">{n}</span>
      <b>{label}</b>
      <Checkbox.Group
        aria-label={`Zones of step ${n}`}
        value={[...act.zones]}
        options={zones.map((id) => ({ label: id, value: id }))}
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
