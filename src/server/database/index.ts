export { connect, createDatabase, database, databaseAddress, databaseAnswers } from "./connection";
export type { Database, DatabaseAddress, Transaction } from "./connection";
export { migrateDown, migrateUp } from "./migrate";
