import { panelKeyOf, type NotEntered, type ShopScheduleView, type ShopView } from '@blue-ledge/core';
import { Button } from 'antd';
import { useState } from 'react';
import { useNotYet } from '../api/schedule-queries.ts';
import { CatchUp } from '../panel/run/CatchUp.tsx';
import { stepsText } from '../panel/run/NotEnteredNotice.tsx';
import { shopTime } from '../state/now.ts';

interface NotEnteredOfShopProps {
  readonly shop: ShopView;
  readonly view: ShopScheduleView;
}

/** Of each panel the steps whose time has passed and that nobody entered: were they done? */
export function NotEnteredOfShop({ shop, view: { notEntered, schedule } }: NotEnteredOfShopProps) {
  const { mutate: notYet } = useNotYet(shop.id);
  const [openKey, setOpenKey] = useState<string | null>(null);
  const keys = [...new Set(notEntered.map(panelKeyOf))];
  const stepsOf = (key: string): NotEntered[] => notEntered.filter((step) => panelKeyOf(step) === key);
  const nameOf = (key: string): string =>
    schedule?.panels.find((panel) => panelKeyOf(panel) === key)?.name ?? key;
  const open = openKey === null ? [] : stepsOf(openKey);
  if (keys.length === 0) return null;
  return (
    <div className="bay-asks" role="status">
      <b>Nobody entered these. Were they done?</b>
      {keys.map((key) => {
        const steps = stepsOf(key);
        return (
          <Button key={key} onClick={() => setOpenKey(key)}>
            {nameOf(key)}: {stepsText(steps).toLowerCase()}, by {shopTime(steps.at(-1)!.end, 0)}
          </Button>
        );
      })}
      {open[0] && (
        <CatchUp
          at={{ job: open[0].jobId, panel: open[0].panelId }}
          panelName={nameOf(openKey!)}
          shop={shop.shop}
          asked={open}
          onNotYet={() => {
            notYet(open);
            setOpenKey(null);
          }}
          onClose={() => setOpenKey(null)}
        />
      )}
    </div>
  );
}
