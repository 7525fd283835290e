import { uncheckedOf, type AskedCheck, type NewEntry } from '@blue-ledge/core';
import type { PanelKey } from '../../api/queries.ts';
import { enterAll } from '../../outbox/record.ts';
import { rememberLast } from '../../state/last-entries.ts';
import type { Who } from '../run/Who.tsx';
import { writeEntry } from '../run/write-entry.ts';
import { BaseOnDialog } from './BaseOnDialog.tsx';
import { SignDialog } from './SignDialog.tsx';
import type { Card } from './use-card.ts';
import { WaiveDialog } from './WaiveDialog.tsx';

/** What somebody is doing on the card, and under which name. */
export type Doing = { readonly what: 'sign' } | { readonly what: 'waive' | 'base'; readonly by: string };

interface CardDialogsProps {
  readonly doing: Doing | null;
  readonly at: PanelKey;
  readonly panelName: string;
  readonly card: Card;
  readonly who: Who;
  readonly onClose: () => void;
}

const waived = (by: string, { check, step, zones }: AskedCheck, text: string): NewEntry =>
  writeEntry({
    by,
    kind: 'check',
    body: { check, outcome: 'waived', zones: [...zones], text, ...(step ? { step } : {}) },
  });

/** Signing, waiving checks, and base that goes on: what is entered from the card. */
export function CardDialogs({ doing, at, panelName, card: whole, who, onClose }: CardDialogsProps) {
  const { card, words, state, notChecked } = whole;
  const write = (entries: readonly NewEntry[], title: string): void => {
    enterAll(
      at,
      entries.map((entry) => ({ entry, title })),
    );
    rememberLast(at, entries, title);
    onClose();
  };
  switch (doing?.what) {
    case undefined:
      return null;
    case 'sign': {
      const as = state === 'ready' ? 'ready' : 'not-checked';
      return (
        <SignDialog
          panelName={panelName}
          state={as}
          notChecked={notChecked}
          code={words.code}
          who={who}
          onSign={(by) => {
            who.choose(by);
            const more = notChecked.length > 0 ? { notChecked: [...notChecked] } : {};
            const body = { name: by, head: card.head, state: as, ...more } as const;
            write([writeEntry({ by, kind: 'sign', body })], 'signed');
          }}
          onClose={onClose}
        />
      );
    }
    case 'waive':
      return (
        <WaiveDialog
          checks={uncheckedOf(card)}
          by={doing!.by}
          onWaive={(checks, why) =>
            write(
              checks.map((check) => waived(doing!.by, check, why)),
              `${checks.length} ${checks.length === 1 ? 'check' : 'checks'} waived`,
            )
          }
          onClose={onClose}
        />
      );
    case 'base':
      return (
        <BaseOnDialog
          by={doing!.by}
          isNotReady={state === 'not-ready'}
          onEnter={(agoMin, text) =>
            write(
              [writeEntry({ by: doing!.by, kind: 'base', body: text ? { text } : {}, agoMin })],
              'base is on',
            )
          }
          onClose={onClose}
        />
      );
  }
}
