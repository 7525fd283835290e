import {
  JOB_FORMAT,
  JOB_VERSION,
  MOST_JOB_BYTES,
  MOST_PANELS,
  panelSchema,
  readJob,
  shopAirSchema,
  recordHeadOf,
  recordOfPanel,
  unknownInJob,
  verifyChain,
  withEdit,
  withRecord,
  withoutRecord,
  type JobBody,
  type JobFacts,
  type JobFile,
  type JobsPage,
  type JobView,
  type Panel,
  type PanelFacts,
  type PanelEdit,
  type PanelView,
  type ProductSheet,
  type RemovedPanel,
  type ShopView,
  type TakenJob,
} from '@blue-ledge/core';
import { Injectable } from '@nestjs/common';
import { randomUUID } from 'node:crypto';
import { isDeepStrictEqual } from 'node:util';
import { ClocksWriter } from '../clocks/clocks.repository.ts';
import { Database, type Read, type Write } from '../database/database.ts';
import { IdempotentWrites, type WriteRequest } from '../database/idempotent-writes.ts';
import type { PanelParams } from '../http/params.ts';
import { ProblemError, notFound, stale } from '../http/problem.ts';
import { mustBeKnown, parsedBy } from '../http/zod.pipe.ts';
import { pastOfPanel, type BegunPast } from '../record/past.ts';
import { RecordReader, RecordWriter } from '../record/record.repository.ts';
import { ShopsReader, ShopsWriter } from '../shops/shops.repository.ts';
import { JobsReader, JobsWriter, type StoredJob } from './jobs.repository.ts';
import type { JobAdd, JobPatch, JobsQuery } from './jobs.schemas.ts';

/** A panel as it is planned: what surrounds it, and the shop's own sheets. */
export interface PlannedPanel {
  readonly view: PanelView;
  readonly sheets: readonly ProductSheet[];
  /** What was done on it so far, by its record; null where nothing was. */
  readonly past: BegunPast | null;
}

async function jobOf(tx: Read, id: string): Promise<StoredJob> {
  const job = await new JobsReader(tx).job(id);
  if (!job) throw notFound(`Job "${id}"`);
  return job;
}

/** @throws {Error} for a shop that is gone: jobs keep their shop from being removed */
async function shopOf(tx: Read, id: string): Promise<ShopView> {
  const shop = await new ShopsReader(tx).byId(id);
  if (!shop) throw new Error(`shop ${id} of a job is gone`);
  return shop;
}

async function viewIn(tx: Read, key: PanelParams): Promise<{ view: PanelView; shopId: string }> {
  const jobs = new JobsReader(tx);
  const found = await jobs.panelInJob(key);
  if (!found) throw notFound(`Job "${key.job}"`);
  const { job, shop, panel } = found;
  if (!panel) throw notFound(`Panel "${key.panel}"`);
  const zones = await jobs.zones(key);
  const { id, title, target } = job.value.job;
  const view = {
    job: { id, title, version: job.version },
    shop,
    target,
    panel: { ...panel.value, zones: zones.map(({ value }) => value) } as Panel,
    version: panel.version,
    zoneVersions: Object.fromEntries(zones.map(({ value, version }) => [value.id, version])),
  };
  return { view, shopId: job.shopId };
}

/** The shop that a job is planned in. */
export const shopOfJob = async (tx: Read, job: string): Promise<ShopView> =>
  shopOf(tx, (await jobOf(tx, job)).shopId);

/** Ids of a job's panels, in their order. */
export async function panelIds(tx: Read, job: string): Promise<string[]> {
  await jobOf(tx, job);
  return new JobsReader(tx).panelIds(job);
}

/** A panel in one snapshot, with the job's shop and target. */
export const panelView = async (tx: Read, key: PanelParams): Promise<PanelView> =>
  (await viewIn(tx, key)).view;

/** What was done on a panel until now; null where nothing was. */
export const pastIn = async (tx: Read, key: PanelParams): Promise<BegunPast | null> =>
  pastOfPanel(await new RecordReader(tx).entries(key), Date.now());

/** The same with the sheets that it is planned with, and what was done on it. */
export async function plannedPanel(tx: Read, key: PanelParams): Promise<PlannedPanel> {
  const { view, shopId } = await viewIn(tx, key);
  return { view, sheets: await new ShopsReader(tx).sheets(shopId), past: await pastIn(tx, key) };
}

/** Names of unknown fields that are told at most. */
const MOST_NAMES = 20;

/** What surrounds the panels in a job file is small; so much of it is left to them. */
const MOST_PANEL_BYTES = 0.9 * MOST_JOB_BYTES;

