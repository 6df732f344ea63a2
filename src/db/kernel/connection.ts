import { Kysely, PostgresDialect, type Transaction } from 'kysely';
import { Pool, types, type CustomTypesConfig } from 'pg';
import type { DB } from '../schema.generated';
import { preparingClient, StatementNames } from './named-statements';

/** Tables and views. A view without the rows that were struck out has the columns of its table, of which the database itself says less. */
interface Tables extends DB {
  readonly counted_document_sighting: DB['document_sighting'];
  readonly counted_inspection: DB['inspection'];
  readonly counted_meter_reading: DB['meter_reading'];
}
/** The application's database, in our schema. */
export type Database = Kysely<Tables>;
/** A transaction inside one club. */
export type ClubTransaction = Transaction<Tables>;

const DATE = 1082;
/** A day has no time and no zone: it stays the text that it is. */
const textDates: CustomTypesConfig = {
  getTypeParser: (oid, format) =>
    (oid === DATE ? (value: string) => value : types.getTypeParser(oid, format)) as ReturnType<
      CustomTypesConfig['getTypeParser']
    >,
};

/** How long things may take, in seconds, so that one that hangs never holds the others. */
export interface TimeLimits {
  /** One statement. */
  readonly statement: number;
  /** Waiting for somebody else's lock. */
  readonly lock: number;
  /** Nothing asked inside of a transaction. */
  readonly idle: number;
  /** Waiting for a connection of the pool. */
  readonly connection: number;
}
/** For what people wait for. */
export const SCREEN_LIMITS: TimeLimits = { statement: 20, lock: 12, idle: 20, connection: 10 };
/** For whole files: lists of many rows, archives. */
export const BULK_LIMITS: TimeLimits = { statement: 120, lock: 30, idle: 60, connection: 30 };

/** Options of a connection: the schema, and the limits on time. */
export function connectionOptions(schema: string, { statement, lock, idle }: TimeLimits): string {
  return `-c search_path=${schema} -c statement_timeout=${statement}s -c lock_timeout=${lock}s -c idle_in_transaction_session_timeout=${idle}s`;
}

/**
 * A pool of connections to our schema.
 * @param url connection of the application's role
 * @param most connections at once
 * @param names of what they keep prepared: one list for all connections of a pool
 */
export function openPool(
  url: string,
  most: number,
  limits: TimeLimits = SCREEN_LIMITS,
  names: StatementNames = new StatementNames(),
): Pool {
  return new Pool({
    Client: preparingClient(names),
    connectionString: url,
    max: most,
    options: connectionOptions('groval', limits),
    connectionTimeoutMillis: limits.connection * 1000,
    types: textDates,
  });
}

/** The typed database over a pool. */
export function openDatabase(pool: Pool): Database {
  return new Kysely<DB>({ dialect: new PostgresDialect({ pool }) });
}
