import { DownloadOutlined, RightOutlined, SettingOutlined } from '@ant-design/icons';
import {
  contradictionsOf,
  middleLine,
  regionsOf,
  shapeProblems,
  withShape,
  type CutLine,
  type Panel,
} from '@blue-ledge/core';
import { Button } from 'antd';
import { useRef, useState } from 'react';
import { useNavigate, useSearchParams } from 'react-router';
import { saveSvg } from '../../shared/export-drawing.ts';
import { CutHandles } from '../../shared/panel-map/CutHandles.tsx';
import { PanelMap } from '../../shared/panel-map/PanelMap.tsx';
import { useCut } from '../../shared/panel-map/use-cut.ts';
import { ZoneList } from '../../shared/panel-map/ZoneList.tsx';
import { useSize } from '../../shared/use-size.ts';
import { usePanelContext } from '../panel-context.ts';
import { CopySurvey } from './CopySurvey.tsx';
import { FoundSection } from './FoundSection.tsx';
import { PanelFactsDrawer } from './PanelFactsDrawer.tsx';
import { PanelNotice } from './PanelNotice.tsx';
import { ShapeHandles } from './ShapeHandles.tsx';
import { ShapeTools } from './ShapeTools.tsx';
import { SplitBar } from './SplitBar.tsx';
import { usePanelEdit } from './use-panel-edit.ts';
import { ZoneEditor } from './ZoneEditor.tsx';
import './survey.css';

/** What contradicts itself in a zone, its place on the panel included. */
const problemsOf = (panel: Panel, zoneId: string): string[] => [
  ...shapeProblems(panel).flatMap((problem) => (problem.zoneId === zoneId ? [problem.text] : [])),
  ...panel.zones.filter(({ id }) => id === zoneId).flatMap(contradictionsOf),
];

/** Survey: the zones of the panel, what each is made of and what is wrong with it. */
export function SurveyStage() {
  const { key, view } = usePanelContext();
  const navigate = useNavigate();
  const [search, setSearch] = useSearchParams();
  const [mapBox, size] = useSize();
  const map = useRef<HTMLElement>(null);
  const [open, setOpen] = useState<'facts' | 'copy' | null>(null);
  const { panel } = view;
  const edit = usePanelEdit(key, view);
  const [cut] = useCut(panel);
  const zone = panel.zones.find(({ id }) => id === search.get('zone')) ?? panel.zones[0]!;
  const select = (id: string): void => setSearch({ zone: id }, { replace: true });
  const { shape } = zone;
  const [split, setSplit] = useState<{ readonly zoneId: string; readonly line: CutLine } | null>(null);
  /** The line along which the selected zone is about to be split; picking another zone puts it away. */
  const line = split?.zoneId === zone.id ? split.line : null;
  const setLine = (next: CutLine | null): void => setSplit(next && { zoneId: zone.id, line: next });

  return (
    <div className="survey">
      <section ref={map} className="sheet survey-map" aria-labelledby="map-head">
        <header>
          <h2 id="map-head">Panel map</h2>
          <Button
            type="text"
            icon={<DownloadOutlined />}
            aria-label="Save the map as SVG"
            onClick={() => saveSvg(map.current?.querySelector('.map-box svg'), `${panel.id}-map`)}
          />
          <Button icon={<SettingOutlined />} onClick={() => setOpen('facts')}>
            Panel facts
          </Button>
        </header>
        {line ? (
          <SplitBar panel={panel} zoneId={zone.id} line={line} onLine={setLine} onSplit={edit.change} />
        ) : (
          <ShapeTools
            panel={panel}
            zone={zone}
            edit={edit}
            onSelect={select}
            onSplit={() => setLine(middleLine(panel, zone.id))}
            onCopy={() => setOpen('copy')}
          />
        )}
        <div ref={mapBox} className="map-box">
          {size.width > 0 && (
            <PanelMap
              panel={panel}
              width={size.width}
              height={size.height}
              selected={zone.id}
              onSelect={select}
              {...(line
                ? { over: (frame) => <CutHandles use="split" cut={line} frame={frame} onCut={setLine} /> }
                : {})}
              {...(shape && !line
                ? {
                    over: (frame) => (
                      <ShapeHandles
                        key={zone.id}
                        zoneId={zone.id}
                        shape={shape}
                        outline={panel.outline!}
                        frame={frame}
                        onShape={(next) => edit.change(withShape(panel, zone.id, next))}
                      />
                    ),
                  }
                : {})}
            />
          )}
        </div>
        {!regionsOf(panel) && (
          <p className="note map-hint">
            {panel.outline
              ? 'Drawn by area only: shapes cross themselves, or zones have no place yet. Take the last change back, or choose the outline again.'
              : 'Drawn by area only. Give the panel an outline to mark zones in their place.'}
          </p>
        )}
        <ZoneList zones={panel.zones} panelAreaM2={panel.areaM2} selected={zone.id} onSelect={select} />
      </section>
      <div className="survey-zone">
        <PanelNotice edit={edit} />
        <ZoneEditor
          key={zone.id}
          panelKey={key}
          view={view}
          zone={zone}
          problems={problemsOf(panel, zone.id)}
        />
        <FoundSection panel={panel} cut={cut} core={zone.id} onPick={select} />
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
      <PanelFactsDrawer
        panel={panel}
        isOpen={open === 'facts'}
        onClose={() => setOpen(null)}
        onChange={edit.change}
      />
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
