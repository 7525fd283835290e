import { contradictionsOf, shapeProblems, type Panel, type Stored } from '@blue-ledge/core';
import { Button } from 'antd';
import { useState } from 'react';
import { useNavigate, useSearchParams } from 'react-router';
import { RightOutlined } from '../../shared/icons.tsx';
import { useCut } from '../../shared/panel-map/use-cut.ts';
import { useFormat } from '../../state/units.ts';
import { usePanelContext } from '../panel-context.ts';
import { CopySurvey } from './CopySurvey.tsx';
import { FoundSection } from './FoundSection.tsx';
import { PanelFactsDrawer } from './PanelFactsDrawer.tsx';
import { SaveNotice } from './SaveNotice.tsx';
import { SurveyMap } from './SurveyMap.tsx';
import { usePanelEdit } from './use-panel-edit.ts';
import { ZoneEditor } from './ZoneEditor.tsx';
import './survey.css';

/** What contradicts itself in a zone, its place on the panel included. */
const problemsOf = (panel: Panel, zoneId: string): Stored[] => [
  ...shapeProblems(panel).filter((problem) => problem.zoneId === zoneId),
  ...panel.zones.filter(({ id }) => id === zoneId).flatMap(contradictionsOf),
];

/** Survey: the zones of the panel, what each is made of and what is wrong with it. */
export function SurveyStage() {
  const { key, view } = usePanelContext();
  const navigate = useNavigate();
  const [search, setSearch] = useSearchParams();
  const [open, setOpen] = useState<'facts' | 'copy' | null>(null);
  const { panel } = view;
  const edit = usePanelEdit(key, view);
  const { said } = useFormat();
  const [cut] = useCut(panel);
  const zone = panel.zones.find(({ id }) => id === search.get('zone')) ?? panel.zones[0]!;
  const select = (id: string): void => setSearch({ zone: id }, { replace: true });

  return (
    <div className="survey">
      <SurveyMap
        panel={panel}
        shop={view.shop}
        zone={zone}
        edit={edit}
        onSelect={select}
        onFacts={() => setOpen('facts')}
        onCopy={() => setOpen('copy')}
      />
      <div className="survey-zone">
        <SaveNotice edit={edit} />
        <ZoneEditor
          key={zone.id}
          panelKey={key}
          view={view}
          zone={zone}
          problems={problemsOf(panel, zone.id).map(said)}
        />
        <FoundSection panel={panel} shop={view.shop} cut={cut} core={zone.id} onPick={select} />
      </div>
      <Button
        type="primary"
        className="ledge-button survey-next"
        iconPlacement="end"
        icon={<RightOutlined />}
        onClick={() => void navigate('../system')}
      >
        Choose a system
      </Button>
      {open === 'facts' && (
        <PanelFactsDrawer panel={panel} onClose={() => setOpen(null)} onChange={edit.change} />
      )}
      {open === 'copy' && (
        <CopySurvey
          panelKey={key}
          panel={panel}
          onClose={() => setOpen(null)}
          onCopy={(next) => {
            edit.change(next);
            select(next.zones[0]!.id);
            setOpen(null);
          }}
        />
      )}
    </div>
  );
}
