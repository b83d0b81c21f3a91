/** Runs SQL statements within the transaction of a step. */
export type Sql = (statements: string) => Promise<void>;

/** A dated step of the database's shape, up and down, in literal SQL. */
export interface Migration {
  readonly name: string;
  readonly up: (sql: Sql) => Promise<void>;
  readonly down: (sql: Sql) => Promise<void>;
}
