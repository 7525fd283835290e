import { Piscina } from 'piscina';
import type { MessagePort } from 'node:worker_threads';
import type { PlanWork } from './plan-worker.ts';

/** Plans that may wait for their turn: a job of the most panels, twice. */
export const MOST_WAITING = 400;
/** Two cores are what a shop PC has to spare. */
const MOST_THREADS = 2;
/**
 * One thread stays: a pool that may be empty starts no thread for what waits when the one at work is ended by whoever
 * gave up its task, and those who wait would wait for ever.
 */
const FEWEST_THREADS = 1;
const IDLE_MS = 120_000;
/** The schedule of a shop holds all of its panels at once. */
const SCHEDULE_MEMORY = { maxOldGenerationSizeMb: 768, maxYoungGenerationSizeMb: 32 } as const;
/**
 * A search keeps what it has worked out until it ends: with little young memory all of it is copied again and again, which
 * takes a quarter of its time.
 */
const THREAD_MEMORY = { maxOldGenerationSizeMb: 96, maxYoungGenerationSizeMb: 64 } as const;

/** Threads that run the compiled worker; each pool starts with the first that is asked of it. */
export class PlanThreads {
  private plans: Piscina | null = null;
  private schedules: Piscina | null = null;

  /** @param filename of the compiled worker */
  constructor(private readonly filename: string) {}

  /** How much waits for its turn. */
  nWaiting(kind: PlanWork['kind']): number {
    return this.poolFor(kind).queueSize;
  }

  /** @param signal ends the work, and the thread with it */
  run(asked: PlanWork, signal: AbortSignal, transferList: MessagePort[]): Promise<unknown> {
    return this.poolFor(asked.kind).run(asked, { signal, transferList });
  }

  async close(): Promise<void> {
    await this.plans?.destroy();
    await this.schedules?.destroy();
  }

  /** Schedules have a thread of their own: plans do not wait behind them. */
  private poolFor(kind: PlanWork['kind']): Piscina {
    return kind === 'schedule'
      ? (this.schedules ??= this.pool(1, SCHEDULE_MEMORY))
      : (this.plans ??= this.pool(MOST_THREADS, THREAD_MEMORY));
  }

  private pool(maxThreads: number, resourceLimits: typeof SCHEDULE_MEMORY | typeof THREAD_MEMORY): Piscina {
    return new Piscina({
      filename: this.filename,
      minThreads: FEWEST_THREADS,
      maxThreads,
      maxQueue: MOST_WAITING,
      idleTimeout: IDLE_MS,
      resourceLimits,
    });
  }
}
