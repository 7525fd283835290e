import { QueryClient } from '@tanstack/react-query';
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
