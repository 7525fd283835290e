import {
  MOST_ENTRIES,
  bodySchemaOf,
  heldOf,
  isSameJson,
  verifyChain,
  type Entry,
  type FoundEntry,
  type NewEntry,
  type RecordFacets,
  type RecordPage,
  type RecordView,
} from '@blue-ledge/core';
import { Injectable, type OnApplicationBootstrap } from '@nestjs/common';
import dayjs from 'dayjs';
import { timeText } from '../clocks/wall-time.ts';
import { ClocksWriter } from '../clocks/clocks.repository.ts';
import { Database, type Read } from '../database/database.ts';
import type { PanelParams } from '../http/params.ts';
import { ProblemError, notFound } from '../http/problem.ts';
import { parsedBy } from '../http/zod.pipe.ts';
import { panelView } from '../jobs/jobs.service.ts';
import { PhotoStore } from '../photos/photo-store.ts';
import { PlansReader } from '../plans/plans.repository.ts';
import { sha256 } from '../database/sha256.ts';
import { EntryLine } from './entry-line.ts';
import { utcOffsetOf } from './past.ts';
import { RecordSearch, type PageEnd } from './record-search.repository.ts';
import { RecordReader, RecordWriter } from './record.repository.ts';
import type { RecordQuery } from './record.schemas.ts';

const MINUTE_MS = 60_000;
/** Who writes: an entry itself says who it is by, and its own id says whether it came before. */
const ACTOR = 'bench';
/** Far more than anybody writes at a bench. */
const MOST_ENTRY_CHARACTERS = 40_000;
/** Entries that are read at a time where all are saved. */
const A_PAGE = 400;
/** A screen's clock is never quite the server's. */
const LEEWAY_MS = 2 * MINUTE_MS;

const refused = (path: string, message: string): ProblemError =>
  new ProblemError(422, 'The entry was not made.', [{ path, message }]);

/** An entry without its place in the chain: what somebody wrote. */
const writtenOf = ({ prevHash: _prevHash, hash: _hash, ...entry }: Entry): NewEntry => entry as NewEntry;

/** Records of panels: entries appended once each, in the order in which they arrive. */
@Injectable()
export class RecordService implements OnApplicationBootstrap {
  private readonly line: EntryLine;

  constructor(
    private readonly database: Database,
    private readonly photos: PhotoStore,
  ) {
    this.line = new EntryLine((work) => this.database.write(ACTOR, work));
  }

  /** Photos whose entry never came do not stay. */
  async onApplicationBootstrap(): Promise<void> {
    await this.photos.sweep(await this.database.read((tx) => new RecordReader(tx).photos()), Date.now());
  }

  /** The record of a panel, and whether it is as it was written. */
  record(key: PanelParams): Promise<RecordView> {
    return this.database.read(async (tx) => {
      await panelView(tx, key);
      const record = new RecordReader(tx);
      const entries = await record.entries(key);
      const verified = verifyChain(entries, await record.headSaid(key), sha256);
      return { entries, verified, utcOffsetMin: utcOffsetOf(entries) };
    });
  }

  /** What there is to look for. */
  facets(): Promise<RecordFacets> {
    return this.database.read((tx) => new RecordSearch(tx).facets());
  }

  page(query: RecordQuery): Promise<RecordPage> {
    return this.database.read((tx) => new RecordSearch(tx).page(query));
  }

  /** All entries that a query finds, the newest first, a few hundred at a time: a record of years fits into no memory. */
  async *all(query: RecordQuery): AsyncGenerator<readonly FoundEntry[]> {
    let end: PageEnd | null = null;
    do {
      const page = await this.database.read((tx) => new RecordSearch(tx).pageBehind(query, end, A_PAGE));
      if (page.entries.length > 0) yield page.entries;
      end = page.entries.length < A_PAGE ? null : page.end;
    } while (end);
  }

  /**
   * Appends an entry; the same one that comes again is the one that is there.
   * @throws {ProblemError} 404 for a panel that is gone, 409 for a step that is done, 422 for what cannot be
   */
  enter(key: PanelParams, entry: NewEntry): Promise<Entry> {
    return this.line.enter(async (tx) => {
      const record = new RecordWriter(tx);
      const standing = await record.standing(key, entry.id);
      if (standing.known) return this.sameAs(standing.known, entry);
      if (!standing.madeAt) throw notFound(`Panel "${key.panel}"`);
      this.checkRoom(entry, standing.seq);
      this.checkTime(entry.at, standing.madeAt);
      await this.check(record, key, entry);
      await this.checkStep(tx, key, entry);
      if (entry.kind === 'correction') await this.correct(record, key, entry);
      // Base is on: nothing of the panel is waited for any more.
      if (entry.kind === 'base') await new ClocksWriter(tx).endOfPanel(key, Date.parse(entry.at));
      return record.append(key, entry, standing);
    });
  }

