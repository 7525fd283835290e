import type { JobFile, JobSummary, PanelFacts, Zone } from '@blue-ledge/core';
import { Injectable } from '@nestjs/common';
import type { Transaction } from 'sequelize';
import { JobRow, PanelRow, ZoneRow } from '../database/rows.ts';

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
    for (const [place, panel] of panels.entries()) {
      const { zones, ...facts } = panel;
      await PanelRow.create({ jobId: file.job.id, id: panel.id, place, body: facts }, { transaction });
      const rows = zones.map((zone, i) => ({
        jobId: file.job.id,
        panelId: panel.id,
        id: zone.id,
        place: i,
        body: zone,
      }));
      await ZoneRow.bulkCreate(rows, { transaction });
    }
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
