import type { Can, CanMove, CanMoveView, CanView } from '@blue-ledge/core';
import type { Read, Write } from '../database/database.ts';
import { jsonOf } from '../database/sql.ts';

/** The only file that reads and writes cans and their moves. */

interface CanRow {
  readonly body: unknown;
  readonly leftMl: number;
  readonly version: number;
}
interface MoveRow {
  readonly body: unknown;
  readonly at: string;
  readonly actor: string;
  readonly leftMl: number;
}

const viewOf = ({ body, leftMl, version }: CanRow): CanView => ({ can: jsonOf<Can>(body), leftMl, version });

const CANS = 'SELECT body, "leftMl", version FROM cans WHERE "shopId" = $1';

/** Cans in one snapshot. */
export class StockReader {
  constructor(protected readonly tx: Read) {}

  async all(shopId: string): Promise<CanView[]> {
    return (await this.tx.sql.rows<CanRow>(`${CANS} ORDER BY id`, shopId)).map(viewOf);
  }

  async byId(shopId: string, id: string): Promise<CanView | null> {
    const [row] = await this.tx.sql.rows<CanRow>(`${CANS} AND id = $2`, shopId, id);
    return row ? viewOf(row) : null;
  }

  /** Moves of a can, the latest first. */
  async moves(shopId: string, canId: string): Promise<CanMoveView[]> {
    const rows = await this.tx.sql.rows<MoveRow>(
      `SELECT body, at, actor, "leftMl" FROM "canMoves" WHERE "shopId" = $1 AND "canId" = $2
         ORDER BY at DESC, id LIMIT 200`,
      shopId,
      canId,
    );
    return rows.map(({ body, at, actor, leftMl }) => ({
      move: jsonOf<CanMove>(body),
      at,
      by: actor,
      leftMl,
    }));
  }

  async hasMove(shopId: string, id: string): Promise<boolean> {
    const sql = 'SELECT id FROM "canMoves" WHERE "shopId" = $1 AND id = $2';
    return (await this.tx.sql.rows(sql, shopId, id)).length > 0;
  }
}

export class StockWriter extends StockReader {
  constructor(protected override readonly tx: Write) {
    super(tx);
  }

  async insert(shopId: string, can: Can): Promise<CanView> {
    const { sql, note } = this.tx;
    const now = new Date().toISOString();
    await sql.write(
      `INSERT INTO cans ("shopId", id, body, "leftMl", version, "createdAt", "updatedAt")
         VALUES ($1, $2, $3, $4, 1, $5, $5)`,
      shopId,
      can.id,
      JSON.stringify(can),
      can.sizeMl,
      now,
    );
    note({ subject: `shops/${shopId}/stock`, kind: 'can.added', body: { id: can.id } });
    return { can, leftMl: can.sizeMl, version: 1 };
  }

  async update(shopId: string, can: Can, { leftMl, version }: CanView): Promise<CanView> {
    const { sql, note } = this.tx;
    await sql.write(
      `UPDATE cans SET body = $3, "leftMl" = $4, version = $5, "updatedAt" = $6 WHERE "shopId" = $1 AND id = $2`,
      shopId,
      can.id,
      JSON.stringify(can),
      leftMl,
      version + 1,
      new Date().toISOString(),
    );
    note({ subject: `shops/${shopId}/stock`, kind: 'can.changed', body: { id: can.id } });
    return { can, leftMl, version: version + 1 };
  }

  /** Notes a move; the can itself is written by `update`. */
  async keepMove(shopId: string, move: CanMove, leftMl: number): Promise<void> {
    const { sql, actor } = this.tx;
    await sql.write(
      `INSERT INTO "canMoves" ("shopId", id, "canId", at, actor, body, "leftMl")
         VALUES ($1, $2, $3, $4, $5, $6, $7)`,
      shopId,
      move.id,
      move.canId,
      new Date().toISOString(),
      actor,
      JSON.stringify(move),
      leftMl,
    );
  }
}
