import { isSameJson } from '@blue-ledge/core';
import type {
  JobBody,
  JobFacts,
  PanelState,
  JobSummary,
  Panel,
  PanelFacts,
  PanelView,
  Removal,
  RemovedPanel,
  Shop,
  Zone,
} from '@blue-ledge/core';
import { Op, col, fn, literal, where, type WhereOptions } from 'sequelize';
import type { Read, Write } from '../database/database.ts';
import { bytesOf, jsonOf, momentText } from '../database/sql.ts';
import type { JobFields, PanelFields, PlanFields, Tables, ZoneFields } from '../database/tables.ts';
import { RecordReader } from '../record/record.repository.ts';
import type { JobsQuery } from './jobs.schemas.ts';

/** The only file that reads and writes jobs, panels and zones. What was removed is left out of every answer. */

export interface Versioned<T> {
  readonly version: number;
  readonly value: T;
}

/** A job as its row has it. */
export interface StoredJob extends Versioned<JobBody> {
  readonly shopId: string;
  readonly isArchived: boolean;
}

type BodyRow = Pick<PanelFields, 'version' | 'body'>;
type JobRow = Pick<JobFields, 'version' | 'shopId' | 'body' | 'archivedAt'>;
type PanelKey = { readonly job: string; readonly panel: string };
type Order = [string, 'ASC' | 'DESC'][];

const BY_PLACE: Order = [['place', 'ASC']];
const subjectOf = ({ job, panel }: PanelKey): string => `jobs/${job}/panels/${panel}`;

/** Whether a column holds a text, large letters as small ones; percent and underscore stand for themselves. */
function hasText({ jobs }: Tables, column: 'title' | 'id', text: string) {
  const wanted = `%${text.toLowerCase().replaceAll(/[\\%_]/g, String.raw`\$&`)}%`;
  const like = literal(`${jobs.sequelize!.escape(wanted)} ESCAPE '\\'`);
  return where(fn('lower', col(column)), { [Op.like]: like });
}

/** For so long a removed job or panel can be put back. */
export const KEPT_DAYS = 30;
const DAY_MS = 24 * 60 * 60 * 1000;

const removalOf = (at: Date, hasRecord: boolean): Removal => ({
  at: at.toISOString(),
  until: hasRecord ? null : new Date(at.getTime() + KEPT_DAYS * DAY_MS).toISOString(),
});

interface PanelInJob {
  readonly job: StoredJob;
  readonly shop: Shop;
  /** Null where the job has no such panel. */
  readonly panel: Versioned<PanelFacts> | null;
}
type PanelInJobRow = Pick<JobFields, 'shopId' | 'archivedAt'> & {
  readonly jobVersion: number;
  readonly jobBody: unknown;
  readonly shop: unknown;
  readonly version: number | null;
  readonly body: unknown;
};
const PANEL_IN_JOB = `SELECT jobs.version AS "jobVersion", jobs.body AS "jobBody", jobs."shopId", jobs."archivedAt",
    shops.body AS shop, panels.version, panels.body
  FROM jobs JOIN shops ON shops.id = jobs."shopId"
    LEFT JOIN panels ON panels."jobId" = jobs.id AND panels.id = $2 AND panels."removedAt" IS NULL
  WHERE jobs.id = $1 AND jobs."removedAt" IS NULL`;

/** Jobs in one snapshot. */
export class JobsReader {
  constructor(protected readonly tx: Read) {}

  /** One page of jobs, newest first, with the state of each panel; and how many there are in all. */
  async page({
    text,
    archived,
    removed,
    offset,
    limit,
  }: JobsQuery): Promise<{ jobs: JobSummary[]; nJobs: number }> {
    const { tables } = this.tx;
    const found: WhereOptions<JobFields> = {
      ...(removed
        ? { removedAt: { [Op.ne]: null } }
        : { removedAt: null, archivedAt: archived ? { [Op.ne]: null } : null }),
      ...(text ? { [Op.or]: [hasText(tables, 'title', text), hasText(tables, 'id', text)] } : {}),
    } as WhereOptions<JobFields>;
    const order: Order = [
      [removed ? 'removedAt' : 'createdAt', 'DESC'],
      ['id', 'ASC'],
    ];
    const nJobs = await tables.jobs.count({ where: found });
    const rows = await tables.jobs.findAll({ where: found, order, offset, limit });
    const ids = rows.map(({ id }) => id);
    const panels = await tables.panels.findAll({ where: { jobId: ids, removedAt: null }, order: BY_PLACE });
    const states = await this.panelStates(ids);
    const recorded = await new RecordReader(this.tx).jobsWithRecord(ids);
    return {
      nJobs,
      jobs: rows.map(({ id, title, version, body, archivedAt, removedAt }) => ({
        id,
        title,
        version,
        dueOn: (body as JobBody).job.dueOn,
        isArchived: archivedAt !== null,
        ...(removedAt ? { removal: removalOf(removedAt, recorded.has(id)) } : {}),
        panels: panels
          .filter(({ jobId }) => jobId === id)
          .map((row) => ({
            id: row.id,
            name: (row.body as PanelFacts).name,
            state: states.get(`${id}/${row.id}`) ?? 'surveyed',
          })),
      })),
    };
  }

