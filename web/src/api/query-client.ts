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

/**
 * Something changed on the server: what is on screen is asked for again, what is not is no longer taken for fresh. An
 * answer that is on its way for a page that was left would otherwise pass for new when the page is opened again.
 */
export function askAgain(queryKey: QueryKey): void {
  const left = queryClient.getQueryCache().findAll({ queryKey, type: 'inactive', fetchStatus: 'fetching' });
  void queryClient.invalidateQueries({ queryKey });
  for (const query of left) askAgainWhenAnswered(query.queryKey);
}

/** An answer that is on its way may be older than what was just saved: once it is here, it is asked for again. */
export function askAgainWhenAnswered(queryKey: QueryKey): void {
  const query = queryClient.getQueryCache().find({ queryKey });
  if (!query || query.state.fetchStatus === 'idle') return;
  const isAnswered = query.promise?.catch(() => undefined) ?? Promise.resolve();
  void isAnswered.then(() => queryClient.invalidateQueries({ queryKey }));
}
