import { useCallback, useRef } from 'react';
import type { Frame } from './blocking-messages.ts';
import type { Tell } from './use-blocking-worker.ts';

/** Draws a frame as soon as it is called. */
export type Draw = (frame: Frame) => void;
export type Subscribe = (draw: Draw) => () => void;

export interface Frames {
  /** Calls back with each frame until the returned function is called. */
  readonly subscribe: Subscribe;
  /** Shows a frame to all who asked, and gives its pixels back to the worker. */
  readonly show: (frame: Frame, answer: Tell) => void;
}

/** Frames of a worker, drawn past React: a picture a stroke is none of its business. */
export function useFrames(): Frames {
  const draws = useRef(new Set<Draw>());
  const subscribe = useCallback((draw: Draw) => {
    const all = draws.current;
    all.add(draw);
    return () => {
      all.delete(draw);
    };
  }, []);
  const show = (frame: Frame, answer: Tell): void => {
    draws.current.forEach((draw) => draw(frame));
    answer({ kind: 'return', pixels: frame.pixels }, [frame.pixels]);
  };
  return { subscribe, show };
}
