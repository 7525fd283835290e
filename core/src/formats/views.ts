import type { ChoiceBefore } from '../planner/carry-choice.ts';
import type { PlanInput } from '../planner/plan-changes.ts';
import type { DecidingTest } from '../planner/plan.ts';
import type { StoredPlan } from '../planner/stored-plan.ts';
import type { Verified } from '../record/chain.ts';
import type { Entry } from '../record/entry.ts';
import type { OwnFigure } from '../record/own-figures.ts';
import type { Panel, PanelFacts } from '../survey/panel.ts';
import type { Shop, Target } from '../survey/shop.ts';
import type { DatedStart } from '../planner/work-start.ts';
import type { NotEntered } from '../schedule/not-entered.ts';
import type { Schedule } from '../schedule/view-schedule.ts';
import type { JobFacts, Problem } from './job-file.ts';

/** What the server answers and the web reads; dates are ISO text on the wire. */

/** A shop with the version that a change of it starts from. */
export interface ShopView {
  readonly id: string;
  readonly name: string;
  readonly version: number;
  readonly shop: Shop;
}

/** A shop's schedule as it is kept. */
export interface ShopScheduleView {
  readonly version: number;
  readonly madeAt: string;
  /** Where its minutes are counted from, by the shop's clock. */
  readonly start: DatedStart;
  /** Null where nothing could be scheduled. */
  readonly schedule: Schedule | null;
  /** Why not, and the remedy. */
  readonly problem?: string;
  /** Titles of its jobs, by their ids. */
  readonly jobs: Readonly<Record<string, string>>;
  /** The plan and its system that each panel stands in it with, by `job/panel`. */
  readonly plans: Readonly<Record<string, { readonly planId: string; readonly systemId: string }>>;
  /** What people moved to a time of their choice. */
  readonly moves: readonly ScheduleMove[];
  /** Panels, by `job/panel`, whose plan was made with other settings of the shop than those of now. */
  readonly outdated: readonly string[];
  /** Steps that should be done by now and that nobody entered, with the times at which they stood first. */
  readonly notEntered: readonly NotEntered[];
}

/** A step that a person moved; without a time it is let go again. */
export interface ScheduleMove {
  readonly jobId: string;
  readonly panelId: string;
  readonly n: number;
  readonly at: DatedStart | null;
  readonly personId?: string | undefined;
}

/** How far a schedule is that is being made: share done, and the best finish so far. */
export interface ScheduleProgress {
  readonly share: number;
  readonly makespanMin: number | null;
}

/**
 * How far a panel is: its survey is there, its plan waits for a zone that is stopped, a system is chosen, work on it
 * has begun, it was handed over to base, something was found on it after that, or base is on.
 */
export type PanelState = 'surveyed' | 'stopped' | 'planned' | 'begun' | 'handed-over' | 'defect' | 'base-on';

/** When something was removed, and until when it can be put back; null for what has a record, which is kept for good. */
export interface Removal {
  readonly at: string;
  readonly until: string | null;
}

export interface RemovedPanel {
  readonly id: string;
  readonly name: string;
  readonly removal: Removal;
}

/** What came of a job file that was taken in. */
export interface TakenJob {
  /** The id that it has here: another than in the file where a removed job has that one. */
  readonly id: string;
  readonly version: number;
  /** Paths of fields that are kept though nothing here knows them. */
  readonly unknownFields: readonly string[];
}

export interface JobSummary {
  readonly id: string;
  readonly title: string;
  readonly version: number;
  readonly dueOn?: string | undefined;
  readonly isArchived: boolean;
  /** Of one that was removed and can be put back. */
  readonly removal?: Removal;
  readonly panels: readonly { readonly id: string; readonly name: string; readonly state: PanelState }[];
}

/** One page of jobs, and how many there are in all. */
export interface JobsPage {
  readonly jobs: readonly JobSummary[];
  readonly nJobs: number;
}

export interface JobView {
  readonly version: number;
  readonly job: JobFacts;
  readonly isArchived: boolean;
  readonly shop: ShopView;
  readonly panels: readonly (Omit<PanelFacts, 'zones'> & {
    readonly id: string;
    readonly name: string;
    readonly areaM2: number;
    /** Top layer of each zone, for the swatches of a list. */
    readonly tops: readonly string[];
    readonly state: PanelState;
  })[];
}

/** A panel with its zones and what it is planned under, each with its version. */
export interface PanelView {
  readonly job: { readonly id: string; readonly title: string; readonly version: number };
  readonly shop: Shop;
  readonly target: Target;
  readonly panel: Panel;
  readonly version: number;
  readonly zoneVersions: Readonly<Record<string, number>>;
}

/** The record of a panel. */
export interface RecordView {
  readonly entries: readonly Entry[];
  readonly verified: Verified;
  /** By how much the shop's clock is ahead of UTC. */
  readonly utcOffsetMin: number;
}

