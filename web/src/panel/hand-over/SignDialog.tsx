import { SIGNED_AS, type SignedState } from '@blue-ledge/core';
import { Dialog } from '../../shared/dialog/Dialog.tsx';
import { WhoChoice, type Who } from '../run/Who.tsx';

interface SignDialogProps {
  readonly panelName: string;
  readonly state: SignedState;
  /** What was not checked, not written down or not kept. */
  readonly notChecked: readonly string[];
  readonly code: string;
  readonly who: Who;
  readonly onSign: (name: string) => void;
  readonly onClose: () => void;
}

/** What is signed, in words, before the name: the card as it stands, with what nobody checked. */
export const SignDialog = ({ panelName, state, notChecked, code, who, onSign, onClose }: SignDialogProps) => (
  <Dialog title="Sign the hand-over" onClose={onClose}>
    <p>
      With your name you say: <b>{panelName}</b> is <b>{SIGNED_AS[state]}</b>, as its card {code} says.
    </p>
    {notChecked.length > 0 && (
      <>
        <p>The signature names what is missing:</p>
        <ul>
          {notChecked.map((line) => (
            <li key={line}>{line}</li>
          ))}
        </ul>
      </>
    )}
    <p>Who signs?</p>
    <WhoChoice who={who} onPick={onSign} />
  </Dialog>
);
