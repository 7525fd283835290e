import type { System } from '@blue-ledge/core';
import { Button, Modal } from 'antd';
import { CheckOutlined } from '../../shared/icons.tsx';
import { SystemTable } from '../../shared/SystemTable.tsx';
import { usePanelContext } from '../panel-context.ts';

interface CompareModalProps {
  readonly systems: readonly System[];
  readonly chosen: string | null;
  readonly onShow: (id: string) => void;
  readonly onClose: () => void;
}

/** All systems that get the panel ready, in one table; one of them is looked at from here. */
export function CompareModal({ systems, chosen, onShow, onClose }: CompareModalProps) {
  const { currency } = usePanelContext().view.shop;
  const ready = systems.filter(({ verdict }) => verdict === 'ready');
  return (
    <Modal
      open
      width="min(1180px, 94vw)"
      title="Systems that are ready, best first"
      footer={null}
      onCancel={onClose}
    >
      <SystemTable
        currency={currency}
        columns={ready.map((system) => ({ head: system.title, system }))}
        foot={({ id }) => (
          <Button {...(id === chosen ? { icon: <CheckOutlined /> } : {})} onClick={() => onShow(id)}>
            Look at it
          </Button>
        )}
      />
    </Modal>
  );
}
