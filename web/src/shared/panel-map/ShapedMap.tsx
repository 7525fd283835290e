import {
  drawnLines,
  innerPlace,
  readArea,
  regionsOf,
  type CutLine,
  type Panel,
  type PanelPatch,
} from '@blue-ledge/core';
import { useMemo, type MouseEvent, type ReactNode } from 'react';
import { patternId } from '../materials/patterns.ts';
import { CutHandles } from './CutHandles.tsx';
import { MapLetter } from './MapLetter.tsx';
import { PatchMark } from './PatchMark.tsx';
import { besideLetter } from './patch-layout.ts';
import { frameOf, linePath, regionPath, ringPath, type Frame, type Point } from './panel-frame.ts';

interface ShapedMapProps {
  readonly panel: Panel;
  readonly width: number;
  readonly height: number;
  readonly selected?: string | undefined;
  readonly onSelect?: ((zoneId: string) => void) | undefined;
  /** In place of selecting a zone: where in it somebody tapped, mm. */
  readonly onTap?: ((zoneId: string, atMm: Point) => void) | undefined;
  readonly cut?: CutLine | undefined;
  readonly onCut?: ((cut: CutLine) => void) | undefined;
  readonly patches: readonly PanelPatch[];
  readonly onPlace?: ((patch: PanelPatch, atMm: [number, number]) => void) | undefined;
  readonly onReach?: ((patch: PanelPatch, reachMm: number) => void) | undefined;
  /** What is drawn over the map: handles of the shape that is being edited. */
  readonly over?: ((frame: Frame) => ReactNode) | undefined;
  readonly drawn?: ((frame: Frame) => ReactNode) | undefined;
  readonly lit?: readonly string[] | undefined;
}

/** A letter's plaque: as large as its zone has room for, px. */
const LETTER_PX = 24;
const LEAST_LETTER_PX = 14;

/** The panel in its outline: zones by pattern and letter, overlaps settled, and the line of the cut. */
export function ShapedMap({
  panel,
  width,
  height,
  selected,
  onSelect,
  onTap,
  cut,
  onCut,
  patches,
  onPlace,
  onReach,
  over,
  drawn,
  lit,
}: ShapedMapProps) {
  const regions = useMemo(() => regionsOf(panel) ?? [], [panel]);
  const letters = useMemo(() => regions.map(innerPlace), [regions]);
  // A picked patch shows its zone as well.
  const selectedZone = selected && readArea(selected).zone;
  const frame = useMemo(() => frameOf(panel.outline!, { width, height }), [panel.outline, width, height]);
  return (
    <svg width={width} height={height} viewBox={`0 0 ${width} ${height}`} role="group" aria-label="Panel map">
      {regions.map((region, i) => {
        const { layers } = panel.zones[i]!;
        return (
          <path
            key={region.zoneId}
            d={regionPath(region, frame)}
            fillRule="evenodd"
            fill={`url(#${patternId(layers[layers.length - 1]!.kind)})`}
            stroke="var(--ink)"
            strokeWidth="1.8"
            opacity={opacityOf(region.zoneId, lit)}
            onClick={(event) =>
              onTap ? onTap(region.zoneId, frame.toMm(pointIn(event))) : onSelect?.(region.zoneId)
            }
            style={{ cursor: onTap ? 'crosshair' : onSelect ? 'pointer' : 'default' }}
          />
        );
      })}
      {regions
        .filter(({ zoneId }) => zoneId === selectedZone)
        .map((region) => (
          <path
            key="selected"
            d={regionPath(region, frame)}
            fill="none"
            stroke="var(--blue)"
            strokeWidth="4"
            pointerEvents="none"
          />
        ))}
      <path
        d={ringPath(panel.outline!, frame)}
        fill="none"
        stroke="var(--ink)"
        strokeWidth="2.4"
        pointerEvents="none"
      />
      {drawnLines(panel).map((line, i) => (
        <BodyLine key={i} path={linePath(line, frame)} />
      ))}
      {patches.map((patch) => {
        const nth = regions.findIndex(({ zoneId }) => zoneId === patch.zoneId);
        const place = letters[nth];
        if (!place) return null;
        const mine = patches.filter(({ zoneId }) => zoneId === patch.zoneId);
        return (
          <PatchMark
            key={patch.areaId}
            patch={patch}
            at={patch.finding.atMm ?? besideLetter(place, mine.indexOf(patch), mine.length)}
            frame={frame}
            isSelected={patch.areaId === selected}
            onPick={() => onSelect?.(patch.areaId)}
            onPlace={onPlace && ((atMm) => onPlace(patch, atMm))}
            onReach={onReach ? (mm) => onReach(patch, mm) : undefined}
          />
        );
      })}
      {drawn?.(frame)}
      {cut && <CutHandles cut={cut} frame={frame} onCut={onCut} />}
      {regions.map(({ zoneId }, i) => {
        const place = letters[i];
        if (!place) return null;
        const size = Math.min(LETTER_PX, Math.max(LEAST_LETTER_PX, 2 * place.clearMm * frame.pxPerMm));
        return (
          <MapLetter
            key={zoneId}
            id={zoneId}
            at={frame.toPx(place.at)}
            size={size}
            isSelected={zoneId === selectedZone}
          />
        );
      })}
      {over?.(frame)}
    </svg>
  );
}

/** Where on the drawing somebody tapped, px. */
function pointIn({ currentTarget, clientX, clientY }: MouseEvent<SVGElement>): Point {
  const { left, top } = currentTarget.ownerSVGElement!.getBoundingClientRect();
  return [clientX - left, clientY - top];
}

/** What is not meant is paler. */
const opacityOf = (zoneId: string, lit: readonly string[] | undefined): number =>
  !lit || lit.includes(zoneId) ? 1 : 0.3;

/** A body line: a crease in the panel, light on one side. */
const BodyLine = ({ path }: { readonly path: string }) => (
  <g fill="none" pointerEvents="none">
    <path d={path} stroke="var(--sheet)" strokeWidth="5" />
    <path d={path} stroke="var(--ink)" strokeWidth="1.6" strokeDasharray="14 3" />
  </g>
);
