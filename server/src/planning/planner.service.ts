import type {
  ActInput,
  DecidingTest,
  Judgement,
  Need,
  OpenPlan,
  OtherProducts,
  OwnSample,
  PlaceInLine,
  PlanTask,
  ScheduleAnswer,
  ScheduleAsk,
  ScheduleProgress,
  StoredPlan,
} from '@blue-ledge/core';
import { Inject, Injectable, type OnApplicationShutdown } from '@nestjs/common';
import { Piscina } from 'piscina';
import { MessageChannel, type MessagePort } from 'node:worker_threads';
import { GivenUp, ProblemError } from '../http/problem.ts';
import { PlanLine } from './plan-line.ts';
import work, { type PlanWork } from './plan-worker.ts';

/** File of the compiled worker; null plans in this thread, for tests. */
export const PLAN_WORKER = Symbol('file of the plan worker');

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
/** A plan needs a few MB; more would only put off the collecting of what a search leaves behind. */
const THREAD_MEMORY = { maxOldGenerationSizeMb: 96, maxYoungGenerationSizeMb: 16 } as const;
/** Plans that may wait for their turn: a job of the most panels, twice. */
const MOST_WAITING = 400;
const MOST_MS = 60_000;

const TOO_LARGE =
  'This panel is more than the planner can hold. Split it into two panels, or record fewer zones and findings.';
const TOO_MANY =
  'The open jobs of this shop are more than one schedule can hold. Archive jobs that are done.';
const TOO_LONG = `This panel takes more than ${MOST_MS / 1000} s to plan. Split it into two panels, or record fewer zones and findings.`;

/** Plans and judges in worker threads, so that other requests are answered meanwhile. */
@Injectable()
export class PlannerService implements OnApplicationShutdown {
  private pool: Piscina | null = null;
  private schedules: Piscina | null = null;
  private readonly line = new PlanLine();
  private lastTests: Promise<unknown> = Promise.resolve();

  constructor(@Inject(PLAN_WORKER) private readonly workerFile: string | null) {}

  /** @param key of the request, by which its place in line is asked for */
  plan(
    task: PlanTask,
    { gone, key }: { readonly gone?: AbortSignal; readonly key?: string | undefined } = {},
  ) {
    return this.line.during(key, () => this.run({ kind: 'plan', task }, gone)) as Promise<StoredPlan>;
  }

  placeOf(key: string): PlaceInLine {
    return this.line.placeOf(key);
  }

  /** One after the other: whoever asks for a plan does not wait behind the tests of others. */
  tests(task: PlanTask): Promise<DecidingTest[]> {
    const turn = this.lastTests.then(() => this.run({ kind: 'tests', task }) as Promise<DecidingTest[]>);
    this.lastTests = turn.catch(() => undefined);
    return turn;
  }

  judge(
    task: PlanTask,
    own: readonly ActInput[],
    { fillsIn, gone }: { readonly fillsIn: boolean; readonly gone?: AbortSignal },
  ): Promise<Judgement> {
    return this.run({ kind: 'judge', task, own, fillsIn }, gone) as Promise<Judgement>;
  }

  /** Other products for a step, each with what the whole system takes with it. */
  products(
    asked: Omit<Extract<PlanWork, { kind: 'products' }>, 'kind'>,
    gone: AbortSignal,
  ): Promise<OtherProducts> {
    return this.run({ kind: 'products', ...asked }, gone) as Promise<OtherProducts>;
  }

  /** What plans that are worked by need of each product. */
  needs(plans: readonly OpenPlan[], gone: AbortSignal): Promise<Need[]> {
    return this.run({ kind: 'needs', plans }, gone) as Promise<Need[]>;
  }

  /** What one panel's record says of the figures of its shop. */
  samples(
    asked: Omit<Extract<PlanWork, { kind: 'samples' }>, 'kind'>,
    gone: AbortSignal,
  ): Promise<OwnSample[]> {
    return this.run({ kind: 'samples', ...asked }, gone) as Promise<OwnSample[]>;
  }

  /** A shop's schedule; who asks is told how far it is. */
  async schedule(
    ask: ScheduleAsk,
    {
      gone,
      onProgress,
    }: { readonly gone?: AbortSignal; readonly onProgress: (progress: ScheduleProgress) => void },
  ): Promise<ScheduleAnswer> {
    const { port1, port2 } = new MessageChannel();
    port1.on('message', onProgress);
    try {
      return (await this.run({ kind: 'schedule', ask, port: port2 }, gone, [port2])) as ScheduleAnswer;
    } finally {
      port1.close();
    }
  }

  async onApplicationShutdown(): Promise<void> {
    await this.pool?.destroy();
    await this.schedules?.destroy();
  }

  private poolForPlans(filename: string): Piscina {
    this.pool ??= new Piscina({
      filename,
      minThreads: FEWEST_THREADS,
      maxThreads: MOST_THREADS,
      maxQueue: MOST_WAITING,
      idleTimeout: IDLE_MS,
      resourceLimits: THREAD_MEMORY,
    });
    return this.pool;
  }

  /** Schedules have a thread of their own: plans do not wait behind them. */
  private poolForSchedules(filename: string): Piscina {
    this.schedules ??= new Piscina({
      filename,
      minThreads: FEWEST_THREADS,
      maxThreads: 1,
      maxQueue: MOST_WAITING,
      idleTimeout: IDLE_MS,
      resourceLimits: SCHEDULE_MEMORY,
    });
    return this.schedules;
  }

  private async run(asked: PlanWork, gone?: AbortSignal, transferList: MessagePort[] = []): Promise<unknown> {
    if (this.workerFile === null) return work(asked);
    const isSchedule = asked.kind === 'schedule';
    const pool = isSchedule ? this.poolForSchedules(this.workerFile) : this.poolForPlans(this.workerFile);
    const nBefore = pool.queueSize;
    if (nBefore >= MOST_WAITING)
      throw new ProblemError(429, `${nBefore} plans wait for their turn. Ask again in a minute.`);
    // A thread of the pool works for this caller alone: ending it ends nobody else's plan.
    const late = new AbortController();
    const stop = (): void => late.abort();
    gone?.addEventListener('abort', stop);
    if (gone?.aborted) stop();
    let timer: ReturnType<typeof setTimeout> | undefined;
    try {
      return await Promise.race([
        pool.run(asked, { signal: late.signal, transferList }),
        new Promise((_, reject) => {
          timer = setTimeout(
            () => {
              reject(new ProblemError(422, isSchedule ? TOO_MANY : TOO_LONG));
              stop();
            },
            MOST_MS * (1 + nBefore),
          );
        }),
      ]);
    } catch (error) {
      if (gone?.aborted) throw new GivenUp();
      if ((error as { code?: string }).code === 'ERR_WORKER_OUT_OF_MEMORY')
        throw new ProblemError(422, isSchedule ? TOO_MANY : TOO_LARGE);
      throw error;
    } finally {
      clearTimeout(timer);
      gone?.removeEventListener('abort', stop);
    }
  }
}
