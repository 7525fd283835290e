import { peopleOf, type Shop } from '@blue-ledge/core';
import { Button, Input } from 'antd';
import { useState } from 'react';
import { Dialog } from '../../shared/dialog/Dialog.tsx';
import { useBenchChoice } from '../../state/bench-choices.ts';

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

interface WhoDialogProps {
  readonly who: Who;
  readonly onPick: (name: string) => void;
  readonly onClose: () => void;
}

export function WhoDialog({ who, onPick, onClose }: WhoDialogProps) {
  const [other, setOther] = useState('');
  return (
    <Dialog title="Who works here?" onClose={onClose}>
      <p>What is entered carries this name until somebody else takes over.</p>
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
    </Dialog>
  );
}
