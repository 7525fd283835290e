import { LAYER_KINDS, patchWords, type PanelPatch, type Zone } from '@blue-ledge/core';
import './zone-list.css';
import { Swatch } from '../materials/Swatch.tsx';
import { useFormat } from '../../state/units.ts';

/** "About 40 chips of 4 mm", "hollow, 90 mm" or "pitted rust, taken as 60 mm". */
function patchText(
  { id, finding, count, placeMm, isAssumed }: PanelPatch,
  quantity: ReturnType<typeof useFormat>['quantity'],
): string {
  const size =
    'lengthMm' in finding && finding.lengthMm
      ? `${quantity('Mm', finding.lengthMm)} long`
      : quantity('Mm', placeMm);
  const taken = isAssumed ? 'taken as ' : '';
  return count > 1 ? `${patchWords(id)}, ${taken}${count} of ${size}` : `${patchWords(id)}, ${taken}${size}`;
}

interface ZoneListProps {
  readonly zones: readonly Zone[];
  /** Damage that is only a part of its zone, listed under it. */
  readonly patches?: readonly PanelPatch[];
  readonly panelAreaM2: number;
  readonly selected: string;
  readonly onSelect: (id: string) => void;
}

/** The zones with letter, surface and area, and how much of the panel they cover. */
export function ZoneList({ zones, patches = [], panelAreaM2, selected, onSelect }: ZoneListProps) {
  const { quantity } = useFormat();
  const covered = zones.reduce((sum, zone) => sum + zone.areaM2, 0);
  return (
    <>
      <ul className="zone-list" aria-label="Zones">
        {zones.map((zone) => {
          const { kind } = zone.layers[zone.layers.length - 1]!;
          return (
            <li key={zone.id}>
              <button
                type="button"
                aria-pressed={zone.id === selected}
                title={zone.name}
                onClick={() => onSelect(zone.id)}
              >
                <span className="zone-letter">{zone.id}</span>
                <Swatch kind={kind} width={36} />
                <span className="zone-name">
                  <span>{zone.name}</span>
                  <span className="note">{LAYER_KINDS[kind].label}</span>
                </span>
                <b>{quantity('M2', zone.areaM2)}</b>
              </button>
              {patches
                .filter(({ zoneId }) => zoneId === zone.id)
                .map((patch) => (
                  <button
                    key={patch.areaId}
                    type="button"
                    className="patch-row"
                    aria-pressed={patch.areaId === selected}
                    onClick={() => onSelect(patch.areaId)}
                  >
                    <span className="patch-sign" aria-hidden="true" />
                    <span>{patchText(patch, quantity)}</span>
                    <b>{quantity('M2', patch.extent.featherM2)}</b>
                  </button>
                ))}
            </li>
          );
        })}
      </ul>
      <p className="note zone-sum">
        Zones cover {quantity('M2', covered)} of the panel’s {quantity('M2', panelAreaM2)}.
      </p>
    </>
  );
}
