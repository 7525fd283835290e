import { peopleOf, type Shop } from '@blue-ledge/core';
import { Button, Input } from 'antd';
import { useState } from 'react';
import { Dialog } from '../../shared/dialog/Dialog.tsx';
import { useBenchChoice } from '../../state/bench-choices.ts';
import './entering.css';

/** Who is at this bench: entries carry a name. Kept on this device. */
export interface Who {
  readonly name: string | undefined;
  readonly people: readonly string[];
  readonly choose: (name: string) => void;
}

const MOST_NAME = 80;

export function useWho(shop: Shop | undefined): Who {
  const [name, choose] = useBenchChoice('run/person');
  return { name, choose, people: shop ? peopleOf(shop).map((person) => person.name) : [] };
}

/** Work that waits for a name. */
type Pending = ((by: string) => void) | 'nothing' | null;

/** Work that is done under a name: asked for first where nobody said who works here. */
export interface UnderName {
  readonly isAsking: boolean;
  readonly as: (work: (by: string) => void) => void;
  readonly ask: () => void;
  readonly answer: (name: string | null) => void;
}

export function useUnderName(who: Who): UnderName {
  const [pending, setPending] = useState<Pending>(null);
  return {
    isAsking: pending !== null,
    as: (work) => (who.name ? work(who.name) : setPending(() => work)),
    ask: () => setPending('nothing'),
    answer: (name) => {
      if (name !== null) {
        who.choose(name);
        if (typeof pending === 'function') pending(name);
      }
      setPending(null);
    },
  };
}

interface WhoDialogProps {
  readonly who: Who;
  readonly onPick: (name: string) => void;
  readonly onClose: () => void;
}

export const WhoDialog = ({ who, onPick, onClose }: WhoDialogProps) => (
  <Dialog title="Who works here?" onClose={onClose}>
    <p>What is entered carries this name until somebody else takes over.</p>
    <WhoChoice who={who} onPick={onPick} />
  </Dialog>
);

/** Names to press, and a field for another one. */
export function WhoChoice({ who, onPick }: Pick<WhoDialogProps, 'who' | 'onPick'>) {
  const [other, setOther] = useState('');
  return (
    <>
      <div className="who-list">
        {who.people.map((name) => (
          <Button
            key={name}
            size="large"
            type={name === who.name ? 'primary' : 'default'}
            onClick={() => onPick(name)}
          >
            {name}
          </Button>
        ))}
      </div>
      <form
        className="who-other"
        onSubmit={(event) => {
          event.preventDefault();
          if (other.trim()) onPick(other.trim());
        }}
      >
        <label htmlFor="who-other">Somebody else</label>
        <Input
          id="who-other"
          value={other}
          maxLength={MOST_NAME}
          onChange={({ target }) => setOther(target.value)}
        />
        <Button htmlType="submit" disabled={!other.trim()}>
          That is me
        </Button>
      </form>
    </>
  );
}
