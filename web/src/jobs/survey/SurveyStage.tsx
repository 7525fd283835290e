import { RightOutlined } from '@ant-design/icons';
import { Button } from 'antd';
import { useNavigate, useSearchParams } from 'react-router';
import { PanelMap } from '../../shared/panel-map/PanelMap.tsx';
import { useSize } from '../../shared/use-size.ts';
import { usePanelContext } from '../panel-context.ts';
import { FoundSection } from './FoundSection.tsx';
import { ZoneEditor } from './ZoneEditor.tsx';
import { ZoneList } from '../../shared/panel-map/ZoneList.tsx';
import './survey.css';

/** Survey: the zones of the panel, what each is made of and what is wrong with it. */
export function SurveyStage() {
  const { key, view } = usePanelContext();
  const navigate = useNavigate();
  const [search, setSearch] = useSearchParams();
  const [mapBox, size] = useSize();
  const { panel } = view;
  const zone = panel.zones.find(({ id }) => id === search.get('zone')) ?? panel.zones[0]!;
  const select = (id: string): void => setSearch({ zone: id }, { replace: true });

  return (
    <div className="survey">
      <section className="sheet survey-map" aria-labelledby="map-head">
        <h2 id="map-head">Panel map</h2>
        <div ref={mapBox} className="map-box">
          {size.width > 0 && (
            <PanelMap
              zones={panel.zones}
              areaM2={panel.areaM2}
              width={size.width}
              height={size.height}
              selected={zone.id}
              onSelect={select}
            />
          )}
        </div>
        <ZoneList zones={panel.zones} panelAreaM2={panel.areaM2} selected={zone.id} onSelect={select} />
      </section>
      <div className="survey-zone">
        <ZoneEditor key={zone.id} panelKey={key} view={view} zone={zone} />
        <FoundSection panel={panel} core={zone.id} onPick={select} />
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
    </div>
  );
}
