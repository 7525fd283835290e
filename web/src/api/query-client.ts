import { QueryClient, type QueryKey } from '@tanstack/react-query';
import { connection } from '../state/connection.ts';
import { Unreachable } from './http.ts';

/** What the server owns is read through here; a server that is away is asked again until it is back. */
export const queryClient = new QueryClient({
  defaultOptions: {
    queries: {
      staleTime: 30_000,
      networkMode: 'always',
      retry: (nTries, error) => error instanceof Unreachable && nTries < 60,
      retryDelay: 1500,
    },
    mutations: { networkMode: 'always' },
  },
});

connection.onBack(() => void queryClient.invalidateQueries());

/** An answer that is on its way may be older than what was just saved: once it is here, it is asked for again. */
export function askAgainWhenAnswered(queryKey: QueryKey): void {
  const query = queryClient.getQueryCache().find({ queryKey });
  if (!query || query.state.fetchStatus === 'idle') return;
  const isAnswered = query.promise?.catch(() => undefined) ?? Promise.resolve();
  void isAnswered.then(() => queryClient.invalidateQueries({ queryKey }));
}
