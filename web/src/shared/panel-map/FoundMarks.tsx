import { innerPlace, readArea, regionsOf, type Panel } from '@blue-ledge/core';
import { useMemo } from 'react';
import '../defects/defects.css';
import { besideLetter } from './patch-layout.ts';
import type { Frame, Point } from './panel-frame.ts';

/** Something that was found or photographed: in its words, on its areas, where it was marked. */
export interface FoundThing {
  readonly id: string;
  readonly kind: 'defect' | 'photo';
  readonly words: string;
  readonly zones: readonly string[];
  readonly atMm?: readonly [number, number] | undefined;
}

const PLAQUE_PX = 24;
const SIGNS: Readonly<Record<FoundThing['kind'], string>> = { defect: '!', photo: '▣' };

/** Where each lies: its mark, else beside the letter of its zone; left out where the zone is not drawn. */
function usePlaces(found: readonly FoundThing[], panel: Panel): (readonly [FoundThing, Point])[] {
  return useMemo(() => {
    const letters = new Map((regionsOf(panel) ?? []).map((region) => [region.zoneId, innerPlace(region)]));
    const zoneOf = ({ zones: [area] }: FoundThing): string => (area === undefined ? '' : readArea(area).zone);
    return found.flatMap((thing) => {
      if (thing.atMm) return [[thing, thing.atMm] as const];
      const letter = letters.get(zoneOf(thing));
      if (!letter) return [];
      const mine = found.filter((other) => !other.atMm && zoneOf(other) === zoneOf(thing));
      return [[thing, besideLetter(letter, mine.indexOf(thing), mine.length)] as const];
    });
  }, [found, panel]);
}

interface FoundMarksProps {
  readonly found: readonly FoundThing[];
  readonly panel: Panel;
  readonly frame: Frame;
  readonly onPick?: ((id: string) => void) | undefined;
}

/** What was found on a panel, as marks on its map. */
export function FoundMarks({ found, panel, frame, onPick }: FoundMarksProps) {
  const places = usePlaces(found, panel);
  return places.map(([{ id, kind, words }, at]) => {
    const [x, y] = frame.toPx(at);
    const acts = onPick
      ? {
          role: 'button',
          tabIndex: 0,
          onClick: () => onPick(id),
          onKeyDown: (event: React.KeyboardEvent) => {
            if (event.key === 'Enter' || event.key === ' ') onPick(id);
          },
        }
      : { role: 'img' };
    return (
      <g
        key={id}
        className={`found-mark is-${kind}`}
        transform={`translate(${x} ${y})`}
        aria-label={words}
        {...acts}
      >
        <title>{words}</title>
        {onPick && <rect x="-22" y="-22" width="44" height="44" fill="transparent" />}
        <rect
          className="plaque"
          x={-PLAQUE_PX / 2}
          y={-PLAQUE_PX / 2}
          width={PLAQUE_PX}
          height={PLAQUE_PX}
          transform={kind === 'defect' ? 'rotate(45)' : undefined}
        />
        <text y="5" textAnchor="middle" aria-hidden="true">
          {SIGNS[kind]}
        </text>
      </g>
    );
  });
}
