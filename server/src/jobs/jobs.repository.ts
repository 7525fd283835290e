import type { JobFile, JobSummary, Panel, PanelFacts, PanelView, Zone } from '@blue-ledge/core';
import { Injectable } from '@nestjs/common';
import type { Transaction } from 'sequelize';
import { JobRow, PanelRow, PlanRow, ZoneRow } from '../database/rows.ts';

/** What of a job lies in its row: all of the file but its panels, extra fields included. */
export type JobBody = Pick<JobFile, 'format' | 'version' | 'job' | 'shop' | 'sheets'>;

export interface Versioned<T> {
  readonly version: number;
  readonly value: T;
}

type PanelKey = { readonly job: string; readonly panel: string };
const bodyOf = <T>(row: { body: object }): T => row.body as T;

/** The only file that reads and writes jobs, panels and zones. */
@Injectable()
export class JobsRepository {
  async list(): Promise<JobSummary[]> {
    const [jobs, panels] = await Promise.all([
      JobRow.findAll({
        order: [
          ['createdAt', 'ASC'],
          ['id', 'ASC'],
        ],
      }),
      PanelRow.findAll({ order: [['place', 'ASC']] }),
    ]);
    const namesOf = (jobId: string): string[] =>
      panels.filter((row) => row.jobId === jobId).map((row) => bodyOf<PanelFacts>(row).name);
    return jobs.map(({ id, title, version }) => ({ id, title, version, panels: namesOf(id) }));
  }

  async job(id: string, transaction?: Transaction): Promise<Versioned<JobBody> | null> {
    const row = await JobRow.findByPk(id, { transaction: transaction ?? null });
    return row && { version: row.version, value: bodyOf<JobBody>(row) };
  }

  async panels(jobId: string): Promise<Versioned<PanelFacts>[]> {
    const rows = await PanelRow.findAll({ where: { jobId }, order: [['place', 'ASC']] });
    return rows.map((row) => ({ version: row.version, value: bodyOf<PanelFacts>(row) }));
  }

  async panel({ job, panel }: PanelKey, transaction?: Transaction): Promise<Versioned<PanelFacts> | null> {
    const row = await PanelRow.findOne({
      where: { jobId: job, id: panel },
      transaction: transaction ?? null,
    });
    return row && { version: row.version, value: bodyOf<PanelFacts>(row) };
  }

  async zones({ job, panel }: PanelKey, transaction?: Transaction): Promise<Versioned<Zone>[]> {
    const where = { jobId: job, panelId: panel };
    const rows = await ZoneRow.findAll({
      where,
      order: [['place', 'ASC']],
      transaction: transaction ?? null,
    });
    return rows.map((row) => ({ version: row.version, value: bodyOf<Zone>(row) }));
  }

  async insert(file: JobFile, transaction: Transaction): Promise<void> {
    const { panels, ...body } = file;
    await JobRow.create({ id: file.job.id, title: file.job.title, body }, { transaction });
    for (const panel of panels) await this.insertPanel(file.job.id, panel, transaction);
  }

  /** Adds a panel behind those that the job has. */
  async insertPanel(jobId: string, panel: Panel, transaction: Transaction): Promise<void> {
    const { zones, ...facts } = panel;
    const last = await PanelRow.max<number | null, PanelRow>('place', { where: { jobId }, transaction });
    const place = (last ?? -1) + 1;
    await PanelRow.create({ jobId, id: panel.id, place, body: facts }, { transaction });
    await ZoneRow.bulkCreate(
      zones.map((zone, i) => ({ jobId, panelId: panel.id, id: zone.id, place: i, body: zone })),
      { transaction },
    );
  }

  /** Zones that stay as they were keep their version; what changed gets the next one. */
  async replacePanel(jobId: string, panel: Panel, seen: PanelView, transaction: Transaction): Promise<void> {
    const { zones, ...facts } = panel;
    await PanelRow.update(
      { body: facts, version: seen.version + 1 },
      { where: { jobId, id: panel.id }, transaction },
    );
    await ZoneRow.destroy({ where: { jobId, panelId: panel.id }, transaction });
    const versionOf = (zone: Zone): number => {
      const before = seen.panel.zones.find(({ id }) => id === zone.id);
      const version = seen.zoneVersions[zone.id];
      if (!before || version === undefined) return 1;
      return JSON.stringify(before) === JSON.stringify(zone) ? version : version + 1;
    };
    await ZoneRow.bulkCreate(
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
  }

  /** Removes a panel with its zones and plans. */
  async deletePanel({ job, panel }: PanelKey, transaction: Transaction): Promise<void> {
    const where = { jobId: job, panelId: panel };
    await PlanRow.destroy({ where, transaction });
    await ZoneRow.destroy({ where, transaction });
    await PanelRow.destroy({ where: { jobId: job, id: panel }, transaction });
  }

  /** Writes where the version is still `from`; false when it is not. */
  async updateZone(key: PanelKey, zone: Zone, from: number, transaction: Transaction): Promise<boolean> {
    const where = { jobId: key.job, panelId: key.panel, id: zone.id, version: from };
    const [nRows] = await ZoneRow.update({ body: zone, version: from + 1 }, { where, transaction });
    return nRows === 1;
  }

  /** Writes where the version is still `from`; false when it is not. */
  async updateJob(id: string, body: JobBody, from: number, transaction: Transaction): Promise<boolean> {
    const values = { body, title: body.job.title, version: from + 1 };
    const [nRows] = await JobRow.update(values, { where: { id, version: from }, transaction });
    return nRows === 1;
  }
}
