import { usualCut, type CutLine, type Panel } from '@blue-ledge/core';
import { useMemo } from 'react';
import { useSearchParams } from 'react-router';

const NUMBERS = 4;

/** Four numbers in mm, from the address; null where they are not. */
function readCut(text: string | null): CutLine | null {
  const numbers = (text ?? '').split(',').map(Number);
  if (numbers.length !== NUMBERS || numbers.some((mm) => !Number.isFinite(mm))) return null;
  const [x1, y1, x2, y2] = numbers as [number, number, number, number];
  const isLine = Math.hypot(x2 - x1, y2 - y1) > 1;
  return isLine
    ? [
        [x1, y1],
        [x2, y2],
      ]
    : null;
}

/** The cut that the section is drawn along: the one in the address, else a level one through the smallest zone. */
export function useCut(panel: Panel): readonly [CutLine | null, (cut: CutLine) => void] {
  const [search, setSearch] = useSearchParams();
  const text = search.get('cut');
  const cut = useMemo(() => (panel.outline ? (readCut(text) ?? usualCut(panel)) : null), [panel, text]);
  const choose = (chosen: CutLine): void =>
    setSearch(
      (old) => {
        const next = new URLSearchParams(old);
        next.set('cut', chosen.flat().join(','));
        return next;
      },
      { replace: true },
    );
  return [cut, choose];
}
