import { LRUCache } from 'lru-cache';
import type sqlite3 from 'sqlite3';

/** More than the program has, without those that count their places. */
const MOST_KEPT = 100;

/** Statements of one connection, prepared when first asked for and kept: the driver itself prepares one for each call. */
export class Statements {
  private readonly kept = new LRUCache<string, Promise<sqlite3.Statement>>({
    max: MOST_KEPT,
    dispose: (prepared) => void prepared.then((statement) => statement.finalize()).catch(() => undefined),
  });

  constructor(private readonly driver: sqlite3.Database) {}

  prepared(text: string): Promise<sqlite3.Statement> {
    const known = this.kept.get(text);
    if (known) return known;
    const prepared = this.prepare(text);
    this.kept.set(text, prepared);
    // One that could not be prepared, its table not there yet, may be another time.
    prepared.catch(() => this.kept.delete(text));
    return prepared;
  }

  private prepare(text: string): Promise<sqlite3.Statement> {
    return new Promise((resolve, reject) => {
      const statement = this.driver.prepare(text, (error: Error | null) =>
        error ? reject(error) : resolve(statement),
      );
    });
  }

  /** Lets go of all of them; a file does not close before. */
  async close(): Promise<void> {
    const all = [...this.kept.values()];
    this.kept.clear();
    await Promise.allSettled(all);
  }
}
