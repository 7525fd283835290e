import {
  areaProblem,
  readJob,
  type JobFile,
  type JobView,
  type Panel,
  type PanelFacts,
  type PanelView,
  type Zone,
} from '@blue-ledge/core';
import { Injectable } from '@nestjs/common';
import type { Transaction } from 'sequelize';
import { IdempotentWrites } from '../database/idempotent-writes.ts';
import type { PanelParams, ZoneParams } from '../http/params.ts';
import { ProblemError, notFound, stale } from '../http/problem.ts';
import type { JobPatch, PanelWrite, ZoneWrite } from './jobs.schemas.ts';
import { JobsRepository, type JobBody, type Versioned } from './jobs.repository.ts';

const isSameVersions = (a: Readonly<Record<string, number>>, b: Readonly<Record<string, number>>): boolean =>
  Object.keys(a).length === Object.keys(b).length &&
  Object.entries(a).every(([id, version]) => b[id] === version);

/** Jobs, panels and zones: whole or not at all, never over somebody else's change. */
@Injectable()
export class JobsService {
  constructor(
    private readonly jobs: JobsRepository,
    private readonly once: IdempotentWrites,
  ) {}

  list() {
    return this.jobs.list();
  }

  async get(id: string): Promise<JobView> {
    const { job, panels } = await this.load(id);
    const views = panels.map(({ zones, ...facts }) => ({
      ...(facts as PanelFacts),
      tops: zones.map((zone) => zone.layers[zone.layers.length - 1]!.kind),
    }));
    return { version: job.version, job: job.value.job, shop: job.value.shop, panels: views };
  }

  /** The job as an open job file. */
  async file(id: string): Promise<JobFile> {
    const { job, panels } = await this.load(id);
    return { ...job.value, panels } as JobFile;
  }

  /** Product sheets that the job carries. */
  async sheets(id: string): Promise<JobFile['sheets']> {
    const job = await this.jobs.job(id);
    if (!job) throw notFound(`Job "${id}"`);
    return job.value.sheets;
  }

  async panel(key: PanelParams, transaction?: Transaction): Promise<PanelView> {
    const [job, panel, zones] = await Promise.all([
      this.jobs.job(key.job, transaction),
      this.jobs.panel(key, transaction),
      this.jobs.zones(key, transaction),
    ]);
    if (!job) throw notFound(`Job "${key.job}"`);
    if (!panel) throw notFound(`Panel "${key.panel}"`);
    return {
      job: { id: job.value.job.id, title: job.value.job.title, version: job.version },
      shop: job.value.shop,
      target: job.value.job.target,
      panel: { ...panel.value, zones: zones.map(({ value }) => value) } as Panel,
      version: panel.version,
      zoneVersions: Object.fromEntries(zones.map(({ value, version }) => [value.id, version])),
    };
  }

  /** Takes a job file in, all of it or nothing. */
  async take(json: unknown, clientKey?: string): Promise<{ id: string; version: number }> {
    const read = readJob(json);
    if (!read.ok) throw new ProblemError(400, 'The job file was not taken in.', read.problems);
    const file = read.value;
    return this.once.run(clientKey, async (transaction) => {
      if (await this.jobs.job(file.job.id, transaction))
        throw new ProblemError(
          409,
          `A job with the id "${file.job.id}" is here already. Give the file another job id, or open that job.`,
        );
      await this.jobs.insert(file, transaction);
      return { id: file.job.id, version: 1 };
    });
  }

  /** Changes target, shop or title. */
  patch(
    id: string,
    { version, target, shop, title }: JobPatch,
    clientKey?: string,
  ): Promise<{ version: number }> {
    return this.once.run(clientKey, async (transaction) => {
      const now = await this.jobs.job(id, transaction);
      if (!now) throw notFound(`Job "${id}"`);
      const job = { ...now.value.job, ...(target ? { target } : {}), ...(title ? { title } : {}) };
      const body: JobBody = { ...now.value, job, ...(shop ? { shop } : {}) };
      if (!(await this.jobs.updateJob(id, body, version, transaction)))
        throw stale({ target, shop, title }, now);
      return { version: version + 1 };
    });
  }

  /** Changes one zone, where the panel stays whole with it. */
  writeZone(key: ZoneParams, { version, zone }: ZoneWrite, clientKey?: string): Promise<Versioned<Zone>> {
    if (zone.id !== key.zone)
      throw new ProblemError(400, 'The zone was not saved.', [
        { path: 'zone.id', message: `must stay "${key.zone}"` },
      ]);
    return this.once.run(clientKey, async (transaction) => {
      const panel = await this.jobs.panel(key, transaction);
      const zones = await this.jobs.zones(key, transaction);
      const now = zones.find(({ value }) => value.id === key.zone);
      if (!panel || !now) throw notFound(`Zone "${key.zone}" of panel "${key.panel}"`);
      const after = zones.map(({ value }) => (value.id === zone.id ? zone : value));
      const problem = areaProblem(panel.value.areaM2, after);
      if (problem)
        throw new ProblemError(422, 'The zone was not saved.', [
          { path: 'zone.areaM2', message: `The zones ${problem}` },
        ]);
      if (!(await this.jobs.updateZone(key, zone, version, transaction))) throw stale(zone, now);
      return { value: zone, version: version + 1 };
    });
  }

  /** Puts a panel with all its zones in the place of the one that was seen; nothing where anything changed since. */
  writePanel(
    key: PanelParams,
    { version, zoneVersions, panel }: PanelWrite,
    clientKey?: string,
  ): Promise<PanelView> {
    if (panel.id !== key.panel)
      throw new ProblemError(400, 'The panel was not saved.', [
        { path: 'panel.id', message: `must stay "${key.panel}"` },
      ]);
    return this.once.run(clientKey, async (transaction) => {
      const now = await this.panel(key, transaction);
      const isSeen = now.version === version && isSameVersions(now.zoneVersions, zoneVersions);
      if (!isSeen) throw stale(panel, now);
      await this.jobs.replacePanel(key.job, panel, now, transaction);
      return this.panel(key, transaction);
    });
  }

  /** Adds a panel at the end of the job. */
  addPanel(job: string, panel: Panel, clientKey?: string): Promise<PanelView> {
    return this.once.run(clientKey, async (transaction) => {
      if (!(await this.jobs.job(job, transaction))) throw notFound(`Job "${job}"`);
      const key = { job, panel: panel.id };
      if (await this.jobs.panel(key, transaction))
        throw new ProblemError(409, 'The panel was not added.', [
          { path: 'panel.id', message: `"${panel.id}" is here already; give the panel another id` },
        ]);
      await this.jobs.insertPanel(job, panel, transaction);
      return this.panel(key, transaction);
    });
  }

  /** Takes a panel out of the job and gives it back, so that it can be put in again. */
  removePanel(key: PanelParams, version: number, clientKey?: string): Promise<{ removed: Panel }> {
    return this.once.run(clientKey, async (transaction) => {
      const now = await this.panel(key, transaction);
      if (now.version !== version) throw stale(null, now);
      await this.jobs.deletePanel(key, transaction);
      return { removed: now.panel };
    });
  }

  private async load(id: string): Promise<{ job: Versioned<JobBody>; panels: Panel[] }> {
    const job = await this.jobs.job(id);
    if (!job) throw notFound(`Job "${id}"`);
    const facts = await this.jobs.panels(id);
    const panels = facts.map(async ({ value }) => {
      const zones = await this.jobs.zones({ job: id, panel: value.id });
      return { ...value, zones: zones.map((zone) => zone.value) } as Panel;
    });
    return { job, panels: await Promise.all(panels) };
  }
}
