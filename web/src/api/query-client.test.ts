import { askAgain, queryClient } from './query-client.ts';

afterEach(() => queryClient.clear());

const KEY = ['schedule', 'shop'];
const isStale = (): boolean => queryClient.getQueryState(KEY)!.isInvalidated;

test('an answer that was on its way while something changed, for a page that was left, is not taken for fresh', async () => {
  let answer = (_: string): void => undefined;
  const asked = queryClient.fetchQuery({
    queryKey: KEY,
    queryFn: () => new Promise<string>((resolve) => (answer = resolve)),
  });
  await Promise.resolve();
  askAgain(['schedule']);
  answer('as it was before');
  await asked;
  await new Promise((resolve) => setTimeout(resolve, 0));
  expect(queryClient.getQueryData(KEY)).toBe('as it was before');
  expect(isStale()).toBe(true);
});

test('what nobody asks for at the moment is asked for when it is opened', () => {
  queryClient.setQueryData(KEY, 'kept');
  askAgain(KEY);
  expect(isStale()).toBe(true);
});
