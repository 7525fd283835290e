import type { StoreFault } from '@blue-ledge/core';

/** What can be done where what was written is not as it was written. */
const REMEDY =
  'Do not go by it: compare it with a backup, a job file or a card that was saved before, and restore the backup where it is right.';

export const changedFault = (
  what: string,
  where: string,
  of: Pick<StoreFault, 'jobId' | 'panelId'> = {},
): StoreFault => ({
  what,
  where,
  remedy: REMEDY,
  ...of,
});
