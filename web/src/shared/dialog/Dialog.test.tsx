import { screen, waitFor, within } from '@testing-library/react';
import { Input } from 'antd';
import { useState, type ReactNode } from 'react';
import { leavePage, onPage } from '../../testing/on-page.tsx';
import { NumberInput } from '../NumberInput.tsx';
import { Dialog } from './Dialog.tsx';
import { SideDrawer } from './SideDrawer.tsx';

/** Dialogs by keyboard: what Esc and Enter do, and where the focus is before, meanwhile and after. */

afterEach(leavePage);

const button = (name: string): HTMLElement => screen.getByRole('button', { name });
const dialog = (name: string): Promise<HTMLElement> => screen.findByRole('dialog', { name });
const gone = () => waitFor(() => expect(screen.queryByRole('dialog')).toBeNull());
const hasFocus = (element: () => Element | null) =>
  waitFor(() => expect(document.activeElement).toBe(element()));

interface OpenerProps {
  readonly children: (close: () => void) => ReactNode;
  /** The opener goes away while the dialog is open. */
  readonly isGone?: boolean;
}

/** A button that opens something, mounted only while it is open. */
function Opener({ children, isGone = false }: OpenerProps) {
  const [isOpen, setIsOpen] = useState(false);
  return (
    <>
      {!(isOpen && isGone) && (
        <button type="button" onClick={() => setIsOpen(true)}>
          Open it
        </button>
      )}
      {isOpen && children(() => setIsOpen(false))}
    </>
  );
}

const withField =
  (act: () => void, isOff = false) =>
  (close: () => void) => (
    <Dialog title="A dialog" act={{ label: 'Do it', run: act, isOff }} onClose={close}>
      <Input aria-label="Name" />
    </Dialog>
  );

test.each([
  ['Esc', '{Escape}'],
  ['Cancel', null],
])('it begins in its first field, and %s gives the focus back to what opened it', async (_, keys) => {
  const act = jest.fn();
  const user = onPage(<Opener>{withField(act)}</Opener>);
  await user.tab();
  await user.keyboard('{Enter}');
  await dialog('A dialog');
  await hasFocus(() => screen.getByLabelText('Name'));
  if (keys) await user.keyboard(keys);
  else await user.click(button('Cancel'));
  await gone();
  await hasFocus(() => button('Open it'));
  expect(act).not.toHaveBeenCalled();
});

test('Enter in a field does the act where it can be done; a held Enter does nothing', async () => {
  const act = jest.fn();
  const user = onPage(<Opener>{withField(act)}</Opener>);
  await user.click(button('Open it'));
  await dialog('A dialog');
  await hasFocus(() => screen.getByLabelText('Name'));
  await user.keyboard('Hood{Enter}');
  expect(act).toHaveBeenCalledTimes(1);
  leavePage();
  const off = jest.fn();
  const other = onPage(<Opener>{withField(off, true)}</Opener>);
  await other.click(button('Open it'));
  await dialog('A dialog');
  await hasFocus(() => screen.getByLabelText('Name'));
  await other.keyboard('{Enter}');
  expect(off).not.toHaveBeenCalled();
});

test('a number that is typed counts before Enter does the act; Esc drops it first, and then the dialog', async () => {
  const done = jest.fn();
  function Sized({ close }: { readonly close: () => void }) {
    const [value, setValue] = useState(1);
    return (
      <Dialog title="Size" act={{ label: 'Do it', run: () => done(value) }} onClose={close}>
        <NumberInput name="Size" value={value} from={0} to={9} whenLeft onChange={setValue} />
      </Dialog>
    );
  }
  const user = onPage(<Opener>{(close) => <Sized close={close} />}</Opener>);
  await user.click(button('Open it'));
  await dialog('Size');
  const field = screen.getByRole('spinbutton');
  await user.clear(field);
  await user.type(field, '7{Enter}');
  expect(done).toHaveBeenCalledWith(7);
  await user.type(field, '8{Escape}');
  expect((field as HTMLInputElement).value).toBe('7');
  expect(screen.getByRole('dialog')).toBeTruthy();
  await user.keyboard('{Escape}');
  await gone();
});

