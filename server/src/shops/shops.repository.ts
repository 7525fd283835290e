import type { ProductSheet, Shop, ShopView } from '@blue-ledge/core';
import { randomUUID } from 'node:crypto';
import type { Read, Write } from '../database/database.ts';

/** The only file that reads and writes shops and their sheets. */

/** Shops in one snapshot. */
export class ShopsReader {
  constructor(protected readonly tx: Read) {}

  async all(): Promise<ShopView[]> {
    const { tables, transaction } = this.tx;
    const order: [string, string][] = [
      ['createdAt', 'ASC'],
      ['id', 'ASC'],
    ];
    const rows = await tables.shops.findAll({ order, transaction });
    return rows.map(({ id, name, version, body }) => ({ id, name, version, shop: body as Shop }));
  }

  async byId(id: string): Promise<ShopView | null> {
    const { tables, transaction } = this.tx;
    const row = await tables.shops.findByPk(id, { transaction });
    return row && { id, name: row.name, version: row.version, shop: row.body as Shop };
  }

  /** The newest version of each of the shop's own sheets. */
  async sheets(shopId: string): Promise<ProductSheet[]> {
    const { tables, transaction } = this.tx;
    const order: [string, string][] = [
      ['id', 'ASC'],
      ['sheetVersion', 'ASC'],
    ];
    const rows = await tables.sheets.findAll({ where: { shopId }, order, transaction });
    return [...new Map(rows.map(({ id, body }) => [id, body as ProductSheet])).values()];
  }

  /** How many jobs refer to it. */
  async nJobs(shopId: string): Promise<number> {
    const { tables, transaction } = this.tx;
    return tables.jobs.count({ where: { shopId }, transaction });
  }
}

export class ShopsWriter extends ShopsReader {
  constructor(protected override readonly tx: Write) {
    super(tx);
  }

  async insert(name: string, shop: Shop, sheets: readonly ProductSheet[]): Promise<ShopView> {
    const { tables, transaction, note } = this.tx;
    const id = randomUUID();
    await tables.shops.create({ id, name, body: shop }, { transaction });
    note({ subject: `shops/${id}`, kind: 'shop.made', body: { name } });
    await this.addSheets(id, sheets);
    return { id, name, version: 1, shop };
  }

  /** Adds sheets that the shop does not have; those that it has stay as they are. */
  async addSheets(shopId: string, sheets: readonly ProductSheet[]): Promise<void> {
    const { tables, transaction, note } = this.tx;
    const known = new Set((await this.sheets(shopId)).map(({ id }) => id));
    for (const sheet of sheets.filter(({ id }) => !known.has(id))) {
      const { id, version: sheetVersion } = sheet;
      await tables.sheets.create({ shopId, id, sheetVersion, body: sheet }, { transaction });
      note({ subject: `shops/${shopId}/sheets/${id}`, kind: 'sheet.added', body: { version: sheetVersion } });
    }
  }

  /** Writes where the version is still `from`; false when it is not. */
  async update(id: string, { name, shop }: Pick<ShopView, 'name' | 'shop'>, from: number): Promise<boolean> {
    const { tables, transaction, note } = this.tx;
    const values = { name, body: shop, version: from + 1 };
    const [nRows] = await tables.shops.update(values, { where: { id, version: from }, transaction });
    if (nRows === 1) note({ subject: `shops/${id}`, kind: 'shop.changed', body: { version: from + 1 } });
    return nRows === 1;
  }

  async remove(id: string): Promise<void> {
    const { tables, transaction, note } = this.tx;
    await tables.sheets.destroy({ where: { shopId: id }, transaction });
    await tables.shops.destroy({ where: { id }, transaction });
    note({ subject: `shops/${id}`, kind: 'shop.removed' });
  }
}
