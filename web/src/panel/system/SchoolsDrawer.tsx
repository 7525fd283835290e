import { schoolOf, schoolsInPlay, type PanelView, type SchoolName, type Schools } from '@blue-ledge/core';
import { Button } from 'antd';
import { useState } from 'react';
import { SideDrawer } from '../../shared/dialog/SideDrawer.tsx';
import { SchoolChoice } from '../../shared/SchoolChoice.tsx';

interface SchoolsDrawerProps {
  readonly view: PanelView;
  /** Sides chosen for the plan that is shown. */
  readonly chosen: Schools;
  readonly onClose: () => void;
  /** Plans with these sides; none of them is the shop's own way. */
  readonly onPlan: (schools: Schools) => void;
}

/** Where practitioners differ: both sides with their reasons, chosen for this plan only. */
export function SchoolsDrawer({ view, chosen, onClose, onPlan }: SchoolsDrawerProps) {
  const [own, setOwn] = useState<Schools>(chosen);
  const names = schoolsInPlay(view.panel);
  const isOwn = Object.keys(own).length > 0;
  const shops = (name: SchoolName): string => schoolOf(view.shop.schools, name).side;
  const choose = (name: SchoolName, side: string): void => {
    const { [name]: _, ...others } = own;
    setOwn(side === shops(name) ? others : { ...others, [name]: side });
  };
  return (
    <SideDrawer
      title="Ways of working, for this plan"
      size={460}
      onClose={onClose}
      footer={
        <div className="drawer-acts">
          <Button onClick={() => onPlan({})} disabled={!isOwn && Object.keys(chosen).length === 0}>
            As the shop works
          </Button>
          <Button type="primary" className="ledge-button" onClick={() => onPlan(own)}>
            Plan with these
          </Button>
        </div>
      }
    >
      <p className="note">
        Practitioners differ here, each side with its reason. What is chosen holds for this plan; the shop’s
        own way stays as it is.
      </p>
      {names.map((name) => (
        <SchoolChoice
          key={name}
          name={name}
          side={own[name] ?? shops(name)}
          noteOf={(side) => (side === shops(name) ? ' (this shop’s way)' : '')}
          onChoose={(side) => choose(name, side)}
        />
      ))}
    </SideDrawer>
  );
}
