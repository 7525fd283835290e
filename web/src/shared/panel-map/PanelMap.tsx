import { regionsOf, type CutLine, type Panel, type PanelPatch } from '@blue-ledge/core';
import type { ReactNode } from 'react';
import { NestedMap } from './NestedMap.tsx';
import type { Frame, Point } from './panel-frame.ts';
import { ShapedMap } from './ShapedMap.tsx';
import './panel-map.css';

interface PanelMapProps {
  readonly panel: Panel;
  readonly width: number;
  readonly height: number;
  readonly selected?: string | undefined;
  readonly onSelect?: (zoneId: string) => void;
  /** On a drawn panel, in place of selecting a zone: where in it somebody tapped, mm. */
  readonly onTap?: (zoneId: string, atMm: Point) => void;
  /** Shows where the section is cut: the line itself on a drawn panel, a level one otherwise. */
  readonly cut?: CutLine | null | undefined;
  readonly onCut?: (cut: CutLine) => void;
  /** Damage that is only a part of its zone: drawn as marks. */
  readonly patches?: readonly PanelPatch[];
  /** Where a mark was put, mm of the panel. */
  readonly onPlace?: (patch: PanelPatch, atMm: [number, number]) => void;
  /** How far the edge of a picked mark was drawn, mm from its middle. */
  readonly onReach?: (patch: PanelPatch, reachMm: number) => void;
  readonly over?: (frame: Frame) => ReactNode;
  /** What is drawn on the panel, under the letters of its zones. */
  readonly drawn?: (frame: Frame) => ReactNode;
  /** Zones that are meant: the others are paler. All of them where it is left out. */
  readonly lit?: readonly string[] | undefined;
}

/** The panel from the front. */
export function PanelMap({ panel, cut, onCut, over, patches = [], onPlace, onTap, ...rest }: PanelMapProps) {
  return regionsOf(panel) ? (
    <ShapedMap
      panel={panel}
      cut={cut ?? undefined}
      onCut={onCut}
      over={over}
      patches={patches}
      onPlace={onPlace}
      onTap={onTap}
      {...rest}
    />
  ) : (
    <NestedMap panel={panel} hasCut={cut !== undefined} patches={patches} {...rest} />
  );
}
