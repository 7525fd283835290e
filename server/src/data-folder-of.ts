import { homedir } from 'node:os';
import { join } from 'node:path';

/** The folder of a shop's data: what the environment says, else the usual one. */
export const dataFolderOf = ({ LEDGE_DATA }: NodeJS.ProcessEnv): string =>
  LEDGE_DATA ? LEDGE_DATA : join(homedir(), '.blue-ledge');
