/** What a step of the schema works with: raw SQL, in the one transaction in which the step is done and noted. */
export interface Step {
  readonly run: (sql: string, replacements?: Readonly<Record<string, unknown>>) => Promise<void>;
  readonly rows: <Row extends object>(sql: string) => Promise<Row[]>;
  /** Type of a moment and of a JSON text in this dialect: SQLite's driver parses by them. */
  readonly moment: string;
  readonly json: string;
}

export interface Migration {
  readonly up: (step: Step) => Promise<void>;
  readonly down: (step: Step) => Promise<void>;
}