  private sameAs(known: Entry, entry: NewEntry): Entry {
    if (isSameJson(writtenOf(known), entry)) return known;
    throw new ProblemError(
      409,
      `Another entry has the id "${entry.id}" already. Nothing was changed: enter this one under an id of its own.`,
    );
  }

  /** @throws {ProblemError} for an entry that no job file could carry */
  private checkRoom(entry: NewEntry, nEntries: number): void {
    if (JSON.stringify(entry).length > MOST_ENTRY_CHARACTERS)
      throw refused(
        'body',
        `is larger than ${MOST_ENTRY_CHARACTERS / 1000} kB: an entry is a few figures and words`,
      );
    if (nEntries >= MOST_ENTRIES)
      throw new ProblemError(
        409,
        `The record of this panel has ${MOST_ENTRIES} entries, as many as a job file carries. Go on in a new panel.`,
      );
  }

  /** @throws {ProblemError} for an entry of a zone or with a photo that is not there */
  private async check(record: RecordReader, key: PanelParams, entry: NewEntry): Promise<void> {
    const { zones = [], zone } = entry.body as {
      readonly zones?: readonly string[];
      readonly zone?: string;
    };
    const named = zone === undefined ? zones : [...zones, zone];
    if (named.length > 0) {
      const known = await record.zones(key);
      const unknown = named.find((id) => !known.has(id.split('/')[0]!));
      if (unknown !== undefined)
        throw refused(
          'body.zones',
          `"${unknown}" is not a zone of this panel any more: enter it for a zone that is`,
        );
    }
    if (entry.kind === 'photo') this.checkPhoto(entry.body.photoId);
  }

  private checkPhoto(id: string | undefined): void {
    if (id !== undefined && !this.photos.find(id))
      throw refused('body.photoId', 'names a photo that has not arrived here: send the photo first');
  }

  private checkTime(at: string, made: Date): void {
    const [atMs, nowMs] = [Date.parse(at), Date.now()];
    if (atMs > nowMs + LEEWAY_MS)
      throw refused('at', 'lies ahead: what is entered has happened. Give the time at which it did.');
    // To the minute, as people give times. A job that was made by a clock that was ahead says nothing of when.
    const madeMs = made.getTime();
    if (madeMs <= nowMs && atMs < madeMs - LEEWAY_MS)
      throw refused(
        'at',
        `lies before the job was made (${dayjs(made).format('D MMM YYYY, HH:mm')}). Give the time at which it was done since.`,
      );
  }

  private async checkStep(tx: Read, key: PanelParams, { kind, body }: NewEntry): Promise<void> {
    const { step, again } = body as {
      readonly step?: { readonly planId: string; readonly n: number };
      readonly again?: true;
    };
    if (!step) return;
    if (!(await new PlansReader(tx).has({ ...key, plan: step.planId })))
      throw refused('body.step', 'belongs to a plan that is not here any more. Enter it without its step.');
    if (kind !== 'act' || again) return;
    const done = await new RecordReader(tx).doneStep(key, step.planId, step.n);
    if (!done) return;
    throw new ProblemError(
      409,
      `${done.by} finished this step at ${timeText(done.at)} already. Enter it as done again where it was, or leave it.`,
      [],
      { theirs: done },
    );
  }

  /** Checks what a correction says, and whether the entry that it speaks of still holds. */
  private async correct(
    record: RecordWriter,
    key: PanelParams,
    { id, body }: Extract<NewEntry, { kind: 'correction' }>,
  ): Promise<void> {
    const entries = await record.entries(key);
    const byId = new Map(entries.map((entry) => [entry.id, entry]));
    let root = byId.get(body.corrects);
    while (root?.kind === 'correction') root = byId.get(root.body.corrects);
    if (!root)
      throw refused(
        'body.corrects',
        `"${body.corrects}" is no entry of this panel’s record: name one that is`,
      );
    if (body.body !== null) parsedBy(bodySchemaOf(root.kind), body.body, 'body.body');
    const probe = { id, at: root.at, by: root.by, kind: 'correction', body } as NewEntry;
    const { withdrawn } = heldOf([...entries, probe]);
    await record.withdraw(
      key,
      root.id,
      withdrawn.some((entry) => entry.id === root.id),
    );
  }
}
