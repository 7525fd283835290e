import { formatNumber, stepTitle } from '@blue-ledge/core';
import { Button, Checkbox, Popover } from 'antd';
import { useRef, useState } from 'react';
import { DownloadOutlined } from '../../shared/icons.tsx';
import { saveSvg, savePng } from '../../shared/export-drawing.ts';
import { Legend } from '../../shared/section/Legend.tsx';
import { StrataSection } from '../../shared/section/StrataSection.tsx';
import type { SectionInput } from '../../shared/section/section-layout.ts';
import { useSize } from '../../shared/use-size.ts';
import { useFormat } from '../../state/units.ts';
import { Scrubber } from './Scrubber.tsx';
import type { Selection } from './use-selection.ts';

/** The strata section after the step that is looked at, and the scrubber that moves through the steps. */
export function SectionPanel({
  input,
  selection,
  onMap,
}: {
  readonly input: SectionInput;
  readonly selection: Selection;
  /** Opens the map, where it has no column of its own. */
  readonly onMap: () => void;
}) {
  const { system, n, core, showStep, showCore } = selection;
  const { system: units, quantity } = useFormat();
  const [showsRemoved, setShowsRemoved] = useState(true);
  const [box, size] = useSize();
  const panel = useRef<HTMLElement>(null);
  const drawing = (): Element | null | undefined => panel.current?.querySelector('.section-drawing');
  const fileName = `section-step-${n}`;
  const step = system.steps[n - 1];
  const when = step ? `step ${n}, ${stepTitle(step).toLowerCase()}` : 'as found';
  const { level } = system;
  return (
    <section ref={panel} className="pane system-section" aria-labelledby="section-head">
      <header>
        <h2 id="section-head">Section L–L′</h2>
        <span className="section-when" title={when}>
          {when}
        </span>
        {level && (
          <span className="section-level">
            step left <b>{formatNumber('Um', level.ledgeUm, units)}</b> of {quantity('Um', level.limitUm)}
          </span>
        )}
        <Button type="text" className="map-button" onClick={onMap}>
          Map
        </Button>
        <Popover
          trigger="click"
          placement="bottomRight"
          content={
            <div className="section-more">
              <Legend input={input} />
              <Button icon={<DownloadOutlined />} onClick={() => saveSvg(drawing(), fileName)}>
                Save as SVG
              </Button>
              <Button icon={<DownloadOutlined />} onClick={() => void savePng(drawing(), fileName)}>
                Save as PNG
              </Button>
            </div>
          }
        >
          <Button type="text">Legend, save</Button>
        </Popover>
        <Checkbox checked={showsRemoved} onChange={({ target }) => setShowsRemoved(target.checked)}>
          Removed film
        </Checkbox>
      </header>
      <div ref={box} className="section-box">
        {size.width > 0 && (
          <StrataSection
            input={input}
            n={n}
            width={size.width}
            height={size.height}
            system={units}
            core={core}
            showsRemoved={showsRemoved}
            onPick={showCore}
          />
        )}
      </div>
      <Scrubber input={input} steps={system.steps} n={n} core={core} onMove={showStep} />
    </section>
  );
}
