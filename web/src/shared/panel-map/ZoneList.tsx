import { LAYER_KINDS, type Zone } from '@blue-ledge/core';
import './zone-list.css';
import { Swatch } from '../materials/Swatch.tsx';
import { useFormat } from '../../state/units.ts';

interface ZoneListProps {
  readonly zones: readonly Zone[];
  readonly panelAreaM2: number;
  readonly selected: string;
  readonly onSelect: (id: string) => void;
}

/** The zones with letter, surface and area, and how much of the panel they cover. */
export function ZoneList({ zones, panelAreaM2, selected, onSelect }: ZoneListProps) {
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
