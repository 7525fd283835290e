import { isSameJson } from '@blue-ledge/core';
import type {
  JobBody,
  JobFacts,
  PanelState,
  JobSummary,
  Panel,
  PanelFacts,
  PanelView,
  Zone,
} from '@blue-ledge/core';
import { Op, col, fn, literal, where, type WhereOptions } from 'sequelize';
import type { Read, Write } from '../database/database.ts';
import type { JobFields, Tables } from '../database/tables.ts';
import type { JobsQuery } from './jobs.schemas.ts';

/** The only file that reads and writes jobs, panels and zones. */

export interface Versioned<T> {
  readonly version: number;
  readonly value: T;
}

/** A job as its row has it. */
export interface StoredJob extends Versioned<JobBody> {
  readonly shopId: string;
  readonly isArchived: boolean;
}

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

/** Jobs in one snapshot. */
export class JobsReader {
  constructor(protected readonly tx: Read) {}

  /** One page of jobs, newest first, with the state of each panel; and how many there are in all. */
  async page({ text, archived, offset, limit }: JobsQuery): Promise<{ jobs: JobSummary[]; nJobs: number }> {
    const { tables, transaction } = this.tx;
    const archivedAt = archived ? { [Op.ne]: null } : null;
    const found: WhereOptions<JobFields> = {
      archivedAt,
      ...(text ? { [Op.or]: [hasText(tables, 'title', text), hasText(tables, 'id', text)] } : {}),
    } as WhereOptions<JobFields>;
    const order: Order = [
      ['createdAt', 'DESC'],
      ['id', 'ASC'],
    ];
    const nJobs = await tables.jobs.count({ where: found, transaction });
    const rows = await tables.jobs.findAll({ where: found, order, offset, limit, transaction });
    const ids = rows.map(({ id }) => id);
    const panels = await tables.panels.findAll({ where: { jobId: ids }, order: BY_PLACE, transaction });
    const states = await this.panelStates(ids);
    return {
      nJobs,
      jobs: rows.map(({ id, title, version, body, archivedAt: since }) => ({
        id,
        title,
        version,
        dueOn: (body as JobBody).job.dueOn,
        isArchived: since !== null,
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

  /** How far the panels of some jobs are, by `job/panel`; panels without a plan are left out. */
  async panelStates(jobIds: readonly string[]): Promise<Map<string, PanelState>> {
    const { tables, transaction } = this.tx;
    const plans = await tables.plans.findAll({
      where: { jobId: [...jobIds] },
      attributes: ['jobId', 'panelId', 'chosen'],
      order: [
        ['createdAt', 'ASC'],
        ['id', 'DESC'],
      ],
      transaction,
    });
    // The newest plan of a panel comes last, and stands.
    return new Map(
      plans.map(
        ({ jobId, panelId, chosen }) => [`${jobId}/${panelId}`, chosen ? 'planned' : 'stopped'] as const,
      ),
    );
  }

  async job(id: string): Promise<StoredJob | null> {
    const { tables, transaction } = this.tx;
    const row = await tables.jobs.findByPk(id, { transaction });
    return (
      row && {
        version: row.version,
        value: row.body as JobBody,
        shopId: row.shopId,
        isArchived: row.archivedAt !== null,
      }
    );
  }

  /** All panels of a job with their zones, in two queries. */
  async panels(jobId: string): Promise<Panel[]> {
    const { tables, transaction } = this.tx;
    const rows = await tables.panels.findAll({ where: { jobId }, order: BY_PLACE, transaction });
    const zones = await tables.zones.findAll({ where: { jobId }, order: BY_PLACE, transaction });
    const byPanel = new Map<string, object[]>(rows.map(({ id }) => [id, []]));
    for (const { panelId, body } of zones) byPanel.get(panelId)?.push(body);
    return rows.map(({ id, body }) => ({ ...body, zones: byPanel.get(id) }) as unknown as Panel);
  }

  nPanels(jobId: string): Promise<number> {
    const { tables, transaction } = this.tx;
    return tables.panels.count({ where: { jobId }, transaction });
  }

  async panel({ job, panel }: PanelKey): Promise<Versioned<PanelFacts> | null> {
    const { tables, transaction } = this.tx;
    const row = await tables.panels.findOne({ where: { jobId: job, id: panel }, transaction });
    return row && { version: row.version, value: row.body as PanelFacts };
  }

  async zones({ job, panel }: PanelKey): Promise<Versioned<Zone>[]> {
    const { tables, transaction } = this.tx;
    const where = { jobId: job, panelId: panel };
    const rows = await tables.zones.findAll({ where, order: BY_PLACE, transaction });
    return rows.map((row) => ({ version: row.version, value: row.body as Zone }));
  }
}

export class JobsWriter extends JobsReader {
  constructor(protected override readonly tx: Write) {
    super(tx);
  }

  async insert(body: JobBody, shopId: string, panels: readonly Panel[]): Promise<void> {
    const { tables, transaction, note } = this.tx;
    const { id, title } = body.job;
    await tables.jobs.create({ id, shopId, title, body }, { transaction });
    note({ subject: `jobs/${id}`, kind: 'job.made' });
    for (const panel of panels) await this.insertPanel(id, panel);
  }

  /** Adds a panel behind those that the job has. */
  async insertPanel(jobId: string, panel: Panel): Promise<void> {
    const { tables, transaction, note } = this.tx;
    const { zones, ...facts } = panel;
    const last = await tables.panels.findOne({ where: { jobId }, order: [['place', 'DESC']], transaction });
    const place = (last?.place ?? -1) + 1;
    await tables.panels.create({ jobId, id: panel.id, place, body: facts }, { transaction });
    await tables.zones.bulkCreate(
      zones.map((zone, i) => ({ jobId, panelId: panel.id, id: zone.id, place: i, body: zone })),
      { transaction },
    );
    note({ subject: subjectOf({ job: jobId, panel: panel.id }), kind: 'panel.added' });
  }

  /** Zones that stay as they were keep their version; what changed gets the next one. Returns the panel as it is then. */
  async replacePanel(jobId: string, panel: Panel, seen: PanelView): Promise<PanelView> {
    const { tables, transaction, note } = this.tx;
    const { zones, ...facts } = panel;
    const version = seen.version + 1;
    await tables.panels.update({ body: facts, version }, { where: { jobId, id: panel.id }, transaction });
    await tables.zones.destroy({ where: { jobId, panelId: panel.id }, transaction });
    const versionOf = (zone: Zone): number => {
      const before = seen.panel.zones.find(({ id }) => id === zone.id);
      const was = seen.zoneVersions[zone.id];
      if (!before || was === undefined) return 1;
      return isSameJson(before, zone) ? was : was + 1;
    };
    await tables.zones.bulkCreate(
      zones.map((zone, i) => ({
        jobId,
        panelId: panel.id,
        id: zone.id,
        place: i,
        body: zone,
        version: versionOf(zone),
      })),
      { transaction },
    );
    note({ subject: subjectOf({ job: jobId, panel: panel.id }), kind: 'panel.changed', body: { version } });
    const zoneVersions = Object.fromEntries(zones.map((zone) => [zone.id, versionOf(zone)]));
    return { ...seen, panel, version, zoneVersions };
  }

  /** Removes a panel with its zones and plans. */
  async deletePanel(key: PanelKey): Promise<void> {
    const { tables, transaction, note } = this.tx;
    const where = { jobId: key.job, panelId: key.panel };
    await tables.plans.destroy({ where, transaction });
    await tables.zones.destroy({ where, transaction });
    await tables.panels.destroy({ where: { jobId: key.job, id: key.panel }, transaction });
    note({ subject: subjectOf(key), kind: 'panel.removed' });
  }

  /** Writes where the version is still `from`; false when it is not. */
  async updateZone(key: PanelKey, zone: Zone, from: number): Promise<boolean> {
    const { tables, transaction, note } = this.tx;
    const where = { jobId: key.job, panelId: key.panel, id: zone.id, version: from };
    const version = from + 1;
    const [nRows] = await tables.zones.update({ body: zone, version }, { where, transaction });
    if (nRows === 1)
      note({ subject: `${subjectOf(key)}/zones/${zone.id}`, kind: 'zone.changed', body: { version } });
    return nRows === 1;
  }

  /** Writes where the version is still `from`; false when it is not. */
  async updateJob(job: JobFacts, now: StoredJob, shopId: string, from: number): Promise<boolean> {
    const { tables, transaction, note } = this.tx;
    const body = { ...now.value, job };
    const version = from + 1;
    const values = { body, title: job.title, shopId, version };
    const [nRows] = await tables.jobs.update(values, { where: { id: job.id, version: from }, transaction });
    if (nRows === 1) note({ subject: `jobs/${job.id}`, kind: 'job.changed', body: { version } });
    return nRows === 1;
  }

  async archive(id: string, isArchived: boolean): Promise<void> {
    const { tables, transaction, note } = this.tx;
    await tables.jobs.update({ archivedAt: isArchived ? new Date() : null }, { where: { id }, transaction });
    note({ subject: `jobs/${id}`, kind: isArchived ? 'job.archived' : 'job.taken-back' });
  }

  async deleteJob(id: string): Promise<void> {
    const { tables, transaction, note } = this.tx;
    const where = { jobId: id };
    for (const table of [tables.plans, tables.zones, tables.panels])
      await (table as typeof tables.panels).destroy({ where, transaction });
    await tables.jobs.destroy({ where: { id }, transaction });
    note({ subject: `jobs/${id}`, kind: 'job.removed' });
  }
}
