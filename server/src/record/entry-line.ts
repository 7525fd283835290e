import type { Write } from '../database/database.ts';

/** Work on its way into one transaction: what it comes to, and who waits for it. */
interface Waiting<T> {
  readonly work: (tx: Write) => Promise<T>;
  readonly done: (value: T) => void;
  readonly failed: (error: unknown) => void;
}

/** So many entries at most are written together. */
const MOST_TOGETHER = 64;

/**
 * Entries of many tablets, written together: the disk is waited for once, not for each. Each is told only when all are
 * on the disk. What the work of an entry throws is its own: nothing of it holds, and the others go on.
 */
export class EntryLine {
  private waiting: Waiting<unknown>[] = [];
  private isRunning = false;

  constructor(private readonly write: (work: (tx: Write) => Promise<void>) => Promise<void>) {}

  enter<T>(work: (tx: Write) => Promise<T>): Promise<T> {
    return new Promise<T>((done, failed) => {
      this.waiting.push({ work, done: done as (value: unknown) => void, failed });
      void this.run();
    });
  }

  private async run(): Promise<void> {
    if (this.isRunning) return;
    this.isRunning = true;
    while (this.waiting.length > 0) {
      const together = this.waiting.slice(0, MOST_TOGETHER);
      this.waiting = this.waiting.slice(MOST_TOGETHER);
      await this.writeTogether(together);
    }
    this.isRunning = false;
  }

  private async writeTogether(together: readonly Waiting<unknown>[]): Promise<void> {
    const tellers: (() => void)[] = [];
    try {
      await this.write(async (tx) => {
        for (const { work, done, failed } of together)
          await tx.apart(work).then(
            (value) => tellers.push(() => done(value)),
            (error: unknown) => tellers.push(() => failed(error)),
          );
      });
      for (const tell of tellers) tell();
    } catch (error) {
      for (const { failed } of together) failed(error);
    }
  }
}
