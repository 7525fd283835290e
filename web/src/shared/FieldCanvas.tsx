import { useEffect, useRef } from 'react';
import type { Subscribe } from '../workers/use-frames.ts';

/** Draws frames of a blocked panel; each frame's pixels are handed back once they are drawn. */
export function FieldCanvas({ subscribe, label }: { readonly subscribe: Subscribe; readonly label: string }) {
  const canvas = useRef<HTMLCanvasElement>(null);
  useEffect(
    () =>
      subscribe(({ pixels, nx, ny }) => {
        const element = canvas.current;
        const context = element?.getContext('2d');
        if (!element || !context) return;
        if (element.width !== nx || element.height !== ny) {
          element.width = nx;
          element.height = ny;
        }
        context.putImageData(new ImageData(new Uint8ClampedArray(pixels), nx, ny), 0, 0);
      }),
    [subscribe],
  );
  return <canvas ref={canvas} className="field-canvas" role="img" aria-label={label} />;
}
