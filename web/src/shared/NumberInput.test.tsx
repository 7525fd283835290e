import { screen } from '@testing-library/react';
import { useState } from 'react';
import { leavePage, onPage } from '../testing/on-page.tsx';
import { NumberInput } from './NumberInput.tsx';

/** The one field for numbers: what counts, what is said, what stays as it was typed. */

afterEach(leavePage);

const passed = jest.fn();
beforeEach(() => passed.mockClear());

interface FieldProps {
  readonly whenLeft?: boolean;
  readonly isWhole?: boolean;
  readonly canBeEmpty?: boolean;
}

function Field({ whenLeft = false, isWhole = false, canBeEmpty = false }: FieldProps) {
  const [value, setValue] = useState<number | null>(5);
  const take = (next: number | null): void => {
    passed(next);
    setValue(next);
  };
  return (
    <>
      <NumberInput
        name="Film"
        unit="µm"
        value={value}
        from={0}
        to={2000}
        isWhole={isWhole}
        whenLeft={whenLeft}
        onClear={canBeEmpty ? () => take(null) : undefined}
        onChange={take}
      />
      <button type="button" onClick={() => setValue(9)}>
        From elsewhere
      </button>
    </>
  );
}

const field = (): HTMLInputElement => screen.getByRole('spinbutton');
const said = (): string | null => screen.queryByRole('alert')?.textContent ?? null;

async function typing(text: string, props: FieldProps = {}) {
  const user = onPage(<Field {...props} />);
  await user.clear(field());
  await user.type(field(), text);
  return user;
}

test.each([
  ['7', 7],
  ['1,25', 1.25],
  ['1.25', 1.25],
  [' 12 ', 12],
  ['2000', 2000],
])('%j counts as %j', async (text, number) => {
  await typing(text);
  expect(passed).toHaveBeenLastCalledWith(number);
  expect([said(), field().value]).toEqual([null, text]);
});

test.each([
  ['2001', 'Film must be from 0 to 2000 µm.'],
  ['-1', 'Film must be from 0 to 2000 µm.'],
  ['7,x', null],
  ['', 'Film must be from 0 to 2000 µm.'],
])('%j is said to be wrong, and what held before holds', async (text, sentence) => {
  await typing(text === '' ? '{Backspace}' : text);
  expect(said()).toEqual(sentence ?? expect.stringMatching(/\w/));
  expect(field().getAttribute('aria-invalid')).toBe('true');
  expect(passed.mock.calls.at(-1)?.[0] ?? 5).toBe(5);
});

test('a whole number is asked for where halves make no sense', async () => {
  await typing('2.5', { isWhole: true });
  expect(said()).toBe('Film must be a whole number.');
});

test('a field that may be empty says so with nothing', async () => {
  await typing('{Backspace}', { canBeEmpty: true });
  expect(passed).toHaveBeenLastCalledWith(null);
  expect(said()).toBeNull();
});

test('passed on when the field is left: not with every digit, once, and not after Esc', async () => {
  const user = await typing('123', { whenLeft: true });
  expect(passed).not.toHaveBeenCalled();
  await user.tab();
  expect(passed.mock.calls).toEqual([[123]]);
  await user.clear(field());
  await user.type(field(), '8{Escape}');
  await user.tab();
  expect([passed.mock.calls, field().value]).toEqual([[[123]], '123']);
});

test('arrows go by one and stay inside the range', async () => {
  const user = onPage(<Field />);
  await user.type(field(), '{ArrowUp}{ArrowUp}{ArrowDown}');
  expect(passed.mock.calls).toEqual([[6], [7], [6]]);
  await user.clear(field());
  await user.type(field(), '0{ArrowDown}');
  expect([passed.mock.calls.at(-1), field().value]).toEqual([[0], '0']);
});

test('a value that comes from elsewhere takes the place of what was typed', async () => {
  const user = await typing('9999');
  await user.click(screen.getByRole('button', { name: 'From elsewhere' }));
  expect([field().value, said()]).toEqual(['9', null]);
});

test('an arrow goes one step, with Shift ten, inside the range', async () => {
  const user = onPage(<Field />);
  await user.click(field());
  await user.keyboard('{ArrowUp}');
  expect(passed).toHaveBeenLastCalledWith(6);
  await user.keyboard('{Shift>}{ArrowUp}{/Shift}');
  expect(passed).toHaveBeenLastCalledWith(16);
  await user.keyboard('{Shift>}{ArrowDown}{ArrowDown}{/Shift}');
  expect(passed).toHaveBeenLastCalledWith(0);
});
