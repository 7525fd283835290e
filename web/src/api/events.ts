import type { EventView, PanelView } from '@blue-ledge/core';
import {
  clocksQueryKey,
  jobQueryKey,
  panelQueryKey,
  planQueryKey,
  recordQueryKey,
  shopsQueryKey,
} from './queries.ts';
import { askAgain, queryClient } from './query-client.ts';

/**
 * What other screens changed, as it happens. One tab of the browser holds the stream for all of them: browsers open only
 * a few connections to a server, and every tab with its own would use them up.
 */

const CHANNEL = 'ledge-events';

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

/** What is said where nobody knows what was missed: everything on screen is asked for again. */
const ALL_CHANGED: EventView = { seq: 0, subject: '', kind: 'all.changed' };

/** A stream that the server refused, as one that is just starting does behind a proxy, is opened anew after this. */
const OPEN_AGAIN_MS = 2000;
/** A stream that takes longer to open may have missed what happened after the page asked for what it shows. */
const LATE_MS = 500;

interface Listening {
  readonly tell: (event: EventView) => void;
  /** Events may have been missed before this stream. */
  readonly isLate: boolean;
}

/**
 * Follows the stream. The browser takes up one that breaks by itself, from the event that it saw last; one that was
 * refused it gives up for good, so that is opened anew.
 */
function follow({ tell, isLate }: Listening): void {
  const stream = new EventSource('/api/events');
  const askedMs = performance.now();
  const opened = (): void => {
    if (isLate || performance.now() - askedMs > LATE_MS) tell(ALL_CHANGED);
  };
  stream.addEventListener('open', opened, { once: true });
  stream.onmessage = ({ data }: MessageEvent<string>) => tell(JSON.parse(data) as EventView);
  stream.onerror = () => {
    if (stream.readyState !== EventSource.CLOSED) return;
    setTimeout(() => follow({ tell, isLate: true }), OPEN_AGAIN_MS);
  };
}

const untilThePageIsLeft = new Promise<never>(() => undefined);

/** Listens until the page is left. */
export async function listen(): Promise<void> {
  const channel = new BroadcastChannel(CHANNEL);
  channel.onmessage = ({ data }: MessageEvent<EventView>) => take(data);
  const tell = (event: EventView): void => {
    take(event);
    channel.postMessage(event);
  };
  // Browsers have locks only where an address is a safe one, as that of this machine is.
  if (!navigator.locks) return follow({ tell, isLate: false });
  const hold = (isLate: boolean): Promise<never> => {
    follow({ tell, isLate });
    return untilThePageIsLeft;
  };
  await navigator.locks.request(CHANNEL, { ifAvailable: true }, (lock) => (lock ? hold(false) : null));
  // Another tab has the stream; what happens between its end and the next one is nobody's to tell.
  await navigator.locks.request(CHANNEL, () => hold(true));
}
