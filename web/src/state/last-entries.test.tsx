import type { NewEntry } from '@blue-ledge/core';
import { act, screen } from '@testing-library/react';
import { leavePage, onPage } from '../testing/on-page.tsx';
import { TAKE_BACK_MS, forgetLast, rememberLast, useLastEntries } from './last-entries.ts';
import { serverNow } from './server-time.ts';

afterEach(leavePage);

const AT = { job: 'bus', panel: 'door' };
const entry = { id: 'e' } as NewEntry;

function Shown({ panel, afterMs }: { readonly panel: string; readonly afterMs: number }) {
  const last = useLastEntries({ ...AT, panel }, serverNow() + afterMs);
  return <p>{last ? last.words : 'nothing'}</p>;
}

test('what was entered last on a panel can be taken back for ten seconds, there and once', () => {
  rememberLast(AT, [entry], 'wash done');
  onPage(<Shown panel="door" afterMs={TAKE_BACK_MS - 2000} />);
  expect(screen.queryByText('wash done')).not.toBeNull();
  act(forgetLast);
  expect(screen.queryByText('nothing')).not.toBeNull();
  act(() => rememberLast(AT, [entry], 'wash done'));
  leavePage();
  onPage(<Shown panel="door" afterMs={TAKE_BACK_MS + 1} />);
  expect(screen.queryByText('nothing')).not.toBeNull();
  leavePage();
  onPage(<Shown panel="lid" afterMs={0} />);
  expect(screen.queryByText('nothing')).not.toBeNull();
});
