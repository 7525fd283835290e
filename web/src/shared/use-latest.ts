import { useEffect, useRef, type RefObject } from 'react';

/** The value of the last render, for what happens between renders. */
export function useLatest<T>(value: T): RefObject<T> {
  const latest = useRef(value);
  useEffect(() => {
    latest.current = value;
  });
  return latest;
}
