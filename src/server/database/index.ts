export { connect, createDatabase, database, databaseAddress, databaseAnswers, transact } from "./connection";
export type { Database, DatabaseAddress, Transaction } from "./connection";
export { migrateDown, migrateUp, migrationsMissing } from "./migrate";