/** What the records of a shop's panels say of its figures. */
export interface OwnFiguresView {
  readonly figures: readonly OwnFigure[];
  /** Panels with a record that were looked at, and older ones that were not. */
  readonly nPanels: number;
  readonly nLeftOut: number;
}

/** An entry of any panel, with where it belongs. */
export interface FoundEntry {
  readonly jobId: string;
  readonly jobTitle: string;
  readonly panelId: string;
  readonly panelName: string;
  readonly isWithdrawn: boolean;
  readonly entry: Entry;
}

/** What there is to look for in all records: who wrote, what was laid, and on which panels. */
export interface RecordFacets {
  readonly people: readonly string[];
  readonly products: readonly { readonly sheetId: string; readonly name: string }[];
  readonly panels: readonly {
    readonly jobId: string;
    readonly panelId: string;
    readonly name: string;
    readonly jobTitle: string;
  }[];
}

/** One page of entries, the newest first, and how many there are in all. */
export interface RecordPage {
  readonly entries: readonly FoundEntry[];
  readonly nEntries: number;
}

/** A stored plan, and what it was made from that is different now. */
export interface PlanView {
  readonly id: string;
  readonly version: number;
  readonly chosen: string | null;
  readonly createdAt: string;
  /** The system that a person wants, by its id in this plan, ready or not; null where nobody chose. */
  readonly wanted: string | null;
  /** What was chosen before it was made; null for a first plan. */
  readonly follows: ChoiceBefore | null;
  /** Empty where it still holds. */
  readonly changed: readonly PlanInput[];
  /** Null for a plan that another release kept in a shape that this one does not read. */
  readonly plan: StoredPlan | null;
  /** Tests that nobody has done and that would decide between systems; null while they are being worked out. */
  readonly tests: readonly DecidingTest[] | null;
}

/** What planning again would come to. */
export interface PlanPreview {
  readonly plan: StoredPlan;
  readonly chosen: string | null;
}

/** What became of planning all panels of a job: plans, panels of which nothing could be kept, and those left alone. */
export interface PlansView {
  readonly plans: readonly {
    readonly panel: string;
    readonly id: string;
    readonly chosen: string | null;
    /** What a person had chosen is not ready any more. */
    readonly isFallen: boolean;
  }[];
  /** Panels whose work has begun: they keep the plan they are worked by. */
  readonly started: readonly string[];
  readonly failed: readonly { readonly panel: string; readonly title: string }[];
}

/** Where a request for plans stands that was not answered yet. */
export interface PlaceInLine {
  /** Plans that are made before the first of one's own. */
  readonly nBefore: number;
  /** Plans of one's own that are not made yet. */
  readonly nOwn: number;
}

/** Something that happened, as open screens are told of it. */
export interface EventView {
  readonly seq: number;
  readonly subject: string;
  readonly kind: string;
  /** Of what it is about, where that has versions. */
  readonly version?: number | undefined;
}

/** Problem details (RFC 9457) as this server gives them. */
export interface ProblemDetails {
  readonly status: number;
  readonly title: string;
  readonly problems?: readonly Problem[];
  readonly yours?: unknown;
  readonly theirs?: unknown;
}

/** Something about what a shop keeps that is not as it should be, and what to do about it. */
export interface StoreFault {
  readonly what: string;
  readonly where: string;
  readonly remedy: string;
  /** The panel whose record it is about. */
  readonly jobId?: string;
  readonly panelId?: string;
}

/** A backup that lies in a folder. */
export interface KeptBackup {
  readonly file: string;
  readonly bytes: number;
  readonly madeAt: string;
  /** Entries and photos in it; nothing where it cannot be opened. */
  readonly entries?: number;
  readonly photos?: number;
  /** Photos that were gone or changed when it was made. */
  readonly nMissing?: number;
  /** Why it cannot be opened. */
  readonly problem?: string;
}

/** The backups of a shop's program, and where they go. */
export interface BackupsView {
  /** Folder beside the data. */
  readonly folder: string;
  readonly backups: readonly KeptBackup[];
  /** So many stay there. */
  readonly mostKept: number;
  readonly isRunning: boolean;
  /** Why the last one was not made, or not copied; null where all went well. */
  readonly problem: string | null;
  /** The folder to which each is copied, as a person set it; null where none is set. */
  readonly second: {
    readonly folder: string;
    /** On the disk that the data lies on: that disk takes both with it. */
    readonly isSameDisk: boolean;
    /** The newest one there; null where there is none. */
    readonly newest: string | null;
  } | null;
  /** Version of what a person set; 0 where nothing was. */
  readonly version: number;
}

/** Whether what was written is looked through now, and what came of it last. */
export interface IntegrityView {
  readonly last: Verification | null;
  readonly isRunning: boolean;
}

/** What came of comparing all that was written with what was said when it was. */
export interface Verification {
  readonly checkedAt: string;
  readonly nEvents: number;
  readonly nRecords: number;
  readonly nEntries: number;
  readonly nPhotos: number;
  /** Photos were read and hashed, not only looked for. */
  readonly arePhotosRead: boolean;
  readonly faults: readonly StoreFault[];
}
