import type { EventView, PanelView } from '@blue-ledge/core';
import type { QueryKey } from '@tanstack/react-query';
import {
  clocksQueryKey,
  jobQueryKey,
  panelQueryKey,
  planQueryKey,
  recordQueryKey,
  shopsQueryKey,
} from './queries.ts';
import { queryClient } from './query-client.ts';

/**
 * What other screens changed, as it happens. One tab of the browser holds the stream for all of them: browsers open only
 * a few connections to a server, and every tab with its own would use them up.
 */

const CHANNEL = 'ledge-events';

const askAgain = (queryKey: QueryKey): void => void queryClient.invalidateQueries({ queryKey });

/** Whether this tab has that version already: it was the one that wrote it. */
function isKnown({ subject, version }: EventView): boolean {
  const [, job = '', , panel = '', , zone] = subject.split('/');
  const seen = queryClient.getQueryData<PanelView>(panelQueryKey({ job, panel }));
  if (!seen || version === undefined) return false;
  return version <= (zone === undefined ? seen.version : (seen.zoneVersions[zone] ?? 0));
}

/** Asks again for what an event is about, where it is on screen. */
export function take(event: EventView): void {
  const [root, id = '', part, panel, rest] = event.subject.split('/');
  if (root === 'clocks') return askAgain(clocksQueryKey);
  if (root === 'shops') {
    askAgain(['schedule', id]);
    if (part === 'schedule') return;
    askAgain(shopsQueryKey);
    for (const name of part === 'stock' ? ['stock'] : ['job', 'panel', 'plan', 'sheets', 'products'])
      askAgain([name]);
    return;
  }
  if (root !== 'jobs') return void queryClient.invalidateQueries();
  askAgain(['jobs']);
  askAgain(['schedule']);
  askAgain(jobQueryKey(id));
  if (part !== 'panels' || panel === undefined) {
    askAgain(['panel', id]);
    askAgain(['plan', id]);
    return;
  }
  const key = { job: id, panel };
  if (rest === 'record') {
    askAgain(recordQueryKey(key));
    askAgain(['entries']);
    return;
  }
  if (rest !== 'plans' && !isKnown(event)) askAgain(panelQueryKey(key));
  askAgain(planQueryKey(key));
}

/** Listens until the page is left. */
export function listen(): void {
  const channel = new BroadcastChannel(CHANNEL);
  channel.onmessage = ({ data }: MessageEvent<EventView>) => take(data);
  const follow = (): Promise<never> =>
    new Promise(() => {
      const stream = new EventSource('/api/events');
      stream.onmessage = ({ data }: MessageEvent<string>) => {
        const event = JSON.parse(data) as EventView;
        take(event);
        channel.postMessage(event);
      };
    });
  // Browsers have locks only where an address is a safe one, as that of this machine is.
  void (navigator.locks ? navigator.locks.request(CHANNEL, follow) : follow());
}
