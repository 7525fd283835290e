import { BLOCKS, LONGEST_HERE_MM, blockOf, GRADES, type PracticePanel } from '@blue-ledge/core';
import { Button, Select, Slider, Switch } from 'antd';
import { useState } from 'react';
import { FieldCanvas } from '../shared/FieldCanvas.tsx';
import { useFormat } from '../state/units.ts';
import type { HandIn } from '../workers/blocking-messages.ts';
import type { FieldView } from '../workers/paint-field.ts';
import { BlockOverlay, FIRST_POSE, turnedOn } from './BlockOverlay.tsx';
import { FeltProfile } from './FeltProfile.tsx';
import { ScoreCard } from './ScoreCard.tsx';
import { usePractice } from './use-practice.ts';

const FIRST: HandIn = { blockId: 'mid', grade: 'P240', forceN: 20 };
/** Grades with which a build is blocked. */
const BLOCK_GRADES = GRADES.slice(GRADES.indexOf('P150'), GRADES.indexOf('P600') + 1);
const FORCE = { from: 5, to: 60 } as const;

/** The bench: panel, block and grade, what it looks and feels like, and how it scores. */
export function PracticeBoard({ panel }: { readonly panel: PracticePanel }) {
  const { quantity, block } = useFormat();
  const [hand, setHand] = useState(FIRST);
  const [view, setView] = useState<FieldView>('guide');
  const [easesOff, setEasesOff] = useState(false);
  const [pose, setPose] = useState(FIRST_POSE);
  const practice = usePractice(panel, hand);
  const take = (change: Partial<HandIn>): void => {
    const next = { ...hand, ...change };
    setHand(next);
    practice.act({ kind: 'take', ...next });
  };
  const look = (next: FieldView): void => {
    setView(next);
    practice.look(next);
  };
  return (
    <>
      <section className="pane practice-bench" aria-labelledby="bench-head">
        <header>
          <h2 id="bench-head">{panel.name}</h2>
          <p>{panel.task}</p>
        </header>
        <div className="practice-panel">
          <FieldCanvas
            subscribe={practice.subscribe}
            label={view === 'guide' ? 'Panel under guide coat' : 'Panel in raking light'}
          />
          <BlockOverlay
            block={blockOf(hand.blockId)}
            forceN={hand.forceN}
            easesOff={easesOff}
            onAct={practice.act}
            pose={pose}
            onPose={setPose}
            onFeel={practice.feel}
            onDust={() => practice.act({ kind: 'dust' })}
            onView={() => look(view === 'guide' ? 'light' : 'guide')}
          />
        </div>
        <FeltProfile felt={practice.felt} />
        <p className="note">
          Keys on the panel: arrows move, space puts down and lifts, R turns, F feels, G dusts guide coat, V
          changes the light.
        </p>
      </section>
      <section className="pane practice-hand" aria-labelledby="hand-head">
        <ScoreCard practice={practice} panel={panel} />
        <h2 id="hand-head">In your hand</h2>
        <Select
          aria-label="Block"
          value={hand.blockId}
          options={BLOCKS.filter(({ lengthMm }) => lengthMm <= LONGEST_HERE_MM).map(({ id }) => ({
            value: id,
            label: block(id),
          }))}
          onChange={(blockId) => take({ blockId })}
        />
        <Select
          aria-label="Grade"
          value={hand.grade}
          options={BLOCK_GRADES.map((grade) => ({ value: grade as string, label: grade }))}
          onChange={(grade) => take({ grade })}
        />
        <div>
          <label htmlFor="practice-force">
            Force <b>{quantity('Newton', hand.forceN)}</b>
          </label>
          <Slider
            id="practice-force"
            ariaLabelForHandle="Force"
            min={FORCE.from}
            max={FORCE.to}
            value={hand.forceN}
            onChange={(forceN) => setHand({ ...hand, forceN })}
          />
          <label className="practice-switch">
            <Switch checked={easesOff} onChange={setEasesOff} /> lighter the faster I go
          </label>
        </div>
        <div className="practice-acts">
          <Button onClick={() => practice.feel(pose.yMm)}>Feel across the block</Button>
          <Button onClick={() => setPose(turnedOn(pose))}>Turn the block</Button>
          <Button onClick={() => practice.act({ kind: 'dust' })}>Dust guide coat</Button>
          <Button aria-pressed={view === 'light'} onClick={() => look(view === 'guide' ? 'light' : 'guide')}>
            {view === 'guide' ? 'Raking light' : 'Guide coat'}
          </Button>
          <Button onClick={() => practice.startOver(hand)}>Start over</Button>
        </div>
      </section>
    </>
  );
}
