import type { System } from '@blue-ledge/core';
import { Button } from 'antd';
import { Dialog } from '../../shared/dialog/Dialog.tsx';
import { CheckOutlined } from '../../shared/icons.tsx';
import { SystemTable } from '../../shared/SystemTable.tsx';
import { usePanelContext } from '../panel-context.ts';

interface CompareDialogProps {
  readonly systems: readonly System[];
  readonly chosen: string | null;
  readonly onShow: (id: string) => void;
  readonly onClose: () => void;
}

/** All systems that get the panel ready, in one table; one of them is looked at from here. */
export function CompareDialog({ systems, chosen, onShow, onClose }: CompareDialogProps) {
  const { currency } = usePanelContext().view.shop;
  const ready = systems.filter(({ verdict }) => verdict === 'ready');
  return (
    <Dialog width="min(1180px, 94vw)" title="Systems that are ready, best first" onClose={onClose}>
      <SystemTable
        currency={currency}
        columns={ready.map((system) => ({ head: system.title, system }))}
        foot={({ id }) => (
          <Button {...(id === chosen ? { icon: <CheckOutlined /> } : {})} onClick={() => onShow(id)}>
            Look at it
          </Button>
        )}
      />
    </Dialog>
  );
}
