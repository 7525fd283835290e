import { Injectable } from '@nestjs/common';
import { Op } from 'sequelize';
import { GivenUp, ProblemError } from '../http/problem.ts';
import { Database, type Read, type Write } from './database.ts';
import { jsonOf, momentText } from './sql.ts';

/** Who asks for a write, and under which key; the same key stands for the same request. */
export interface WriteRequest {
  readonly actor: string;
  /** Left out where the client sent none: then every request is a new one. */
  readonly clientKey?: string | undefined;
  /** Method, path and body as one hash. */
  readonly request: string;
}

/** What is kept of an answer, and how the same request is answered again from it. */
export interface Again<T extends object, K extends object> {
  readonly keptOf: (answer: T) => K;
  readonly again: (tx: Read, kept: K) => Promise<T>;
}

/** Small answers are kept as they are. */
const WHOLE: Again<object, object> = {
  keptOf: (answer) => answer,
  again: (_, kept) => Promise.resolve(kept),
};

/** Keys are kept for as long as a client could reasonably send a write again. */
const KEPT_MS = 30 * 24 * 60 * 60 * 1000;
const EVERY_MS = 60 * 60 * 1000;

const otherRequest = (): ProblemError =>
  new ProblemError(
    422,
    'This Idempotency-Key was used for another request. Nothing was done: send this one under a key of its own.',
  );

const SELECT = 'SELECT request, answer FROM writes WHERE "clientKey" = $1';
const INSERT = `INSERT INTO writes ("clientKey", request, answer, "createdAt", "updatedAt")
  VALUES ($1, $2, $3, $4, $4)`;

/** What a request under the same key was answered before; null where it was not. */
async function answerTo<T>({ sql }: Read, { clientKey, request }: WriteRequest): Promise<T | null> {
  if (clientKey === undefined) return null;
  const [known] = await sql.rows<{ request: string; answer: unknown }>(SELECT, clientKey);
  if (!known) return null;
  // Keys of the release before say nothing of their request.
  if (known.request !== '' && known.request !== request) throw otherRequest();
  return jsonOf<T>(known.answer);
}

/** Writes that a client may send again: the same key is answered again, and nothing is done a second time. */
@Injectable()
export class IdempotentWrites {
  private readonly inFlight = new Map<
    string,
    { readonly request: string; readonly answer: Promise<object> }
  >();
  private prunedAtMs = 0;

  constructor(private readonly database: Database) {}

  /** Runs `work` in a write transaction, unless this client key was answered before. */
  run<T extends object, K extends object = T>(
    asked: WriteRequest,
    work: (tx: Write) => Promise<T>,
    { keptOf, again }: Again<T, K> = WHOLE as unknown as Again<T, K>,
  ): Promise<T> {
    return this.once(asked, () =>
      this.database.write(asked.actor, async (tx) => {
        const known = await answerTo<K>(tx, asked);
        if (known) return again(tx, known);
        const answer = await work(tx);
        await this.keep(tx, asked, keptOf(answer));
        return answer;
      }),
    );
  }

  /**
   * Does work of any length that ends in a write; `keep` belongs into that write's transaction. The same request that
   * comes again meanwhile waits for the first one's answer.
   * @throws {ProblemError} 422 where the key was used for another request
   */
  around<T extends object, K extends object = T>(
    asked: WriteRequest,
    work: (keep: (tx: Write, answer: T) => Promise<void>) => Promise<T>,
    { keptOf, again }: Again<T, K> = WHOLE as unknown as Again<T, K>,
  ): Promise<T> {
    return this.once(asked, async () => {
      const answered = await this.database.read(async (tx) => {
        const known = await answerTo<K>(tx, asked);
        return known && again(tx, known);
      });
      return answered ?? work((tx, answer) => this.keep(tx, asked, keptOf(answer)));
    });
  }

  /** Requests of one key that come at the same time are one. */
  private async once<T extends object>(asked: WriteRequest, work: () => Promise<T>): Promise<T> {
    const { clientKey, request } = asked;
    if (clientKey === undefined) return work();
    const running = this.inFlight.get(clientKey);
    if (running) {
      if (running.request !== request) throw otherRequest();
      try {
        return (await running.answer) as T;
      } catch (error) {
        // Who asked first went away; this one still waits, and it is done for them.
        if (error instanceof GivenUp) return this.once(asked, work);
        throw error;
      }
    }
    const answer = work();
    this.inFlight.set(clientKey, { request, answer });
    try {
      return await answer;
    } finally {
      this.inFlight.delete(clientKey);
    }
  }

  private async keep(tx: Write, { clientKey, request }: WriteRequest, answer: object): Promise<void> {
    if (clientKey === undefined) return;
    await tx.sql.write(INSERT, clientKey, request, JSON.stringify(answer), momentText(new Date()));
    await this.prune(tx);
  }

  private async prune({ tables }: Write): Promise<void> {
    const now = Date.now();
    if (now - this.prunedAtMs < EVERY_MS) return;
    this.prunedAtMs = now;
    await tables.writes.destroy({
      where: { createdAt: { [Op.lt]: new Date(now - KEPT_MS) } },
    });
  }
}
