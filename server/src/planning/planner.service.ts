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
import { Injectable, type OnApplicationShutdown } from '@nestjs/common';
import { MessageChannel, type MessagePort } from 'node:worker_threads';
import { GivenUp, ProblemError } from '../http/problem.ts';
import { PlanLine } from './plan-line.ts';
import { MOST_WAITING, PlanThreads } from './plan-threads.ts';
import type { PlanWork } from './plan-worker.ts';

const MOST_MS = 60_000;

const TOO_LARGE =
  'This panel is more than the planner can hold. Split it into two panels, or record fewer zones and findings.';
const TOO_MANY =
  'The open jobs of this shop are more than one schedule can hold. Archive jobs that are done.';
const TOO_LONG = `This panel takes more than ${MOST_MS / 1000} s to plan. Split it into two panels, or record fewer zones and findings.`;

/** Plans and judges in worker threads, so that other requests are answered meanwhile. */
@Injectable()
export class PlannerService implements OnApplicationShutdown {
  private readonly line = new PlanLine();
  private lastTests: Promise<unknown> = Promise.resolve();

  constructor(private readonly threads: PlanThreads) {}

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
    await this.threads.close();
  }

  private async run(asked: PlanWork, gone?: AbortSignal, transferList: MessagePort[] = []): Promise<unknown> {
    const isSchedule = asked.kind === 'schedule';
    const nBefore = this.threads.nWaiting(asked.kind);
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
        this.threads.run(asked, late.signal, transferList),
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