/** @throws {ProblemError} where the job could not be saved as a file and taken in again */
async function mustFitFile(jobs: JobsReader, id: string): Promise<void> {
  if ((await jobs.bytesOfPanels(id)) <= MOST_PANEL_BYTES) return;
  throw new ProblemError(
    422,
    'The job would be larger than a job file may be (8 MB). Nothing was saved: make another job for some of its panels.',
  );
}

/** Jobs, panels and zones: whole or not at all, never over somebody else's change. */
@Injectable()
export class JobsService {
  constructor(
    private readonly database: Database,
    private readonly writes: IdempotentWrites,
  ) {}

  list(query: JobsQuery): Promise<JobsPage> {
    return this.database.read((tx) => new JobsReader(tx).page(query));
  }

  get(id: string): Promise<JobView> {
    return this.database.read(async (tx) => {
      const job = await jobOf(tx, id);
      const jobs = new JobsReader(tx);
      const states = await jobs.panelStates([id]);
      const panels = (await jobs.panels(id)).map(({ zones, ...facts }) => ({
        ...(facts as PanelFacts),
        tops: zones.map((zone) => zone.layers[zone.layers.length - 1]!.kind),
        state: states.get(`${id}/${facts.id}`) ?? ('surveyed' as const),
      }));
      const { version, value, isArchived } = job;
      return { version, job: value.job, isArchived, shop: await shopOf(tx, job.shopId), panels };
    });
  }

  /** The job as an open job file, shop and sheets in it. */
  file(id: string): Promise<JobFile> {
    return this.database.read(async (tx) => {
      const job = await jobOf(tx, id);
      const records = await new RecordReader(tx).entriesOf([id]);
      const panels = (await new JobsReader(tx).panels(id)).map((panel) =>
        withRecord(panel, records.get(`${id}/${panel.id}`) ?? []),
      );
      if (panels.length === 0)
        throw new ProblemError(409, 'A job file needs at least one panel: add one, then save the file.');
      const shops = new ShopsReader(tx);
      const { name, shop } = await shopOf(tx, job.shopId);
      return {
        ...job.value,
        shop: { ...shop, name },
        panels,
        sheets: await shops.sheets(job.shopId),
      } as JobFile;
    });
  }

  /** The shop's own sheets that a job is planned with. */
  sheets(id: string): Promise<ProductSheet[]> {
    return this.database.read(async (tx) => new ShopsReader(tx).sheets((await jobOf(tx, id)).shopId));
  }

  panel(key: PanelParams): Promise<PanelView> {
    return this.database.read((tx) => panelView(tx, key));
  }

  /** Panels of a job that were removed and can be put back. */
  removedPanels(id: string): Promise<RemovedPanel[]> {
    return this.database.read(async (tx) => {
      await jobOf(tx, id);
      return new JobsReader(tx).removedPanels(id);
    });
  }

  planned(key: PanelParams): Promise<PlannedPanel> {
    return this.database.read((tx) => plannedPanel(tx, key));
  }

  /**
   * Takes a job file in, all of it or nothing.
   * @param shopId the shop to plan it in; that of the file where it is left out: one that is the same, or a new one
   */
  take(asked: WriteRequest, json: unknown, shopId?: string): Promise<TakenJob> {
    const read = readJob(json);
    if (!read.ok) throw new ProblemError(400, 'The job file was not taken in.', read.problems);
    const { panels, shop, sheets, ...body } = read.value;
    mustBeIntact(panels);
    const wanted = body.job.id;
    return this.writes.run(asked, async (tx) => {
      const jobs = new JobsWriter(tx);
      if (await jobs.job(wanted))
        throw new ProblemError(
          409,
          `A job with the id "${wanted}" is here already. Give the file another job id, or open that job.`,
        );
      // One that was removed keeps its id: it may be put back.
      const id = await freeId(wanted, (each) => jobs.isJobIdTaken(each));
      const shopOfFile = { name: shop.name, shop: withoutName(shop), sheets };
      const bare = panels.map(withoutRecord);
      const ofJob = { ...body, job: { ...body.job, id } } as JobBody;
      await jobs.insert(ofJob, await this.shopFor(tx, shopId, shopOfFile), bare);
      for (const panel of panels)
        await new RecordWriter(tx).take({ job: id, panel: panel.id }, recordOfPanel(panel));
      return { id, version: 1, unknownFields: unknownInJob(json).slice(0, MOST_NAMES) };
    });
  }

