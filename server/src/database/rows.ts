import {
  DataTypes,
  Model,
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
  type Sequelize,
} from 'sequelize';

/** Rows as they lie in the tables. Bodies are JSON that core's schemas have checked on the way in. */

abstract class Row<R extends Model> extends Model<InferAttributes<R>, InferCreationAttributes<R>> {}

export class JobRow extends Row<JobRow> {
  declare id: string;
  declare title: string;
  declare body: object;
  declare version: CreationOptional<number>;
  declare updatedAt: CreationOptional<Date>;
}

export class PanelRow extends Row<PanelRow> {
  declare jobId: string;
  declare id: string;
  declare place: number;
  declare body: object;
  declare version: CreationOptional<number>;
}

export class ZoneRow extends Row<ZoneRow> {
  declare jobId: string;
  declare panelId: string;
  declare id: string;
  declare place: number;
  declare body: object;
  declare version: CreationOptional<number>;
}

export class PlanRow extends Row<PlanRow> {
  declare id: string;
  declare jobId: string;
  declare panelId: string;
  declare chosen: string | null;
  /** Fingerprint of the survey that was planned. */
  declare survey: string;
  declare body: object;
  declare version: CreationOptional<number>;
  declare createdAt: CreationOptional<Date>;
}

export class WriteRow extends Row<WriteRow> {
  declare clientKey: string;
  declare answer: object;
}

// Sequelize writes into the column objects it is given: each column gets its own.
const text = () => ({ type: DataTypes.TEXT, allowNull: false });
const key = () => ({ ...text(), primaryKey: true });
const whole = () => ({ type: DataTypes.INTEGER, allowNull: false });
const version = () => ({ ...whole(), defaultValue: 1 });
const json = () => ({ type: DataTypes.JSON, allowNull: false });

/** Tells Sequelize the tables; the migrations make them. */
export function defineRows(sequelize: Sequelize): void {
  JobRow.init(
    { id: key(), title: text(), body: json(), version: version(), updatedAt: DataTypes.DATE },
    { sequelize, tableName: 'jobs' },
  );
  PanelRow.init(
    { jobId: key(), id: key(), place: whole(), body: json(), version: version() },
    { sequelize, tableName: 'panels' },
  );
  ZoneRow.init(
    { jobId: key(), panelId: key(), id: key(), place: whole(), body: json(), version: version() },
    { sequelize, tableName: 'zones' },
  );
  PlanRow.init(
    {
      id: key(),
      jobId: text(),
      panelId: text(),
      chosen: { type: DataTypes.TEXT, allowNull: true },
      survey: text(),
      body: json(),
      version: version(),
      createdAt: DataTypes.DATE,
    },
    { sequelize, tableName: 'plans' },
  );
  WriteRow.init({ clientKey: key(), answer: json() }, { sequelize, tableName: 'writes' });
}
