import type { Read, Write } from '../database/database.ts';
import { jsonOf, momentText } from '../database/sql.ts';

/** The only file that reads and writes settings: what a person set for the whole program, by name. */

export interface Setting<T> {
  readonly body: T;
  readonly version: number;
}

export class SettingsReader {
  constructor(protected readonly tx: Read) {}

  /** Null where nobody ever set it. */
  async get<T>(name: string): Promise<Setting<T> | null> {
    const [row] = await this.tx.sql.rows<{ readonly body: unknown; readonly version: number }>(
      'SELECT body, version FROM settings WHERE name = $1',
      name,
    );
    return row ? { body: jsonOf<T>(row.body), version: row.version } : null;
  }
}

export class SettingsWriter extends SettingsReader {
  constructor(protected override readonly tx: Write) {
    super(tx);
  }

  /** Writes where the version is still `from`, 0 for one that was never set; false where it is not. */
  async put(name: string, body: object, from: number): Promise<boolean> {
    const now = await this.get(name);
    if ((now?.version ?? 0) !== from) return false;
    await this.tx.sql.write(
      `INSERT INTO settings (name, body, version, "createdAt", "updatedAt") VALUES ($1, $2, $3, $4, $4)
         ON CONFLICT (name) DO UPDATE SET body = excluded.body, version = excluded.version, "updatedAt" = excluded."updatedAt"`,
      name,
      JSON.stringify(body),
      from + 1,
      momentText(new Date()),
    );
    this.tx.note({ subject: `settings/${name}`, kind: 'setting.changed', body: { version: from + 1 } });
    return true;
  }
}
