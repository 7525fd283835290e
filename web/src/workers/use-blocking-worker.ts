import { useEffect, useRef, useState } from 'react';
import type { FromWorker, ToWorker } from './blocking-messages.ts';

export type Tell = (message: ToWorker, transfer?: Transferable[]) => void;

/** A blocking worker for as long as the component lives; `hear` gets what it says. */
export function useBlockingWorker(hear: (message: FromWorker, tell: Tell) => void): Tell {
  const worker = useRef<Worker | null>(null);
  const listener = useRef(hear);
  useEffect(() => {
    listener.current = hear;
  });
  const [fault, setFault] = useState<Error | null>(null);
  const tell = useRef<Tell>((message, transfer = []) => worker.current?.postMessage(message, { transfer }));
  useEffect(() => {
    const started = new Worker(new URL('./blocking-worker.ts', import.meta.url), { type: 'module' });
    worker.current = started;
    started.onmessage = ({ data }: MessageEvent<FromWorker>) => listener.current(data, tell.current);
    started.onerror = ({ message }) => setFault(new Error(`The blocking computation broke down: ${message}`));
    return () => {
      worker.current = null;
      started.terminate();
    };
  }, []);
  // Shown by the stage that asked, as any other fault of a screen.
  if (fault) throw fault;
  // The function never changes; reading it here is as safe as reading a constant.
  // eslint-disable-next-line react-hooks/refs
  return tell.current;
}
