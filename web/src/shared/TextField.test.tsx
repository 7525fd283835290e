import { screen, waitFor } from '@testing-library/react';
import { useState } from 'react';
import { leavePage, onPage } from '../testing/on-page.tsx';
import { TextField } from './TextField.tsx';

/** Words that are passed on while they are typed. */

afterEach(leavePage);

const passed = jest.fn();
beforeEach(() => passed.mockClear());

function Field({ whenEmpty }: { readonly whenEmpty?: string }) {
  const [value, setValue] = useState('Door');
  const [isHere, setIsHere] = useState(true);
  const take = (next: string): void => {
    passed(next);
    setValue(next);
  };
  return (
    <>
      {isHere && (
        <TextField
          label="What the customer said"
          value={value}
          most={200}
          rows={3}
          onChange={take}
          {...(whenEmpty ? { whenEmpty } : {})}
        />
      )}
      <button type="button" onClick={() => setIsHere(false)}>
        Away
      </button>
    </>
  );
}

const field = (): HTMLTextAreaElement => screen.getByRole('textbox');

test('a rest in typing passes on what stands there, and typing goes on where it was', async () => {
  const user = onPage(<Field />);
  await user.type(field(), ' scraped ');
  await waitFor(() => expect(passed).toHaveBeenLastCalledWith('Door scraped'));
  expect(field().value).toBe('Door scraped ');
  await user.type(field(), 'by a gate');
  await user.tab();
  expect(passed).toHaveBeenLastCalledWith('Door scraped by a gate');
});

test('a page that is left in the middle of a word takes it along', async () => {
  const user = onPage(<Field />);
  await user.type(field(), ' scr');
  await user.click(screen.getByRole('button', { name: 'Away' }));
  expect(passed).toHaveBeenLastCalledWith('Door scr');
});

test('an empty field that needs words passes nothing on', async () => {
  const user = onPage(<Field whenEmpty="A job needs a title." />);
  await user.clear(field());
  expect(screen.getByRole('alert').textContent).toBe('A job needs a title.');
  await user.tab();
  await new Promise((resolve) => setTimeout(resolve, 1100));
  expect(passed).not.toHaveBeenCalled();
});
