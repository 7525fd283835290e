import type { Judgement, ActInput, PanelPlan, PlanTask } from '@blue-ledge/core';
import { Inject, Injectable, type OnApplicationShutdown } from '@nestjs/common';
import { Piscina } from 'piscina';
import work, { type PlanWork } from './plan-worker.ts';

/** File of the compiled worker; null plans in this thread, for tests. */
export const PLAN_WORKER = Symbol('file of the plan worker');

/** Two cores are what a shop PC has to spare. */
const MOST_THREADS = 2;
const IDLE_MS = 120_000;
/** A plan needs a few MB; more would only put off the collecting of what a search leaves behind. */
const THREAD_MEMORY = { maxOldGenerationSizeMb: 96, maxYoungGenerationSizeMb: 16 } as const;

/** Plans and judges in worker threads, so that other requests are answered meanwhile. */
@Injectable()
export class PlannerService implements OnApplicationShutdown {
  private pool: Piscina | null = null;

  constructor(@Inject(PLAN_WORKER) private readonly workerFile: string | null) {}

  plan(task: PlanTask): Promise<PanelPlan> {
    return this.run({ kind: 'plan', task }) as Promise<PanelPlan>;
  }

  planWithTests(task: PlanTask): Promise<PanelPlan> {
    return this.run({ kind: 'plan-with-tests', task }) as Promise<PanelPlan>;
  }

  judge(task: PlanTask, own: readonly ActInput[], fillsIn: boolean): Promise<Judgement> {
    return this.run({ kind: 'judge', task, own, fillsIn }) as Promise<Judgement>;
  }

  async onApplicationShutdown(): Promise<void> {
    await this.pool?.destroy();
  }

  private run(asked: PlanWork): Promise<PanelPlan | Judgement> {
    if (this.workerFile === null) return Promise.resolve(work(asked));
    this.pool ??= new Piscina({
      filename: this.workerFile,
      minThreads: 0,
      maxThreads: MOST_THREADS,
      idleTimeout: IDLE_MS,
      resourceLimits: THREAD_MEMORY,
    });
    return this.pool.run(asked);
  }
}
