import {
  drawnLines,
  drawnShape,
  middleLine,
  patchesOf,
  readArea,
  regionsOf,
  withFreeOutline,
  withLine,
  withNewZone,
  withPatchAt,
  withPatchReach,
  withShape,
  type CutLine,
  type Panel,
  type Polygon,
  type Shop,
  type Zone,
} from '@blue-ledge/core';
import { Button } from 'antd';
import { useMemo, useRef, useState, type ReactNode } from 'react';
import { DownloadOutlined, SettingOutlined } from '../../shared/icons.tsx';
import { saveSvg } from '../../shared/export-drawing.ts';
import { CutHandles } from '../../shared/panel-map/CutHandles.tsx';
import type { Frame, Point } from '../../shared/panel-map/panel-frame.ts';
import { PanelMap } from '../../shared/panel-map/PanelMap.tsx';
import { ZoneList } from '../../shared/panel-map/ZoneList.tsx';
import { useSize } from '../../shared/use-size.ts';
import { DrawBar } from './DrawBar.tsx';
import { DrawnLine } from './DrawnLine.tsx';
import { LineBar } from './LineBar.tsx';
import { OutlineBar } from './OutlineBar.tsx';
import { ShapeBar } from './ShapeBar.tsx';
import { ShapeHandles } from './ShapeHandles.tsx';
import { ShapeTools } from './ShapeTools.tsx';
import { SplitBar } from './SplitBar.tsx';
import type { PanelEditor } from './use-panel-edit.ts';

interface SurveyMapProps {
  readonly panel: Panel;
  readonly shop: Shop;
  readonly zone: Zone;
  readonly edit: PanelEditor;
  readonly onSelect: (zoneId: string) => void;
  readonly onFacts: () => void;
  readonly onCopy: () => void;
}

/** A tool of the map that is at work; without one nothing on it moves but marks that were picked. */
type AtWork =
  | { readonly tool: 'draw'; readonly isTooSmall: boolean }
  | { readonly tool: 'shape'; readonly zoneId: string }
  | { readonly tool: 'split'; readonly zoneId: string; readonly line: CutLine }
  | { readonly tool: 'lines'; readonly nth: number }
  | { readonly tool: 'outline' };

