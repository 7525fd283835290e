import { readArea, type Panel, type PanelPatch } from '@blue-ledge/core';
import { patternId } from '../materials/patterns.ts';
import { MapLetter } from './MapLetter.tsx';
import { PatchMark } from './PatchMark.tsx';
import { layoutMap } from './map-layout.ts';

interface NestedMapProps {
  readonly panel: Panel;
  readonly width: number;
  readonly height: number;
  readonly selected?: string | undefined;
  readonly onSelect?: ((zoneId: string) => void) | undefined;
  readonly hasCut: boolean;
  readonly patches: readonly PanelPatch[];
  readonly onReach?: ((patch: PanelPatch, reachMm: number) => void) | undefined;
  readonly lit?: readonly string[] | undefined;
}

/** Where in its zone's box a patch is drawn when nobody marked it, from the top. */
const PATCH_HEIGHT = 0.78;
/** Smaller letters are left out: the list of zones names them all, px. */
const LEAST_LETTER_PX = 12;

/** A panel that nobody has drawn: its zones inside one another, true to their areas. */
export function NestedMap({
  panel,
  width,
  height,
  selected,
  onSelect,
  hasCut,
  patches,
  onReach,
  lit,
}: NestedMapProps) {
  const boxes = layoutMap(panel.zones, panel.areaM2, { width: width - 24, height: height - 8 });
  const core = boxes[boxes.length - 1]?.outline;
  const selectedZone = selected && readArea(selected).zone;
  const cutY = core ? core.y + core.height / 2 + 4 : 0;
  return (
    <svg width={width} height={height} viewBox={`0 0 ${width} ${height}`} role="group" aria-label="Panel map">
      <g transform="translate(12 4)">
        {boxes.map(({ id, outline }) => {
          const zone = panel.zones.find((other) => other.id === id)!;
          const top = zone.layers[zone.layers.length - 1]!.kind;
          return (
            <rect
              key={id}
              x={outline.x}
              y={outline.y}
              width={outline.width}
              height={outline.height}
              rx={outline.corner}
              fill={`url(#${patternId(top)})`}
              stroke={id === selectedZone ? 'var(--blue)' : 'var(--ink)'}
              strokeWidth={id === selectedZone ? 4 : 1.8}
              opacity={!lit || lit.includes(id) ? 1 : 0.3}
              onClick={() => onSelect?.(id)}
              style={{ cursor: onSelect ? 'pointer' : 'default' }}
            />
          );
        })}
      </g>
      <g transform="translate(12 4)">
        {patches.map((patch) => {
          const box = boxes.find(({ id }) => id === patch.zoneId)?.outline;
          if (!box) return null;
          const pxPerMm =
            Math.sqrt((boxes[0]!.outline.width * boxes[0]!.outline.height) / panel.areaM2) / 1000;
          const mine = patches.filter(({ zoneId }) => zoneId === patch.zoneId);
          const share = (mine.indexOf(patch) + 1) / (mine.length + 1);
          return (
            <PatchMark
              key={patch.areaId}
              patch={patch}
              at={[(box.x + box.width * share) / pxPerMm, (box.y + box.height * PATCH_HEIGHT) / pxPerMm]}
              frame={{
                pxPerMm,
                toPx: ([x, y]) => [x * pxPerMm, y * pxPerMm],
                toMm: ([x, y]) => [x / pxPerMm, y / pxPerMm],
              }}
              isSelected={patch.areaId === selected}
              onPick={() => onSelect?.(patch.areaId)}
              onReach={onReach ? (mm) => onReach(patch, mm) : undefined}
            />
          );
        })}
      </g>
      {hasCut && core && <LevelCut y={cutY} width={width} />}
      <g transform="translate(12 4)">
        {boxes
          .filter(({ id, labelPx }) => labelPx >= LEAST_LETTER_PX || id === selectedZone)
          .map(({ id, label, labelPx }) => (
            <MapLetter
              key={id}
              id={id}
              at={label}
              size={Math.max(LEAST_LETTER_PX, labelPx)}
              isSelected={id === selectedZone}
            />
          ))}
      </g>
    </svg>
  );
}

function LevelCut({ y, width }: { readonly y: number; readonly width: number }) {
  return (
    <g pointerEvents="none">
      <line x1="0" x2={width} y1={y} y2={y} stroke="var(--sheet)" strokeWidth="4.5" />
      <line
        x1="0"
        x2={width}
        y1={y}
        y2={y}
        stroke="var(--blue)"
        strokeWidth="2.5"
        strokeDasharray="12 4 3 4"
      />
      {['L', 'L′'].map((text, i) => (
        <g key={text} transform={`translate(${i ? width - 10 : 10} ${y})`}>
          <rect x="-10" y="-10" width="20" height="20" fill="var(--blue)" />
          <text y="5" textAnchor="middle" fill="var(--sheet)" fontSize="13" fontWeight="600">
            {text}
          </text>
        </g>
      ))}
    </g>
  );
}
