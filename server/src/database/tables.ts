import { DataTypes, type Model, type ModelStatic, type Sequelize } from 'sequelize';
import type { EventRow } from './chain-of-events.ts';

/** The tables as Sequelize reads and writes them; the migrations make them. Bodies are JSON that core's schemas checked. */

interface Timed {
  readonly createdAt: Date;
  readonly updatedAt: Date;
}
interface Versioned {
  readonly version: number;
}

export interface ShopFields extends Timed, Versioned {
  readonly id: string;
  readonly name: string;
  readonly body: object;
}
/** One version of a sheet; a changed sheet is a further row. */
export interface SheetFields extends Timed {
  readonly shopId: string;
  readonly id: string;
  readonly sheetVersion: number;
  readonly body: object;
}
export interface JobFields extends Timed, Versioned {
  readonly id: string;
  readonly shopId: string;
  readonly title: string;
  readonly body: object;
  readonly archivedAt: Date | null;
  /** It was removed and may be put back. */
  readonly removedAt: Date | null;
}
export interface PanelFields extends Timed, Versioned {
  readonly jobId: string;
  readonly id: string;
  readonly place: number;
  readonly body: object;
  /** It was removed and may be put back. */
  readonly removedAt: Date | null;
}
export interface ZoneFields extends Timed, Versioned {
  readonly jobId: string;
  readonly panelId: string;
  readonly id: string;
  readonly place: number;
  readonly body: object;
}
export interface PlanFields extends Timed, Versioned {
  readonly id: string;
  readonly jobId: string;
  readonly panelId: string;
  /** Its place in the order in which plans were made. */
  readonly seq: number;
  readonly formatVersion: number;
  readonly chosen: string | null;
  /** The system that a person wants, by its id in this plan; null where nobody chose. */
  readonly wanted: string | null;
  /** The plan that it was made after; null for a first one. */
  readonly follows: object | null;
  /** Tests that would decide; null until they are computed. */
  readonly tests: object | null;
  readonly body: object;
}
export interface WriteFields extends Timed {
  readonly clientKey: string;
  /** Method, path and body of the request that the key was first used for, as one hash. */
  readonly request: string;
  readonly answer: object;
}
type Table<Fields extends object> = ModelStatic<Model<Fields, Partial<Fields>> & Fields>;

export interface Tables {
  readonly shops: Table<ShopFields>;
  readonly sheets: Table<SheetFields>;
  readonly jobs: Table<JobFields>;
  readonly panels: Table<PanelFields>;
  readonly zones: Table<ZoneFields>;
  readonly plans: Table<PlanFields>;
  readonly writes: Table<WriteFields>;
  readonly events: Table<EventRow>;
}

// Sequelize writes into the column objects it is given: each column gets its own.
const text = () => ({ type: DataTypes.TEXT, allowNull: false });
const key = () => ({ ...text(), primaryKey: true });
const whole = () => ({ type: DataTypes.INTEGER, allowNull: false });
const version = () => ({ ...whole(), defaultValue: 1 });
const json = () => ({ type: DataTypes.JSON, allowNull: false });
const moment = () => ({ type: DataTypes.DATE, allowNull: true });
const timed = () => ({ createdAt: DataTypes.DATE, updatedAt: DataTypes.DATE });

/** Tells Sequelize the tables of one connection; nothing of it is shared with another. */
export function defineTables(sequelize: Sequelize): Tables {
  const define = <Fields extends object>(name: string, columns: object, options: object = {}) =>
    sequelize.define(name, columns as never, { tableName: name, ...options }) as unknown as Table<Fields>;
  const inJob = () => ({ jobId: key(), id: key(), place: whole(), body: json(), version: version() });
  return {
    shops: define('shops', { id: key(), name: text(), body: json(), version: version(), ...timed() }),
    sheets: define('sheets', {
      shopId: key(),
      id: key(),
      sheetVersion: { ...whole(), primaryKey: true },
      body: json(),
      ...timed(),
    }),
    jobs: define('jobs', {
      id: key(),
      shopId: text(),
      title: text(),
      body: json(),
      version: version(),
      archivedAt: moment(),
      removedAt: moment(),
      ...timed(),
    }),
    panels: define('panels', { ...inJob(), removedAt: moment(), ...timed() }),
    zones: define('zones', { ...inJob(), panelId: key(), ...timed() }),
    plans: define('plans', {
      id: key(),
      jobId: text(),
      panelId: text(),
      seq: whole(),
      formatVersion: whole(),
      chosen: { type: DataTypes.TEXT, allowNull: true },
      wanted: { type: DataTypes.TEXT, allowNull: true },
      follows: { type: DataTypes.JSON, allowNull: true },
      tests: { type: DataTypes.JSON, allowNull: true },
      body: json(),
      version: version(),
      ...timed(),
    }),
    writes: define('writes', { clientKey: key(), request: text(), answer: json(), ...timed() }),
    events: define(
      'events',
      {
        seq: { ...whole(), primaryKey: true },
        at: text(),
        actor: text(),
        subject: text(),
        kind: text(),
        body: json(),
        prevHash: text(),
        hash: text(),
      },
      { timestamps: false },
    ),
  };
}