/** The panel from the front: zones are picked, shaped, added and parted on it; its body lines and outline as well. */
export function SurveyMap({ panel, shop, zone, edit, onSelect, onFacts, onCopy }: SurveyMapProps) {
  const [mapBox, size] = useSize();
  const patches = useMemo(() => patchesOf(panel, shop.rules), [panel, shop]);
  const [patchId, setPatchId] = useState<string | null>(null);
  // A picked patch stays picked as long as it is there and its zone is.
  const picked = patches.some(({ areaId, zoneId }) => areaId === patchId && zoneId === zone.id)
    ? patchId!
    : zone.id;
  const pick = (id: string): void => {
    setPatchId(id);
    onSelect(readArea(id).zone);
  };
  const map = useRef<HTMLElement>(null);
  const [chosen, setAtWork] = useState<AtWork | null>(null);
  // Picking another zone ends work on this one.
  const atWork = chosen && 'zoneId' in chosen && chosen.zoneId !== zone.id ? null : chosen;
  const end = (): void => setAtWork(null);
  const add = (shape?: Polygon): void => {
    const { panel: next, id } = withNewZone(panel, zone, shape);
    edit.change(next);
    onSelect(id);
    setAtWork({ tool: 'shape', zoneId: id });
  };
  const work = workOf({ panel, zone, edit, size, atWork, setAtWork, end, add });
  const split = (): void => {
    const line = middleLine(panel, zone.id);
    if (line) setAtWork({ tool: 'split', zoneId: zone.id, line });
  };
  return (
    <section ref={map} className="pane survey-map" aria-labelledby="map-head">
      <header>
        <h2 id="map-head">Panel map</h2>
        <Button
          type="text"
          icon={<DownloadOutlined />}
          aria-label="Save the map as SVG"
          title="Save the map as SVG"
          onClick={() => saveSvg(map.current?.querySelector('.map-box svg'), `${panel.id}-map`)}
        />
        <Button icon={<SettingOutlined />} onClick={onFacts}>
          Panel facts
        </Button>
      </header>
      {work.bar ?? (
        <ShapeTools
          panel={panel}
          zone={zone}
          edit={edit}
          onSelect={onSelect}
          onAdd={() => (panel.outline ? setAtWork({ tool: 'draw', isTooSmall: false }) : add())}
          onShape={() => setAtWork({ tool: 'shape', zoneId: zone.id })}
          onSplit={split}
          onLines={() => setAtWork({ tool: 'lines', nth: 0 })}
          onOutline={() => setAtWork({ tool: 'outline' })}
          onCopy={onCopy}
        />
      )}
      <div ref={mapBox} className="map-box">
        {size.width > 0 && (
          <PanelMap
            panel={panel}
            width={size.width}
            height={size.height}
            patches={patches}
            onPlace={(patch, atMm) => edit.change(withPatchAt(panel, patch, atMm))}
            onReach={(patch, mm) => edit.change(withPatchReach(panel, patch, mm))}
            selected={picked}
            onSelect={pick}
            {...(work.handles ? { over: work.handles } : {})}
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
      <ZoneList
        zones={panel.zones}
        patches={patches}
        panelAreaM2={panel.areaM2}
        selected={picked}
        onSelect={pick}
      />
    </section>
  );
}

interface Workbench extends Pick<SurveyMapProps, 'panel' | 'zone' | 'edit'> {
  readonly size: { readonly width: number; readonly height: number };
  readonly atWork: AtWork | null;
  readonly setAtWork: (atWork: AtWork) => void;
  readonly end: () => void;
  /** Adds a zone, where there is room for it or as it was drawn. */
  readonly add: (shape?: Polygon) => void;
}

/** The bar of the tool that is at work, and what can be taken hold of on the map. */
function workOf({ panel, zone, edit, size, atWork, setAtWork, end, add }: Workbench): {
  readonly bar?: ReactNode;
  readonly handles?: (frame: Frame) => ReactNode;
} {
  const common = { panel, onPanel: edit.change, onEnd: end };
  switch (atWork?.tool) {
    case 'draw': {
      const drawn = (line: readonly Point[]): void => {
        const shape = drawnShape(line, panel.outline!);
        if (shape) add(shape);
        else setAtWork({ tool: 'draw', isTooSmall: true });
      };
      return {
        bar: <DrawBar isTooSmall={atWork.isTooSmall} onMiddle={() => add()} onEnd={end} />,
        handles: (frame) => <DrawnLine {...size} frame={frame} onDrawn={drawn} />,
      };
    }
    case 'shape': {
      const { shape } = zone;
      return {
        bar: <ShapeBar {...common} zone={zone} onUndo={edit.undo} />,
        ...(shape && {
          handles: (frame) => (
            <ShapeHandles
              key={zone.id}
              what={`zone ${zone.id}`}
              shape={shape}
              snapTo={panel.outline}
              frame={frame}
              onShape={(next) => edit.change(withShape(panel, zone.id, next))}
            />
          ),
        }),
      };
    }
    case 'split': {
      const setLine = (line: CutLine): void => setAtWork({ ...atWork, line });
      return {
        bar: <SplitBar {...common} zoneId={zone.id} line={atWork.line} onLine={setLine} />,
        handles: (frame) => <CutHandles use="split" cut={atWork.line} frame={frame} onCut={setLine} />,
      };
    }
    case 'lines': {
      const line = drawnLines(panel)[atWork.nth];
      return {
        bar: (
          <LineBar
            {...common}
            onUndo={edit.undo}
            nth={atWork.nth}
            onNth={(nth) => setAtWork({ tool: 'lines', nth })}
          />
        ),
        ...(line && {
          handles: (frame) => (
            <ShapeHandles
              key={atWork.nth}
              what={`body line ${atWork.nth + 1}`}
              shape={line}
              isOpen
              snapTo={panel.outline}
              frame={frame}
              onShape={(next) => edit.change(withLine(panel, atWork.nth, next))}
            />
          ),
        }),
      };
    }
    case 'outline':
      return {
        bar: <OutlineBar {...common} onUndo={edit.undo} />,
        handles: (frame) => (
          <ShapeHandles
            what="the panel"
            shape={panel.outline!}
            frame={frame}
            onShape={(next) => edit.change(withFreeOutline(panel, next))}
          />
        ),
      };
  }
  return {};
}