  private async shopFor(
    tx: Write,
    wanted: string | undefined,
    { name, shop, sheets }: Pick<JobFile, 'shop' | 'sheets'> & { readonly name?: string | undefined },
  ): Promise<string> {
    const shops = new ShopsWriter(tx);
    if (wanted !== undefined) {
      if (!(await shops.byId(wanted))) throw notFound(`Shop "${wanted}"`);
      await shops.addSheets(wanted, sheets);
      return wanted;
    }
    const all = await shops.all();
    for (const known of all) {
      const isNamed = name === undefined || name === known.name;
      if (!isNamed || !isDeepStrictEqual(known.shop, shop)) continue;
      const own = await shops.sheets(known.id);
      if (sheets.every((sheet) => own.some((other) => isDeepStrictEqual(other, sheet)))) return known.id;
    }
    const free = all.length === 0 ? 'Shop' : `Shop ${all.length + 1}`;
    return (await shops.insert(name || free, shop, sheets)).id;
  }

  /** Makes a job, with its first panels or without. */
  add(asked: WriteRequest, { job, shopId, panels }: JobAdd): Promise<{ id: string; version: number }> {
    return this.writes.run(asked, async (tx) => {
      if (!(await new ShopsReader(tx).byId(shopId))) throw notFound(`Shop "${shopId}"`);
      const id = `job-${randomUUID().slice(0, 8)}`;
      const body = { format: JOB_FORMAT, version: JOB_VERSION, job: { ...job, id } } as JobBody;
      await new JobsWriter(tx).insert(body, shopId, panels);
      return { id, version: 1 };
    });
  }

  /** A job with the same panels and surveys under another id; its plans are not taken along. */
  duplicate(asked: WriteRequest, id: string): Promise<{ id: string; version: number }> {
    return this.writes.run(asked, async (tx) => {
      const { value, shopId } = await jobOf(tx, id);
      const jobs = new JobsWriter(tx);
      const copy = `job-${randomUUID().slice(0, 8)}`;
      const { title, ...facts } = value.job;
      const job = { ...facts, id: copy, title: `${title.slice(0, 150)} (copy)` } as JobFacts;
      await jobs.insert({ ...value, job }, shopId, await jobs.panels(id));
      return { id: copy, version: 1 };
    });
  }

  /** Changes what is sent of a job; the rest stays as it is. */
  patch(asked: WriteRequest, id: string, change: JobPatch): Promise<{ version: number }> {
    const { version, shopId, isArchived, dueOn, ...facts } = change;
    return this.writes.run(asked, async (tx) => {
      const now = await jobOf(tx, id);
      if (shopId !== undefined && !(await new ShopsReader(tx).byId(shopId)))
        throw notFound(`Shop "${shopId}"`);
      const jobs = new JobsWriter(tx);
      const { dueOn: due, ...rest } = {
        ...now.value.job,
        ...definedOf(facts),
        ...(dueOn === undefined ? {} : { dueOn }),
      };
      const job = { ...rest, ...(due ? { dueOn: due } : {}) } as JobFacts;
      if (!(await jobs.updateJob(job, now, shopId ?? now.shopId, version ?? now.version)))
        throw stale(change, now);
      if (shopId !== undefined && shopId !== now.shopId) await this.moveClocks(tx, id, now.shopId, shopId);
      if (isArchived !== undefined) await jobs.archive(id, isArchived);
      return { version: now.version + 1 };
    });
  }

  /** Clocks of a job run in the air of the shop that it is in. */
  private async moveClocks(tx: Write, job: string, from: string, to: string): Promise<void> {
    const was = shopAirSchema.parse((await shopOf(tx, from)).shop);
    await new ClocksWriter(tx).followJob(job, to, was, Date.now());
  }

  /** Takes a job away with all that is in it; it can be put back for a while. */
  remove(asked: WriteRequest, id: string, version: number): Promise<{ id: string }> {
    return this.writes.run(asked, async (tx) => {
      const now = await jobOf(tx, id);
      if (now.version !== version) throw stale(null, now);
      await new JobsWriter(tx).removeJob(id);
      return { id };
    });
  }

  /** Puts a removed job back as it was, plans and choices included. */
  putBack(asked: WriteRequest, id: string): Promise<{ id: string }> {
    return this.writes.run(asked, async (tx) => {
      if (!(await new JobsWriter(tx).putJobBack(id))) throw notFound(`A removed job "${id}"`);
      return { id };
    });
  }

