import type { BackupsView } from '@blue-ledge/core';
import {
  Inject,
  Injectable,
  Logger,
  type BeforeApplicationShutdown,
  type OnApplicationBootstrap,
} from '@nestjs/common';
import { accessSync, constants, statSync } from 'node:fs';
import { basename, join, resolve } from 'node:path';
import { ArchiveError } from '../archive/archive-error.ts';
import {
  MOST_KEPT,
  archivesIn,
  copyArchive,
  keptArchives,
  newestArchive,
  pruneArchives,
} from '../archive/kept-archives.ts';
import { archiveErrorOf, makeArchive } from '../archive/make-archive.ts';
import { BACKUPS } from '../database/data-folder.ts';
import { Database } from '../database/database.ts';
import { errorCode } from '../database/start-error.ts';
import type { WriteRequest } from '../database/idempotent-writes.ts';
import { ProblemError, stale } from '../http/problem.ts';
import { SettingsReader, SettingsWriter } from '../settings/settings.repository.ts';
import { lastNightMs } from './nights.ts';
import type { SecondFolder } from './backups.schemas.ts';

/** The folder of the shop's data. */
export const DATA_FOLDER = Symbol('data folder');

const SETTING = 'backup';
const MINUTE_MS = 60_000;
/** A start is busy enough; a server that was off at night makes up for it soon after. */
const FIRST_LOOK_MS = 5 * MINUTE_MS;
const LOOK_EVERY_MS = 10 * MINUTE_MS;

interface BackupSetting {
  readonly folder: string | null;
}

/** Backups of the shop: one each night and whenever somebody asks, kept beside the data and, where one is set, in a second folder. */
@Injectable()
export class BackupsService implements OnApplicationBootstrap, BeforeApplicationShutdown {
  private readonly logger = new Logger('backup');
  private readonly folder: string;
  private running: Promise<void> | null = null;
  private problem: string | null = null;
  private timer: ReturnType<typeof setTimeout> | undefined;
  private isStopped = false;

  constructor(
    private readonly database: Database,
    @Inject(DATA_FOLDER) private readonly dataFolder: string,
  ) {
    this.folder = join(dataFolder, BACKUPS);
  }

  onApplicationBootstrap(): void {
    this.lookIn(FIRST_LOOK_MS);
  }

  async beforeApplicationShutdown(): Promise<void> {
    this.isStopped = true;
    clearTimeout(this.timer);
    await this.running?.catch(() => undefined);
  }

  private lookIn(ms: number): void {
    if (this.isStopped) return;
    const look = (): void => {
      void this.nightly()
        .catch((error: unknown) => this.logger.error(String(error)))
        .finally(() => this.lookIn(LOOK_EVERY_MS));
    };
    this.timer = setTimeout(look, ms);
    this.timer.unref();
  }

  /** Makes one where none was made since last night, and something is there to be kept. */
  async nightly(nowMs = Date.now()): Promise<void> {
    // One that lies ahead was made by a clock that was wrong.
    const isSinceNight = (madeMs: number): boolean => madeMs >= lastNightMs(nowMs) && madeMs <= nowMs;
    if (archivesIn(this.folder).some((name) => isSinceNight(statSync(join(this.folder, name)).mtimeMs)))
      return;
    if ((await this.nJobs()) > 0) await this.make();
  }

  private async nJobs(): Promise<number> {
    return this.database.read(({ tables }) => tables.jobs.count());
  }

  async view(): Promise<BackupsView> {
    const setting = await this.setting();
    return {
      folder: this.folder,
      backups: await keptArchives(this.folder),
      mostKept: MOST_KEPT,
      isRunning: this.running !== null,
      problem: this.problem,
      second: setting?.body.folder ? this.secondView(setting.body.folder) : null,
      version: setting?.version ?? 0,
    };
  }

  private secondView(folder: string): NonNullable<BackupsView['second']> {
    try {
      const isSameDisk = statSync(folder).dev === statSync(this.dataFolder).dev;
      return { folder, isSameDisk, newest: newestArchive(folder) ?? null };
    } catch {
      // Its disk is not there; what is wrong with it is said when it is written to.
      return { folder, isSameDisk: false, newest: null };
    }
  }

  private setting() {
    return this.database.read((tx) => new SettingsReader(tx).get<BackupSetting>(SETTING));
  }

  /** Makes one now; whoever asks meanwhile waits for the same. @throws {ProblemError} 507 in words where it could not be made */
  async make(): Promise<BackupsView> {
    this.running ??= this.makeOne().finally(() => {
      this.running = null;
    });
    await this.running;
    return this.view();
  }

  private async makeOne(): Promise<void> {
    try {
      const { file } = await makeArchive(this.dataFolder, this.folder);
      await pruneArchives(this.folder, basename(file));
      await this.copySecond(file);
      this.problem = null;
    } catch (error) {
      this.problem = error instanceof ArchiveError ? error.message : `It was not made: ${String(error)}`;
      if (error instanceof ArchiveError) throw new ProblemError(507, error.message);
      throw error;
    }
  }

  /** @throws {ArchiveError} naming the second folder */
  private async copySecond(file: string): Promise<void> {
    const second = (await this.setting())?.body.folder;
    if (!second) return;
    const name = basename(file);
    try {
      await copyArchive(file, second, name);
      await pruneArchives(second, name);
    } catch (error) {
      const why = archiveErrorOf(error, second);
      const words =
        why instanceof ArchiveError ? why.message : `${second} is not there (${errorCode(error)}).`;
      throw new ArchiveError(`The backup was made, but not copied to the second folder: ${words}`);
    }
  }

  /** Sets the folder to which each backup is copied. */
  async setSecond({ actor }: WriteRequest, { folder, from }: SecondFolder): Promise<BackupsView> {
    if (folder !== null) mustTakeBackups(folder, this.folder);
    await this.database.write(actor, async (tx) => {
      const settings = new SettingsWriter(tx);
      const now = await settings.get<BackupSetting>(SETTING);
      // Sent again after an answer that did not arrive: it is set already.
      if (now?.body.folder === folder) return;
      if (!(await settings.put(SETTING, { folder }, from))) throw stale({ folder }, now?.body);
    });
    this.problem = null;
    return this.view();
  }
}

/** @throws {ProblemError} 422 for a folder that takes no backup */
function mustTakeBackups(folder: string, own: string): void {
  const refused = (message: string): ProblemError =>
    new ProblemError(422, 'The folder was not set.', [{ path: 'folder', message }]);
  if (resolve(folder) === resolve(own))
    throw refused('is the folder in which they are already: name another');
  try {
    if (!statSync(folder).isDirectory()) throw refused('is no folder: name one');
    accessSync(folder, constants.R_OK | constants.W_OK);
    archivesIn(folder);
  } catch (error) {
    if (error instanceof ProblemError) throw error;
    const code = errorCode(error);
    throw refused(
      code === 'ENOENT'
        ? 'is not there: make it first, or put its disk in'
        : `cannot be written to (${code}): give this user the right to`,
    );
  }
}
