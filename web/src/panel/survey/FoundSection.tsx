import type { CutLine, Panel, Shop } from '@blue-ledge/core';
import { useMemo } from 'react';
import { StrataSection } from '../../shared/section/StrataSection.tsx';
import { useSize } from '../../shared/use-size.ts';
import { useUnits } from '../../state/units.ts';
import { surveySection } from '../section-input.ts';

interface FoundSectionProps {
  readonly panel: Panel;
  readonly shop: Shop;
  readonly cut: CutLine | null;
  readonly core: string;
  readonly onPick: (zoneId: string) => void;
}

/** The panel in section as it was found: what is typed above shows here at once. */
export function FoundSection({ panel, shop, cut, core, onPick }: FoundSectionProps) {
  const system = useUnits((state) => state.system);
  const input = useMemo(() => surveySection({ panel, shop }, cut), [panel, shop, cut]);
  const [box, { width, height }] = useSize();
  return (
    <section className="pane survey-section" aria-labelledby="found-head">
      <h2 id="found-head">Section as found</h2>
      <div ref={box} className="section-box">
        {width > 0 && (
          <StrataSection
            input={input}
            n={0}
            width={width}
            height={height}
            system={system}
            core={core}
            showsRemoved={false}
            onPick={onPick}
          />
        )}
      </div>
    </section>
  );
}
