import {
  momentOf,
  scheduleChanges,
  type DatedStart,
  type ScheduleMove,
  type ShopScheduleView,
} from '@blue-ledge/core';
import { Button } from 'antd';
import { useState } from 'react';
import { useMoveSteps, useUndoMove } from '../api/schedule-queries.ts';
import { Problem } from '../shared/Problem.tsx';
import { UndoOutlined } from '../shared/icons.tsx';
import { announce } from '../state/announce.ts';
import type { PanelRow } from './bay-rows.ts';
import { timeText } from './bay-scale.ts';
import { changesText } from './bay-words.ts';

/** Moving work to another time: what it came to, and back again. */

interface Made {
  readonly move: ScheduleMove;
  readonly before: ShopScheduleView;
  readonly after: ShopScheduleView;
}

export interface BayMoves {
  readonly move: (row: PanelRow, n: number, toMin: number, personId: string) => void;
  readonly letGo: (row: PanelRow, n: number) => void;
  readonly undo: () => void;
  readonly dismiss: () => void;
  readonly made: Made | null;
  readonly isMoving: boolean;
  readonly error: Error | null;
}

export function useBayMoves(shopId: string, view: ShopScheduleView): BayMoves {
  const { mutate, isPending, error } = useMoveSteps(shopId);
  const undo = useUndoMove(shopId);
  const [made, setMade] = useState<Made | null>(null);
  const send = (move: ScheduleMove): void =>
    mutate([move], {
      onSuccess: (after) => {
        announce('The work is moved.');
        setMade({ move, before: view, after });
      },
    });
  return {
    move: ({ panel: { jobId, panelId } }, n, toMin, personId) =>
      send({ jobId, panelId, n, at: momentOf(view.start, toMin), personId }),
    letGo: ({ panel: { jobId, panelId } }, n) => send({ jobId, panelId, n, at: null }),
    undo: () => {
      if (!made) return;
      undo.mutate(made.after.version, { onSuccess: () => announce('It is as it was.') });
      setMade(null);
    },
    dismiss: () => setMade(null),
    made,
    isMoving: isPending || undo.isPending,
    error: error ?? undo.error,
  };
}

export function UndoMove({
  moves,
  start,
  rows,
}: {
  readonly moves: BayMoves;
  readonly start: DatedStart;
  readonly rows: readonly PanelRow[];
}) {
  const { made, isMoving, error, undo, dismiss } = moves;
  if (error) return <Problem error={error} />;
  if (isMoving)
    return (
      <p className="bay-moved" role="status">
        The rest follows…
      </p>
    );
  if (!made?.after.schedule) return null;
  const { move } = made;
  const name = rows.find(({ panel }) => panel.jobId === move.jobId && panel.panelId === move.panelId)?.panel
    .name;
  return (
    <div className="bay-moved" role="status">
      <p>
        <b>
          {name}, step {move.n} {move.at ? `is held to ${timeText(move.at, 0)}` : 'is let go'}:
        </b>{' '}
        {changesText(scheduleChanges(made.before.schedule, made.after.schedule!), start).join('; ')}.
      </p>
      <Button icon={<UndoOutlined />} onClick={undo}>
        Undo
      </Button>
      <Button onClick={dismiss}>Keep</Button>
    </div>
  );
}