  /** How far the panels of some jobs are, by `job/panel`; panels without a plan or a record are left out. */
  async panelStates(jobIds: readonly string[]): Promise<Map<string, PanelState>> {
    const plans = await this.tx.sql.rows<Pick<PlanFields, 'jobId' | 'panelId' | 'chosen'>>(
      `SELECT "jobId", "panelId", chosen FROM plans AS plan
        WHERE "jobId" IN (${jobIds.map((_, i) => `$${i + 1}`).join(', ') || 'NULL'}) AND NOT EXISTS (
          SELECT 1 FROM plans AS newer WHERE newer."jobId" = plan."jobId" AND newer."panelId" = plan."panelId"
            AND newer.seq > plan.seq)`,
      ...jobIds,
    );
    const planned = plans.map(
      ({ jobId, panelId, chosen }) => [`${jobId}/${panelId}`, chosen ? 'planned' : 'stopped'] as const,
    );
    return new Map([...planned, ...(await new RecordReader(this.tx).progress(jobIds))]);
  }

  /** Panels that were removed from a job and can be put back, the last one first. */
  async removedPanels(jobId: string): Promise<RemovedPanel[]> {
    const rows = await this.tx.tables.panels.findAll({
      where: { jobId, removedAt: { [Op.ne]: null } } as WhereOptions<PanelFields>,
      order: [['removedAt', 'DESC']],
    });
    const record = new RecordReader(this.tx);
    const removed: RemovedPanel[] = [];
    for (const { id, body, removedAt } of rows)
      removed.push({
        id,
        name: (body as PanelFacts).name,
        removal: removalOf(removedAt!, await record.has({ job: jobId, panel: id })),
      });
    return removed;
  }

  /** Whether a job of this id is here, removed or not. */
  async isJobIdTaken(id: string): Promise<boolean> {
    return (await this.tx.tables.jobs.count({ where: { id } })) > 0;
  }

  /** Whether a job has or had a panel of this id, removed or not. */
  async isPanelIdTaken({ job, panel }: PanelKey): Promise<boolean> {
    return (await this.tx.tables.panels.count({ where: { jobId: job, id: panel } })) > 0;
  }

  async job(id: string): Promise<StoredJob | null> {
    const [row] = await this.tx.sql.rows<JobRow>(
      'SELECT version, "shopId", body, "archivedAt" FROM jobs WHERE id = $1 AND "removedAt" IS NULL',
      id,
    );
    if (!row) return null;
    const { version, shopId, body, archivedAt } = row;
    return { version, value: jsonOf(body), shopId, isArchived: archivedAt !== null };
  }

  async panelIds(jobId: string): Promise<string[]> {
    const rows = await this.tx.sql.rows<Pick<PanelFields, 'id'>>(
      'SELECT id FROM panels WHERE "jobId" = $1 AND "removedAt" IS NULL ORDER BY place',
      jobId,
    );
    return rows.map(({ id }) => id);
  }

  /** All panels of a job with their zones, in two queries. */
  async panels(jobId: string): Promise<Panel[]> {
    const { rows } = this.tx.sql;
    const panels = await rows<Pick<PanelFields, 'id' | 'body'>>(
      'SELECT id, body FROM panels WHERE "jobId" = $1 AND "removedAt" IS NULL ORDER BY place',
      jobId,
    );
    const zones = await rows<Pick<ZoneFields, 'panelId' | 'body'>>(
      'SELECT "panelId", body FROM zones WHERE "jobId" = $1 ORDER BY place',
      jobId,
    );
    const byPanel = new Map<string, Zone[]>(panels.map(({ id }) => [id, []]));
    for (const { panelId, body } of zones) byPanel.get(panelId)?.push(jsonOf(body));
    return panels.map(({ id, body }) => ({ ...jsonOf<PanelFacts>(body), zones: byPanel.get(id)! }) as Panel);
  }

