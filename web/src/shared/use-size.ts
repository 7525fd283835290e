import { useCallback, useState } from 'react';

interface Size {
  readonly width: number;
  readonly height: number;
}

/** Inner size of an element in px, followed as it changes; zero until it is on screen. */
export function useSize(): readonly [
  ref: (element: HTMLElement | null) => (() => void) | undefined,
  size: Size,
] {
  const [size, setSize] = useState<Size>({ width: 0, height: 0 });
  const ref = useCallback((element: HTMLElement | null) => {
    if (!element) return undefined;
    const observer = new ResizeObserver(() => {
      const { clientWidth: width, clientHeight: height } = element;
      setSize((old) => (old.width === width && old.height === height ? old : { width, height }));
    });
    observer.observe(element);
    return () => observer.disconnect();
  }, []);
  return [ref, size];
}
