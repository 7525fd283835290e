import {
  SCHOOLS,
  schoolOf,
  schoolsInPlay,
  type PanelView,
  type SchoolName,
  type Schools,
} from '@blue-ledge/core';
import { Button, Drawer, Radio } from 'antd';
import { useState } from 'react';
import { SCHOOL_HEADS } from '../school-heads.ts';

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
  const choose = (name: SchoolName, side: string): void => {
    const { [name]: _, ...others } = own;
    const isShops = schoolOf(view.shop.schools, name).side === side;
    setOwn(isShops ? others : { ...others, [name]: side });
  };
  return (
    <Drawer
      open
      title="Schools of this plan"
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
        <School
          key={name}
          name={name}
          shops={schoolOf(view.shop.schools, name).side}
          side={own[name] ?? schoolOf(view.shop.schools, name).side}
          onChoose={(side) => choose(name, side)}
        />
      ))}
    </Drawer>
  );
}

interface SchoolProps {
  readonly name: SchoolName;
  readonly shops: string;
  readonly side: string;
  readonly onChoose: (side: string) => void;
}

function School({ name, shops, side, onChoose }: SchoolProps) {
  const sides = Object.entries(SCHOOLS[name] as Record<string, { label: string; reason: string }>);
  return (
    <fieldset className="school">
      <legend>{SCHOOL_HEADS[name]}</legend>
      <Radio.Group value={side} onChange={({ target }) => onChoose(String(target.value))}>
        {sides.map(([value, { label, reason }]) => (
          <Radio key={value} value={value}>
            <b>{label}</b>
            {value === shops && <span className="note"> (this shop’s way)</span>}
            <span className="note school-reason">{reason}</span>
          </Radio>
        ))}
      </Radio.Group>
    </fieldset>
  );
}
