import './theme/fonts.ts';
import './theme/tokens.css';
import './theme/base.css';
import { QueryClientProvider } from '@tanstack/react-query';
import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { RouterProvider } from 'react-router';
import { queryClient } from './api/query-client.ts';
import { listen } from './api/events.ts';
import { startOutbox } from './outbox/sender.ts';
import { loadAhead } from './state/ahead.ts';
import { followFaults } from './state/faults.ts';
import { followVersions } from './state/new-version.ts';
import { router } from './router.tsx';
import { Themed } from './shell/Themed.tsx';

// Writes that were on their way when the page was left go on now.
startOutbox();
void listen();
followFaults();
followVersions();
loadAhead();

createRoot(document.getElementById('root')!).render(
  <StrictMode>
    <Themed>
      <QueryClientProvider client={queryClient}>
        <RouterProvider router={router} />
      </QueryClientProvider>
    </Themed>
  </StrictMode>,
);
