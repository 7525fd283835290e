import { cleanup, configure, render } from '@testing-library/react';
import userEvent, { type UserEvent } from '@testing-library/user-event';
import { ConfigProvider } from 'antd';
import type { ReactNode } from 'react';

// Nothing here is timed: a machine that others use may be slow.
configure({ asyncUtilTimeout: 20_000 });

/** Puts components on a page as the shell does, without motion and styles, and gives the hands of a person at a keyboard. */
export function onPage(content: ReactNode): UserEvent {
  render(
    <ConfigProvider theme={{ zeroRuntime: true, token: { motion: false } }}>
      <main>{content}</main>
    </ConfigProvider>,
  );
  return userEvent.setup();
}

export const leavePage = cleanup;
