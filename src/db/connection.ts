import { Kysely, PostgresDialect, type Transaction } from 'kysely';
import { Pool, types, type CustomTypesConfig } from 'pg';
import type { DB } from './schema.generated';

/** The application's database, in our schema. */
export type Database = Kysely<DB>;
/** A transaction inside one club. */
export type ClubTransaction = Transaction<DB>;

const DATE = 1082;
/** A day has no time and no zone: it stays the text that it is. */
const textDates: CustomTypesConfig = {
  getTypeParser: (oid, format) => (oid === DATE ? (value: string) => value : types.getTypeParser(oid, format)) as ReturnType<CustomTypesConfig['getTypeParser']>,
};

/** A pool of connections to our schema. @param url connection of the application's role @param most connections at once */
export function openPool(url: string, most: number): Pool {
  return new Pool({ connectionString: url, max: most, options: '-c search_path=groval', types: textDates });
}

/** The typed database over a pool. */
export function openDatabase(pool: Pool): Database {
  return new Kysely<DB>({ dialect: new PostgresDialect({ pool }) });
}
