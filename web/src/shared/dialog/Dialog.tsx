import { Button, Modal } from 'antd';
import { useRef, type FormEvent, type KeyboardEvent, type ReactNode } from 'react';
import { focusInside } from './first-focus.ts';
import { useFocusReturn } from './focus-return.ts';

/** What a button of a dialog says and does. */
export interface DialogAct {
  readonly label: string;
  readonly run: () => void;
  /** It is on its way. */
  readonly isBusy?: boolean;
  /** It cannot be done yet. */
  readonly isOff?: boolean;
}

interface DialogProps {
  readonly title: string;
  /** px, or a CSS width. */
  readonly width?: number | string;
  readonly className?: string;
  /** What the dialog is for; without it there are no buttons below. */
  readonly act?: DialogAct;
  /** The button that does nothing of the kind: closes the dialog, unless it says otherwise. */
  readonly leave?: DialogAct;
  /** Another way out, before the two. */
  readonly other?: DialogAct;
  /** Esc, the cross, and a press beside a dialog that has nothing to enter. */
  readonly onClose: () => void;
  readonly children: ReactNode;
}

/** A key that is held would open a dialog and at once answer it. */
const dropHeldEnter = (event: KeyboardEvent): void => {
  if (event.key === 'Enter' && event.repeat) event.preventDefault();
};

/**
 * The one dialog: it is open while it is mounted. Esc closes it and does nothing else; Enter in a field does its act
 * where that can be done; the focus begins in its first field and goes back to what opened it.
 */
export function Dialog({ title, width = 520, className, act, leave, other, onClose, children }: DialogProps) {
  useFocusReturn();
  const mark = useRef<HTMLSpanElement>(null);
  const submit = (event: FormEvent): void => {
    event.preventDefault();
    // A dialog that is opened from another one is a part of it, for React.
    event.stopPropagation();
    if (act && !act.isBusy && !act.isOff) act.run();
  };
  return (
    <Modal
      open
      title={title}
      width={width}
      className={className ?? ''}
      // What is typed is not lost to a hand that touches the screen beside it.
      mask={{ closable: act === undefined }}
      focusable={{ focusTriggerAfterClose: false }}
      afterOpenChange={(isOpen) => isOpen && focusInside(mark.current)}
      onCancel={onClose}
      modalRender={(dialog) =>
        act ? (
          <form noValidate onSubmit={submit} onKeyDown={dropHeldEnter}>
            {dialog}
          </form>
        ) : (
          <div onKeyDown={dropHeldEnter}>{dialog}</div>
        )
      }
      footer={
        act ? (
          <>
            {other && <ActButton {...other} />}
            <ActButton label="Cancel" run={onClose} {...leave} />
            <Button
              type="primary"
              htmlType="submit"
              loading={act.isBusy ?? false}
              disabled={act.isOff ?? false}
            >
              {act.label}
            </Button>
          </>
        ) : null
      }
    >
      <span ref={mark} hidden />
      {children}
    </Modal>
  );
}

const ActButton = ({ label, run, isBusy = false, isOff = false }: DialogAct) => (
  <Button loading={isBusy} disabled={isOff} onClick={run}>
    {label}
  </Button>
);
