import { Drawer } from 'antd';
import { useRef, type ReactNode } from 'react';
import { focusInside } from './first-focus.ts';
import { leaveField, useFocusReturn } from './focus-return.ts';

interface SideDrawerProps {
  readonly title: string;
  /** px */
  readonly size: number;
  readonly className?: string;
  /** Acts beside the title. */
  readonly extra?: ReactNode;
  readonly footer?: ReactNode;
  readonly onClose: () => void;
  readonly children: ReactNode;
}

/** What comes in from the side: open while it is mounted, with the keys and the focus of a dialog. */
export function SideDrawer({ title, size, className, extra, footer, onClose, children }: SideDrawerProps) {
  useFocusReturn();
  const mark = useRef<HTMLSpanElement>(null);
  return (
    <Drawer
      open
      title={title}
      size={size}
      className={className ?? ''}
      extra={extra}
      footer={footer}
      focusable={{ focusTriggerAfterClose: false }}
      afterOpenChange={(isOpen) => isOpen && focusInside(mark.current)}
      onClose={() => {
        // Its fields keep what was typed; a dialog that is closed drops it.
        leaveField();
        onClose();
      }}
    >
      <span ref={mark} hidden />
      {children}
    </Drawer>
  );
}
