import { spawn, type ChildProcess } from 'node:child_process';
import { join } from 'node:path';

/** The built server as a process of its own, as a shop starts it. */

const PROGRAM = join(__dirname, '../bundle/main.mjs');
/** A user who may do nothing; a superuser may do all, whatever a folder says. */
const NOBODY = 65_534;
export const asNobody = process.getuid?.() === 0 ? { uid: NOBODY, gid: NOBODY } : {};

export interface Running {
  readonly address: string;
  readonly process: ChildProcess;
  /** Ends when the process does, with its code. */
  readonly ended: Promise<number | null>;
  readonly said: () => string;
}

interface Asked {
  readonly port?: number;
  readonly as?: { readonly uid?: number; readonly gid?: number };
  readonly env?: Readonly<Record<string, string>>;
}

/** Starts it on a data folder; rejects with what it said where it did not start. */
export function startProcess(folder: string, { port = 0, as = {}, env = {} }: Asked = {}): Promise<Running> {
  const child = spawn(process.execPath, [PROGRAM], {
    env: { ...process.env, PORT: String(port), LEDGE_DATA: folder, LEDGE_WEB: '', ...env },
    stdio: ['ignore', 'pipe', 'pipe'],
    ...as,
  });
  let text = '';
  const ended = new Promise<number | null>((resolve) => child.once('close', resolve));
  return new Promise((resolve, reject) => {
    const hear = (part: Buffer): void => {
      text += part.toString();
      const address = /is at (http:\S+)/.exec(text)?.[1];
      if (address) resolve({ address, process: child, ended, said: () => text });
    };
    child.stdout.on('data', hear);
    child.stderr.on('data', hear);
    void ended.then((code) => reject(new StartFailed(text.trim(), code)));
  });
}

/** What a server said that did not start. */
export class StartFailed extends Error {
  constructor(
    said: string,
    readonly code: number | null,
  ) {
    super(said);
  }
}
