import { screen } from '@testing-library/react';
import { leavePage, onPage } from '../../testing/on-page.tsx';
import { useRunKeys } from './use-run-keys.ts';

/** The large keys of the bench, by what has the focus. */

const finish = jest.fn();
const go = jest.fn();
afterEach(() => {
  leavePage();
  jest.clearAllMocks();
});

function Keys({ mayFinish = true }: { readonly mayFinish?: boolean }) {
  useRunKeys({ go, finish, mayFinish });
  return (
    <>
      <button type="button">Photo</button>
      <input aria-label="Note" />
    </>
  );
}

test('Enter finishes the step, the arrows go on and back', async () => {
  const user = onPage(<Keys />);
  await user.keyboard('{Enter}{ArrowRight}{PageUp}');
  expect([finish.mock.calls.length, go.mock.calls]).toEqual([1, [[1], [-1]]]);
});

test('a step that may not be done is not finished', async () => {
  const user = onPage(<Keys mayFinish={false} />);
  await user.keyboard('{Enter}');
  expect(finish).not.toHaveBeenCalled();
});

test.each([
  ['a button', () => screen.getByRole('button')],
  ['a field', () => screen.getByRole('textbox')],
  // What had the focus is gone: a dialog whose opener went away leaves it here.
  ['the page', () => screen.getByRole('main')],
])('Enter on %s finishes nothing', async (_, element) => {
  const user = onPage(<Keys />);
  element().tabIndex = -1;
  element().focus();
  await user.keyboard('{Enter}');
  expect(finish).not.toHaveBeenCalled();
});