  /** How much text the panels of a job are, bytes. */
  async bytesOfPanels(jobId: string): Promise<number> {
    const [row] = await this.tx.sql.rows<{ bytes: number | null }>(
      `SELECT SUM(${bytesOf('panels.body')} + (
          SELECT SUM(${bytesOf('zones.body')}) FROM zones
            WHERE zones."jobId" = panels."jobId" AND zones."panelId" = panels.id)) AS bytes
        FROM panels WHERE "jobId" = $1 AND "removedAt" IS NULL`,
      jobId,
    );
    return Number(row?.bytes ?? 0);
  }

  nPanels(jobId: string): Promise<number> {
    const { tables } = this.tx;
    return tables.panels.count({ where: { jobId, removedAt: null } });
  }

  async panel({ job, panel }: PanelKey): Promise<Versioned<PanelFacts> | null> {
    const [row] = await this.tx.sql.rows<BodyRow>(
      'SELECT version, body FROM panels WHERE "jobId" = $1 AND id = $2 AND "removedAt" IS NULL',
      job,
      panel,
    );
    return row ? { version: row.version, value: jsonOf(row.body) } : null;
  }

  /** A panel with its job and shop, all of it in one query; null where there is no such job. */
  async panelInJob({ job, panel }: PanelKey): Promise<PanelInJob | null> {
    const [row] = await this.tx.sql.rows<PanelInJobRow>(PANEL_IN_JOB, job, panel);
    if (!row) return null;
    return {
      job: {
        version: row.jobVersion,
        value: jsonOf(row.jobBody),
        shopId: row.shopId,
        isArchived: row.archivedAt !== null,
      },
      shop: jsonOf(row.shop),
      panel: row.version === null ? null : { version: row.version, value: jsonOf(row.body) },
    };
  }

  async zones({ job, panel }: PanelKey): Promise<Versioned<Zone>[]> {
    const rows = await this.tx.sql.rows<BodyRow>(
      'SELECT version, body FROM zones WHERE "jobId" = $1 AND "panelId" = $2 ORDER BY place',
      job,
      panel,
    );
    return rows.map(({ version, body }) => ({ version, value: jsonOf(body) }));
  }
}

const UPDATE_PANEL =
  'UPDATE panels SET body = $3, version = $4, "updatedAt" = $5 WHERE "jobId" = $1 AND id = $2';
const DELETE_ZONE = 'DELETE FROM zones WHERE "jobId" = $1 AND "panelId" = $2 AND id = $3';
const PUT_ZONE = `INSERT INTO zones ("jobId", "panelId", id, place, body, version, "createdAt", "updatedAt")
  VALUES ($1, $2, $3, $4, $5, $6, $7, $7)
  ON CONFLICT ("jobId", "panelId", id) DO UPDATE SET
    place = excluded.place, body = excluded.body, version = excluded.version, "updatedAt" = excluded."updatedAt"`;

export class JobsWriter extends JobsReader {
  constructor(protected override readonly tx: Write) {
    super(tx);
  }

  async insert(body: JobBody, shopId: string, panels: readonly Panel[]): Promise<void> {
    const { tables, note } = this.tx;
    const { id, title } = body.job;
    await tables.jobs.create({ id, shopId, title, body });
    note({ subject: `jobs/${id}`, kind: 'job.made' });
    for (const panel of panels) await this.insertPanel(id, panel);
  }

  /** Adds a panel behind those that the job has. */
  async insertPanel(jobId: string, panel: Panel): Promise<void> {
    const { tables, note } = this.tx;
    const { zones, ...facts } = panel;
    const last = await tables.panels.findOne({ where: { jobId }, order: [['place', 'DESC']] });
    const place = (last?.place ?? -1) + 1;
    await tables.panels.create({ jobId, id: panel.id, place, body: facts });
    await tables.zones.bulkCreate(
      zones.map((zone, i) => ({ jobId, panelId: panel.id, id: zone.id, place: i, body: zone })),
    );
    note({ subject: subjectOf({ job: jobId, panel: panel.id }), kind: 'panel.added' });
  }

