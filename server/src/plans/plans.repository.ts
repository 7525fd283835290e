import {
  PLAN_FORMAT,
  choiceAfter,
  storedPlanOf,
  type Choice,
  type DecidingTest,
  type OpenPlan,
  type StoredPlan,
} from '@blue-ledge/core';
import { randomUUID } from 'node:crypto';
import { Op } from 'sequelize';
import type { Read, Write } from '../database/database.ts';
import { jsonOf } from '../database/sql.ts';
import type { PlanFields } from '../database/tables.ts';
import type { PanelParams, PlanParams } from '../http/params.ts';
import { RecordReader } from '../record/record.repository.ts';

/** The only file that reads and writes plans; a plan's body never changes, only which system is chosen. */

export interface KeptPlan extends Choice {
  readonly id: string;
  readonly version: number;
  readonly createdAt: Date;
  /** Null where another release kept it in a shape that this one does not read. */
  readonly plan: StoredPlan | null;
  readonly tests: readonly DecidingTest[] | null;
}

/** Plans of a panel that are kept besides those that somebody chose from. */
const MOST_KEPT = 20;

type Row = Pick<PlanFields, 'id' | 'version' | 'chosen' | 'wanted' | 'follows' | 'body' | 'tests'> & {
  readonly createdAt: string;
};

const keptOf = ({ id, version, chosen, wanted, follows, createdAt, body, tests }: Row): KeptPlan => ({
  id,
  version,
  chosen,
  wanted,
  follows: jsonOf(follows),
  createdAt: new Date(createdAt),
  plan: storedPlanOf(jsonOf(body)),
  tests: jsonOf(tests),
});

const PLANS_OF_PANEL = `SELECT id, version, chosen, wanted, follows, "createdAt", body, tests FROM plans
  WHERE "jobId" = $1 AND "panelId" = $2`;

const NEWEST_FIRST: [string, string][] = [['seq', 'DESC']];
const subjectOf = ({ job, panel }: PanelParams): string => `jobs/${job}/panels/${panel}/plans`;

/** Plans in one snapshot, looked up by their whole address. */
export class PlansReader {
  constructor(protected readonly tx: Read) {}

  async latest({ job, panel }: PanelParams): Promise<KeptPlan | null> {
    const newest = `${PLANS_OF_PANEL} ORDER BY seq DESC LIMIT 1`;
    const [row] = await this.tx.sql.rows<Row>(newest, job, panel);
    return row ? keptOf(row) : null;
  }

  /** The newest plan of every panel of a shop's open jobs of which a system is chosen. */
  async chosenInShop(shopId: string): Promise<OpenPlan[]> {
    const rows = await this.tx.sql.rows<Row & { readonly job: string; readonly panel: string }>(
      `SELECT plans.id, plans.version, chosen, wanted, follows, plans."createdAt", plans.body, tests,
         jobs.title AS job, "panelId" AS panel
       FROM plans JOIN jobs ON jobs.id = plans."jobId"
       JOIN panels ON panels."jobId" = jobs.id AND panels.id = plans."panelId"
       WHERE jobs."shopId" = $1 AND jobs."archivedAt" IS NULL AND jobs."removedAt" IS NULL
         AND panels."removedAt" IS NULL AND chosen IS NOT NULL
         AND plans.seq = (SELECT MAX(newer.seq) FROM plans AS newer
           WHERE newer."jobId" = plans."jobId" AND newer."panelId" = plans."panelId")
       ORDER BY jobs.title, "panelId"`,
      shopId,
    );
    return rows.flatMap(({ job, panel, ...row }) => {
      const { plan, chosen } = keptOf(row);
      return plan && chosen !== null ? [{ job, panel, chosen, plan }] : [];
    });
  }

  /** Whether a plan of this id is here. */
  async has({ job, panel, plan }: PlanParams): Promise<boolean> {
    const rows = await this.tx.sql.rows(
      'SELECT id FROM plans WHERE "jobId" = $1 AND "panelId" = $2 AND id = $3',
      job,
      panel,
      plan,
    );
    return rows.length > 0;
  }

  async byId({ job, panel, plan }: PlanParams): Promise<KeptPlan | null> {
    const [row] = await this.tx.sql.rows<Row>(`${PLANS_OF_PANEL} AND id = $3`, job, panel, plan);
    return row ? keptOf(row) : null;
  }
}

export class PlansWriter extends PlansReader {
  constructor(protected override readonly tx: Write) {
    super(tx);
  }

  /**
   * Keeps a plan, with what was chosen in the one before it where that is ready still; of a panel's older ones, the
   * newest and those that somebody chose from.
   */
  async insert(key: PanelParams, plan: StoredPlan): Promise<KeptPlan> {
    const { tables, note } = this.tx;
    const { job, panel } = key;
    const id = randomUUID();
    const choice = choiceAfter(await this.latest(key), plan);
    const { chosen } = choice;
    const seq = await this.nextSeq();
    const fields = { id, jobId: job, panelId: panel, seq, ...choice, formatVersion: PLAN_FORMAT, body: plan };
    const { createdAt } = await tables.plans.create(fields);
    await this.prune(key);
    note({ subject: subjectOf(key), kind: 'plan.made', body: { id, chosen } });
    return { id, version: 1, ...choice, createdAt, plan, tests: null };
  }

  /** Plans are in the order in which they were made; a clock may have been wrong. */
  private async nextSeq(): Promise<number> {
    const [row] = await this.tx.sql.rows<{ readonly last: number | null }>(
      'SELECT MAX(seq) AS last FROM plans',
    );
    return Number(row?.last ?? 0) + 1;
  }

  private async prune({ job, panel }: PanelParams): Promise<void> {
    const { tables } = this.tx;
    const old = await tables.plans.findAll({
      where: { jobId: job, panelId: panel, version: 1 },
      attributes: ['id'],
      order: NEWEST_FIRST,
      offset: MOST_KEPT,
      limit: 1000,
    });
    // A plan that was worked by is part of what its record says.
    const worked = await new RecordReader(this.tx).plansWorkedBy({ job, panel });
    const gone = old.flatMap(({ id }) => (worked.has(id) ? [] : [id]));
    if (gone.length > 0) await tables.plans.destroy({ where: { id: { [Op.in]: gone } } });
  }

  /** Notes the tests that would decide, once they are worked out; nothing where the plan is gone. */
  async keepTests(key: PlanParams, tests: readonly DecidingTest[]): Promise<void> {
    const { tables, note } = this.tx;
    const where = { id: key.plan, jobId: key.job, panelId: key.panel };
    const [nRows] = await tables.plans.update({ tests: [...tests] }, { where });
    if (nRows === 1) note({ subject: subjectOf(key), kind: 'plan.tested', body: { id: key.plan } });
  }

  /** Writes where the version is still `from`; false when it is not. */
  async choose(key: PlanParams, chosen: string, from: number): Promise<boolean> {
    const { tables, note } = this.tx;
    const where = { id: key.plan, jobId: key.job, panelId: key.panel, version: from };
    const [nRows] = await tables.plans.update({ chosen, wanted: chosen, version: from + 1 }, { where });
    if (nRows === 1) note({ subject: subjectOf(key), kind: 'plan.chosen', body: { id: key.plan, chosen } });
    return nRows === 1;
  }
}
