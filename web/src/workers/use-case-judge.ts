import type { ActInput, CaseVerdict } from '@blue-ledge/core';
import { useEffect, useRef, useState } from 'react';
import type { CaseAnswer, CaseAsk } from './case-messages.ts';

export interface CaseJudge {
  readonly verdict: CaseVerdict | null;
  readonly fault: string | null;
  readonly isJudging: boolean;
  readonly judge: (acts: readonly ActInput[]) => void;
  /** What was judged is not what is on the bench any more. */
  readonly forget: () => void;
}

type Heard = Pick<CaseJudge, 'verdict' | 'fault' | 'isJudging'>;
const NOTHING: Heard = { verdict: null, fault: null, isJudging: false };

/** A judge of one case for as long as it is on screen; the last question counts. */
export function useCaseJudge(caseId: string, onVerdict: (verdict: CaseVerdict) => void): CaseJudge {
  const worker = useRef<Worker | null>(null);
  const asked = useRef(0);
  const listener = useRef(onVerdict);
  const [heard, setHeard] = useState(NOTHING);
  useEffect(() => {
    listener.current = onVerdict;
  });
  useEffect(() => {
    const started = new Worker(new URL('./case-worker.ts', import.meta.url), { type: 'module' });
    worker.current = started;
    started.onmessage = ({ data }: MessageEvent<CaseAnswer>) => {
      if (data.id !== asked.current) return;
      if ('fault' in data) return setHeard({ ...NOTHING, fault: data.fault });
      setHeard({ ...NOTHING, verdict: data.verdict });
      listener.current(data.verdict);
    };
    started.onerror = ({ message }) => setHeard({ ...NOTHING, fault: `The judge broke down: ${message}` });
    return () => {
      worker.current = null;
      started.terminate();
    };
  }, []);
  return {
    ...heard,
    judge: (acts) => {
      asked.current += 1;
      setHeard({ ...NOTHING, isJudging: true });
      worker.current?.postMessage({ id: asked.current, caseId, acts } satisfies CaseAsk);
    },
    forget: () => {
      asked.current += 1;
      setHeard(NOTHING);
    },
  };
}
