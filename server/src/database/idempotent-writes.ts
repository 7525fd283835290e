import { Injectable } from '@nestjs/common';
import { Op } from 'sequelize';
import { ProblemError } from '../http/problem.ts';
import { Database, type Write } from './database.ts';

/** Who asks for a write, and under which key; the same key stands for the same request. */
export interface WriteRequest {
  readonly actor: string;
  /** Left out where the client sent none: then every request is a new one. */
  readonly clientKey?: string | undefined;
  /** Method, path and body as one hash. */
  readonly request: string;
}

/** Keys are kept for as long as a client could reasonably send a write again. */
const KEPT_MS = 30 * 24 * 60 * 60 * 1000;
const EVERY_MS = 60 * 60 * 1000;

const otherRequest = (): ProblemError =>
  new ProblemError(
    422,
    'This Idempotency-Key was used for another request. Nothing was done: send this one under a key of its own.',
  );

/** Writes that a client may send again: the same key gets the first answer and does nothing a second time. */
@Injectable()
export class IdempotentWrites {
  private readonly inFlight = new Map<
    string,
    { readonly request: string; readonly answer: Promise<object> }
  >();
  private prunedAtMs = 0;

  constructor(private readonly database: Database) {}

  /** Runs `work` in a write transaction, unless this client key was answered before. */
  run<T extends object>(asked: WriteRequest, work: (tx: Write) => Promise<T>): Promise<T> {
    return this.around(asked, (keep) =>
      this.database.write(asked.actor, async (tx) => {
        const answer = await work(tx);
        await keep(tx, answer);
        return answer;
      }),
    );
  }

  /**
   * Does work of any length that ends in a write; `keep` belongs into that write's transaction. The same request that
   * comes again meanwhile waits for the first one's answer.
   * @throws {ProblemError} 422 where the key was used for another request
   */
  async around<T extends object>(
    { clientKey, request }: WriteRequest,
    work: (keep: (tx: Write, answer: T) => Promise<void>) => Promise<T>,
  ): Promise<T> {
    if (clientKey === undefined) return work(() => Promise.resolve());
    const running = this.inFlight.get(clientKey);
    if (running) {
      if (running.request !== request) throw otherRequest();
      return running.answer as Promise<T>;
    }
    const answer = this.answeredOr(clientKey, request, () =>
      work(async (tx, made) => {
        await tx.tables.writes.create({ clientKey, request, answer: made }, { transaction: tx.transaction });
        await this.prune(tx);
      }),
    );
    this.inFlight.set(clientKey, { request, answer });
    try {
      return (await answer) as T;
    } finally {
      this.inFlight.delete(clientKey);
    }
  }

  private async answeredOr<T extends object>(
    clientKey: string,
    request: string,
    work: () => Promise<T>,
  ): Promise<T> {
    const known = await this.database.read(({ tables, transaction }) =>
      tables.writes.findByPk(clientKey, { transaction }),
    );
    if (!known) return work();
    // Keys of the release before say nothing of their request.
    if (known.request !== '' && known.request !== request) throw otherRequest();
    return known.answer as T;
  }

  private async prune({ tables, transaction }: Write): Promise<void> {
    const now = Date.now();
    if (now - this.prunedAtMs < EVERY_MS) return;
    this.prunedAtMs = now;
    await tables.writes.destroy({
      where: { createdAt: { [Op.lt]: new Date(now - KEPT_MS) } },
      transaction,
    });
  }
}
