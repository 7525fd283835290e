import { create } from 'zustand';

/** Whether the server answers; while it does not, it is asked again every few seconds. */
const AGAIN_MS = 2000;

export const useConnection = create<{ isLost: boolean }>(() => ({ isLost: false }));

let timer: ReturnType<typeof setTimeout> | undefined;
const listeners = new Set<() => void>();

async function askAgain(): Promise<void> {
  const health = await fetch('/api/health').catch(() => null);
  if (health?.ok) connection.found();
  else timer = setTimeout(() => void askAgain(), AGAIN_MS);
}

export const connection = {
  lost(): void {
    if (useConnection.getState().isLost) return;
    useConnection.setState({ isLost: true });
    timer = setTimeout(() => void askAgain(), AGAIN_MS);
  },
  found(): void {
    if (!useConnection.getState().isLost) return;
    clearTimeout(timer);
    useConnection.setState({ isLost: false });
    for (const listener of listeners) listener();
  },
  /** Calls back when the server answers again; returns how to stop. */
  onBack(listener: () => void): () => void {
    listeners.add(listener);
    return () => listeners.delete(listener);
  },
};
