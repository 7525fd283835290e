import { useConnection } from '../state/connection.ts';
import { RequestRefused, Stopped, Unreachable, ask } from './http.ts';

/** The door to the server: whole answers, refusals, and answers that do not come or not whole. */

const answered = (answer: () => Promise<Response> | Response): void => {
  globalThis.fetch = jest.fn(async () => answer());
};
/** Its head comes, and the line breaks before its end. */
const cutOff = (status: number): Response =>
  new Response(
    new ReadableStream({
      start: (body) => {
        body.enqueue(new TextEncoder().encode('{"id": "bu'));
        body.error(new TypeError('terminated'));
      },
    }),
    { status },
  );
const isLost = (): boolean => useConnection.getState().isLost;

beforeEach(() => {
  jest.useFakeTimers();
  useConnection.setState({ isLost: false });
});
afterEach(() => jest.useRealTimers());

test('a whole answer is what it says', async () => {
  answered(() => Response.json({ id: 'bus' }));
  await expect(ask('/jobs/bus')).resolves.toEqual({ id: 'bus' });
  answered(() => Response.json(null));
  await expect(ask('/jobs/bus')).resolves.toBeNull();
});

test.each([
  ['no answer', () => Promise.reject(new TypeError('no connection'))],
  ['an answer that is cut off', () => cutOff(200)],
  ['a refusal that is cut off', () => cutOff(409)],
  ['an answer that ends too soon, and nobody says so', () => new Response('{"id": "bu')],
  ['an empty answer', () => new Response('')],
  ['a page of a proxy', () => new Response('<html>Sign in</html>')],
  ['a proxy before a server that is down', () => new Response('Bad gateway', { status: 502 })],
])('%s can be asked for again', async (_, answer) => {
  answered(answer);
  await expect(ask('/jobs/bus', { method: 'PATCH', body: {} })).rejects.toThrow(Unreachable);
  expect(isLost()).toBe(true);
});

test('a refusal says why; one without reasons says its status', async () => {
  const problem = { status: 422, title: 'Not so.', problems: [{ path: 'areaM2', message: 'must be more' }] };
  answered(() => Response.json(problem, { status: 422 }));
  const refusal = await ask('/jobs/bus').catch((error: unknown) => error);
  expect(refusal).toBeInstanceOf(RequestRefused);
  expect((refusal as RequestRefused).lines).toEqual(['areaM2: must be more']);
  answered(() => new Response('too large', { status: 413 }));
  await expect(ask('/jobs/bus')).rejects.toThrow('The server answered 413.');
  answered(() => Response.json({ error: 'no problem details' }, { status: 500 }));
  await expect(ask('/jobs/bus')).rejects.toThrow('The server answered 500.');
  expect(isLost()).toBe(false);
});

test('what a person stopped is neither refused nor lost', async () => {
  const stop = new AbortController();
  answered(() => {
    stop.abort();
    throw new DOMException('aborted', 'AbortError');
  });
  await expect(ask('/plans', { stop: stop.signal })).rejects.toThrow(Stopped);
  expect(isLost()).toBe(false);
});

test('a server that is back is noticed by its own health, and those who wait are told', async () => {
  const { connection } = await import('../state/connection.ts');
  const back = jest.fn();
  const forget = connection.onBack(back);
  answered(() => Promise.reject(new TypeError('no connection')));
  await expect(ask('/jobs')).rejects.toThrow(Unreachable);
  await jest.advanceTimersByTimeAsync(4500);
  expect([back.mock.calls.length, isLost()]).toEqual([0, true]);
  answered(() => Response.json({ ok: true }));
  await jest.advanceTimersByTimeAsync(2500);
  expect([back.mock.calls.length, isLost()]).toEqual([1, false]);
  forget();
});