test('a dialog without a field has the focus itself: Enter pressed twice presses no button unread', async () => {
  const pressed = jest.fn();
  const user = onPage(
    <Opener>
      {(close) => (
        <Dialog title="Who?" onClose={close}>
          <button type="button" onClick={pressed}>
            Somebody
          </button>
        </Dialog>
      )}
    </Opener>,
  );
  await user.click(button('Open it'));
  const open = await dialog('Who?');
  await hasFocus(() => open);
  await user.keyboard('{Enter}');
  expect(pressed).not.toHaveBeenCalled();
  expect(screen.queryByRole('dialog')).toBe(open);
});

test('a drawer without a field has the focus itself', async () => {
  const user = onPage(
    <Opener>
      {(close) => (
        <SideDrawer title="Why" size={300} onClose={close}>
          <button type="button">It is so</button>
        </SideDrawer>
      )}
    </Opener>,
  );
  await user.click(button('Open it'));
  const open = await dialog('Why');
  await waitFor(() => expect(open.contains(document.activeElement)).toBe(true));
  expect(document.activeElement?.tagName).not.toBe('BUTTON');
});

test('where the opener is gone the page has the focus, on which no key acts', async () => {
  const user = onPage(<Opener isGone>{withField(jest.fn())}</Opener>);
  await user.click(button('Open it'));
  await dialog('A dialog');
  // It comes back with the close, as another button: what had the focus is gone all the same.
  await user.keyboard('{Escape}');
  await gone();
  await hasFocus(() => screen.getByRole('main'));
});

test('a dialog that takes the place of another gives the focus to what opened the first', async () => {
  function Chain({ close }: { readonly close: () => void }) {
    const [isSecond, setIsSecond] = useState(false);
    return isSecond ? (
      <Dialog key="second" title="Second" onClose={close}>
        <Input aria-label="Where" />
      </Dialog>
    ) : (
      <Dialog key="first" title="First" onClose={close}>
        <button type="button" onClick={() => setIsSecond(true)}>
          On
        </button>
      </Dialog>
    );
  }
  const user = onPage(<Opener>{(close) => <Chain close={close} />}</Opener>);
  await user.click(button('Open it'));
  await dialog('First');
  await user.click(button('On'));
  await dialog('Second');
  await hasFocus(() => screen.getByLabelText('Where'));
  await user.keyboard('{Escape}');
  await gone();
  await hasFocus(() => button('Open it'));
});

test('a dialog over another gives the focus back into it', async () => {
  const user = onPage(
    <Opener>
      {(close) => (
        <Dialog title="Below" onClose={close}>
          <Opener>{withField(jest.fn())}</Opener>
        </Dialog>
      )}
    </Opener>,
  );
  await user.click(button('Open it'));
  const below = await dialog('Below');
  const inside = within(below).getByRole('button', { name: 'Open it' });
  await user.click(inside);
  // The component library gives all dialogs one id in tests: which is on top for Esc is tested in the browser.
  await hasFocus(() => screen.getByLabelText('Name'));
  await user.click(button('Cancel'));
  await waitFor(() => expect(screen.queryByLabelText('Name')).toBeNull());
  await hasFocus(() => inside);
});

test('a drawer that is closed while somebody types keeps what was typed', async () => {
  const kept = jest.fn();
  const user = onPage(
    <Opener>
      {(close) => (
        <SideDrawer title="Facts" size={300} onClose={close}>
          <Input aria-label="Name" onBlur={({ target }) => kept(target.value)} />
        </SideDrawer>
      )}
    </Opener>,
  );
  await user.click(button('Open it'));
  await dialog('Facts');
  await hasFocus(() => screen.getByLabelText('Name'));
  await user.keyboard('Door{Escape}');
  await gone();
  expect(kept).toHaveBeenCalledWith('Door');
  await hasFocus(() => button('Open it'));
});