  /** Makes an edit on the panel as it is now; nothing where something that it changes is no longer as it was. */
  editPanel(asked: WriteRequest, key: PanelParams, edit: PanelEdit): Promise<PanelView> {
    const work = async (tx: Write): Promise<PanelView> => {
      const now = await panelView(tx, key);
      const edited = withEdit(now.panel, edit);
      if (!edited) throw stale(edit, now);
      const jobs = new JobsWriter(tx);
      const panel = parsedBy(panelSchema, edited, 'panel');
      mustBeKnown(panelSchema, panel, now.panel, 'panel');
      const saved = await jobs.replacePanel(key.job, panel, now);
      if (sizeOf(edited) > sizeOf(now.panel)) await mustFitFile(jobs, key.job);
      return saved;
    };
    // Edits are many: of each only that it was made is kept.
    return this.writes.run<PanelView, object>(asked, work, {
      keptOf: () => ({}),
      again: (tx) => panelView(tx, key),
    });
  }

  /** Adds a panel at the end of the job. */
  addPanel(asked: WriteRequest, job: string, panel: Panel): Promise<PanelView> {
    return this.writes.run(asked, async (tx) => {
      await jobOf(tx, job);
      const jobs = new JobsWriter(tx);
      if (await jobs.panel({ job, panel: panel.id }))
        throw new ProblemError(409, 'The panel was not added.', [
          { path: 'panel.id', message: `"${panel.id}" is here already; give the panel another id` },
        ]);
      // One that was removed keeps its id, and its record: it may be put back.
      const id = await freeId(panel.id, (each) => jobs.isPanelIdTaken({ job, panel: each }));
      const key = { job, panel: id };
      await jobs.insertPanel(job, { ...panel, id });
      await mustHoldPanels(jobs, job);
      await mustFitFile(jobs, job);
      return panelView(tx, key);
    });
  }

  /** Takes a panel out of the job with its plans; it can be put back for a while. */
  removePanel(asked: WriteRequest, key: PanelParams, version: number): Promise<{ removed: Panel }> {
    return this.writes.run(asked, async (tx) => {
      const now = await panelView(tx, key);
      if (now.version !== version) throw stale(null, now);
      await new JobsWriter(tx).removePanel(key);
      return { removed: now.panel };
    });
  }

  /** Puts a removed panel back in its place, with its plans and what was chosen. */
  putPanelBack(asked: WriteRequest, key: PanelParams): Promise<PanelView> {
    return this.writes.run(asked, async (tx) => {
      await jobOf(tx, key.job);
      const jobs = new JobsWriter(tx);
      if (!(await jobs.putPanelBack(key))) throw notFound(`A removed panel "${key.panel}"`);
      await mustHoldPanels(jobs, key.job);
      await mustFitFile(jobs, key.job);
      return panelView(tx, key);
    });
  }
}

/** @throws {ProblemError} where the job has more panels than it may */
async function mustHoldPanels(jobs: JobsReader, job: string): Promise<void> {
  if ((await jobs.nPanels(job)) <= MOST_PANELS) return;
  throw new ProblemError(422, `A job may hold at most ${MOST_PANELS} panels: make another job for this one.`);
}

const sizeOf = (panel: Panel): number => JSON.stringify(panel).length;

const MOST_ID_LETTERS = 60;

/** An id like the wanted one that nothing has or had. */
async function freeId(wanted: string, isTaken: (id: string) => Promise<boolean>): Promise<string> {
  if (!(await isTaken(wanted))) return wanted;
  for (let n = 2; ; n++) {
    const id = `${wanted.slice(0, MOST_ID_LETTERS - `-${n}`.length)}-${n}`;
    if (!(await isTaken(id))) return id;
  }
}

/** @throws {ProblemError} for a record that is not as it was written: it would be passed on as if it were */
function mustBeIntact(panels: readonly Panel[]): void {
  const problems = panels.flatMap((panel, i) => {
    const { firstBroken } = verifyChain(recordOfPanel(panel), recordHeadOf(panel));
    if (!firstBroken) return [];
    const { index, why } = firstBroken;
    const message = `${why}. Take the file in as it was saved, or leave the record out of it.`;
    return [{ path: index < 0 ? `panels.${i}.record` : `panels.${i}.record.${index}`, message }];
  });
  if (problems.length > 0) throw new ProblemError(400, 'The job file was not taken in.', problems);
}

const withoutName = ({ name: _name, ...shop }: JobFile['shop']): JobFile['shop'] => shop;

const definedOf = <T extends object>(fields: T): Partial<T> =>
  Object.fromEntries(Object.entries(fields).filter(([, value]) => value !== undefined)) as Partial<T>;
