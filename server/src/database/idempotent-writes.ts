import { Injectable } from '@nestjs/common';
import type { Transaction } from 'sequelize';
import { Database } from './database.ts';
import { WriteRow } from './rows.ts';

/** Writes that a client may send again: the same key gets the first answer and changes nothing. */
@Injectable()
export class IdempotentWrites {
  constructor(private readonly database: Database) {}

  /** Runs `work` in a write transaction, unless this client key was answered before. */
  run<T extends object>(
    clientKey: string | undefined,
    work: (transaction: Transaction) => Promise<T>,
  ): Promise<T> {
    return this.database.write(async (transaction) => {
      if (clientKey === undefined) return work(transaction);
      const known = await WriteRow.findByPk(clientKey, { transaction });
      if (known) return known.answer as T;
      const answer = await work(transaction);
      await WriteRow.create({ clientKey, answer }, { transaction });
      return answer;
    });
  }
}
