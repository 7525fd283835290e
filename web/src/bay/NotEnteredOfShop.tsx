import { panelKeyOf, type NotEntered, type ShopScheduleView, type ShopView } from '@blue-ledge/core';
import { useState } from 'react';
import { useNotYet } from '../api/schedule-queries.ts';
import { CatchUp } from '../panel/run/CatchUp.tsx';
import { NotEnteredNotice } from '../panel/run/NotEnteredNotice.tsx';

/** Panels that are asked about at once: the others come when these are answered. */
const MOST_ASKED = 3;

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
  return (
    <>
      {keys.slice(0, MOST_ASKED).map((key) => (
        <NotEnteredNotice
          key={key}
          panelName={nameOf(key)}
          steps={stepsOf(key)}
          onAsk={() => setOpenKey(key)}
        />
      ))}
      {keys.length > MOST_ASKED && (
        <p className="note">
          {keys.length - MOST_ASKED} more {keys.length - MOST_ASKED === 1 ? 'panel is' : 'panels are'} asked
          about after these.
        </p>
      )}
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
    </>
  );
}