  /** Writes what changed of a panel; zones that stay as they were keep their version. Returns it as it is then. */
  async replacePanel(jobId: string, panel: Panel, seen: PanelView): Promise<PanelView> {
    const { sql, note } = this.tx;
    const { zones, ...facts } = panel;
    const version = seen.version + 1;
    const now = momentText(new Date());
    await sql.write(UPDATE_PANEL, jobId, panel.id, JSON.stringify(facts), version, now);
    for (const { id } of seen.panel.zones)
      if (!zones.some((zone) => zone.id === id)) await sql.write(DELETE_ZONE, jobId, panel.id, id);
    const zoneVersions: Record<string, number> = {};
    for (const [place, zone] of zones.entries()) {
      const placeBefore = seen.panel.zones.findIndex(({ id }) => id === zone.id);
      const isSame = placeBefore >= 0 && isSameJson(seen.panel.zones[placeBefore], zone);
      const zoneVersion = (seen.zoneVersions[zone.id] ?? 0) + (isSame ? 0 : 1);
      zoneVersions[zone.id] = zoneVersion;
      if (isSame && place === placeBefore) continue;
      await sql.write(PUT_ZONE, jobId, panel.id, zone.id, place, JSON.stringify(zone), zoneVersion, now);
    }
    note({ subject: subjectOf({ job: jobId, panel: panel.id }), kind: 'panel.changed', body: { version } });
    return { ...seen, panel, version, zoneVersions };
  }

  async removePanel(key: PanelKey): Promise<void> {
    const { tables, note } = this.tx;
    await tables.panels.update({ removedAt: new Date() }, { where: { jobId: key.job, id: key.panel } });
    note({ subject: subjectOf(key), kind: 'panel.removed' });
  }

  /** False where no such panel was removed. */
  async putPanelBack(key: PanelKey): Promise<boolean> {
    const { tables, note } = this.tx;
    const where = { jobId: key.job, id: key.panel, removedAt: { [Op.ne]: null } };
    const [nRows] = await tables.panels.update({ removedAt: null }, { where });
    if (nRows === 1) note({ subject: subjectOf(key), kind: 'panel.put-back' });
    return nRows === 1;
  }

  /** Writes where the version is still `from`; false when it is not. */
  async updateJob(job: JobFacts, now: StoredJob, shopId: string, from: number): Promise<boolean> {
    const { tables, note } = this.tx;
    const body = { ...now.value, job };
    const version = from + 1;
    const values = { body, title: job.title, shopId, version };
    const [nRows] = await tables.jobs.update(values, { where: { id: job.id, version: from } });
    if (nRows === 1) note({ subject: `jobs/${job.id}`, kind: 'job.changed', body: { version } });
    return nRows === 1;
  }

  async archive(id: string, isArchived: boolean): Promise<void> {
    const { tables, note } = this.tx;
    await tables.jobs.update({ archivedAt: isArchived ? new Date() : null }, { where: { id } });
    note({ subject: `jobs/${id}`, kind: isArchived ? 'job.archived' : 'job.taken-back' });
  }

  async removeJob(id: string): Promise<void> {
    const { tables, note } = this.tx;
    await tables.jobs.update({ removedAt: new Date() }, { where: { id } });
    note({ subject: `jobs/${id}`, kind: 'job.removed' });
  }

  /** False where no such job was removed. */
  async putJobBack(id: string): Promise<boolean> {
    const { tables, note } = this.tx;
    const where = { id, removedAt: { [Op.ne]: null } };
    const [nRows] = await tables.jobs.update({ removedAt: null }, { where });
    if (nRows === 1) note({ subject: `jobs/${id}`, kind: 'job.put-back' });
    return nRows === 1;
  }

  /**
   * Takes away for good what was removed before a moment. What has a record stays, whatever the clock says: such a job is
   * put away, such a panel stays among those that were removed.
   */
  async forgetRemoved(before: Date): Promise<void> {
    const { tables, sql } = this.tx;
    const where = { removedAt: { [Op.lt]: before } };
    const jobs = await tables.jobs.findAll({ where, attributes: ['id'] });
    const recorded = await new RecordReader(this.tx).jobsWithRecord(jobs.map(({ id }) => id));
    for (const { id } of jobs)
      if (recorded.has(id)) {
        await this.putJobBack(id);
        await this.archive(id, true);
      } else await tables.jobs.destroy({ where: { id } });
    await sql.write(
      `DELETE FROM panels WHERE "removedAt" < $1 AND NOT EXISTS (SELECT 1 FROM entries
         WHERE entries."jobId" = panels."jobId" AND entries."panelId" = panels.id)`,
      momentText(before),
    );
  }
}
