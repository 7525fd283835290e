import { LAYER_KINDS, type UnitSystem } from '@blue-ledge/core';
import { useMemo } from 'react';
import { patternId } from '../materials/patterns.ts';
import { CoreStrip } from './CoreStrip.tsx';
import { RemovedFilm } from './RemovedFilm.tsx';
import {
  BreakMark,
  Ground,
  MeasuredMarks,
  OuterBreaks,
  PlaqueMark,
  Ticks,
  ZoneTabs,
} from './SectionMarks.tsx';
import { linePath, ribbonPath } from './paths.ts';
import { layoutSection, measuredMarks, removedUm, type SectionInput } from './section-layout.ts';

interface StrataSectionProps {
  readonly input: SectionInput;
  /** Step whose end is shown; 0 is as found. */
  readonly n: number;
  readonly width: number;
  readonly height: number;
  readonly system: UnitSystem;
  readonly core?: string | undefined;
  readonly showsRemoved: boolean;
  readonly onPick: (zoneId: string) => void;
}

/** Room for the core and its figures at the right of the section, px. */
const CORE_PX = 160;

/** The cross-section along the cut after one step, with what that step took off as a ghost. */
export function StrataSection({
  input,
  n,
  width,
  height,
  system,
  core,
  showsRemoved,
  onPick,
}: StrataSectionProps) {
  const size = useMemo(() => ({ width: width - CORE_PX, height }), [width, height]);
  const now = useMemo(() => layoutSection(input, n, size), [input, n, size]);
  const before = useMemo(() => (n > 0 ? layoutSection(input, n - 1, size) : null), [input, n, size]);
  const bottom = height - 8;
  return (
    <svg
      width="100%"
      viewBox={`0 0 ${width} ${height}`}
      role="group"
      aria-label={describe(input, n)}
      className="section-drawing"
    >
      <Ticks geometry={now} system={system} width={size.width} />
      <Ground geometry={now} substrates={input.substrates} bottom={bottom} />
      {now.ribbons.map((ribbon) => (
        <path
          key={ribbon.slot}
          d={ribbonPath([...ribbon.points]) ?? ''}
          fill={`url(#${patternId(ribbon.kind)})`}
          stroke="var(--ink)"
          strokeWidth="1"
        />
      ))}
      {now.breakY !== null && <BreakMark geometry={now} input={input} />}
      {showsRemoved && before && (
        <RemovedFilm before={before} now={now} removed={removedUm(input, n)} system={system} />
      )}
      <path d={linePath([...now.surface]) ?? ''} fill="none" stroke="var(--ink)" strokeWidth="2.2" />
      <OuterBreaks geometry={now} bottom={bottom} />
      <ZoneTabs geometry={now} core={core} bottom={bottom} onPick={onPick} />
      {core && (
        <CoreStrip
          geometry={now}
          zoneId={core}
          layers={input.strata[n]!.zones[core] ?? []}
          substrate={input.substrates[core] ?? 'steel'}
          tones={input.tones}
          assumed={input.assumed}
          x0={size.width}
          bottom={bottom}
          system={system}
        />
      )}
      <MeasuredMarks marks={measuredMarks(input, n, now)} system={system} />
      {now.plaques.map((plaque) => (
        <PlaqueMark key={`${plaque.kind} ${plaque.x} ${plaque.y}`} plaque={plaque} system={system} />
      ))}
    </svg>
  );
}

/** What the drawing shows, for those who do not see it. */
function describe({ strata, measuredUm }: SectionInput, n: number): string {
  const measured = (id: string): string => {
    const um = measuredUm[id]?.[n] ?? null;
    return um === null ? '' : `, ${Math.round(um)} µm measured`;
  };
  const zones = Object.entries(strata[n]!.zones).map(
    ([id, layers]) =>
      `zone ${id}: ${layers.map((layer) => `${LAYER_KINDS[layer.kind].label} ${Math.round(layer.um)} µm`).join(', ') || 'bare'}${measured(id)}`,
  );
  return `Section ${n === 0 ? 'as found' : `after step ${n}`}; from the substrate up, ${zones.join('; ')}.`;
}
