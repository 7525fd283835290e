import type { Defect } from '@blue-ledge/core';
import { DEFECT_DRAWINGS, HEIGHT, WIDTH } from './drawings.tsx';
import './defects.css';

/** A small drawing of a defect; its name stands beside it. */
export const DefectDrawing = ({ defect }: { readonly defect: Defect }) => (
  <svg className="defect-drawing" viewBox={`0 0 ${WIDTH} ${HEIGHT}`} aria-hidden="true" focusable="false">
    <rect width={WIDTH} height={HEIGHT} className="is-coat" />
    {DEFECT_DRAWINGS[defect]}
  </svg>
);
