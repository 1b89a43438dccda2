import type { Knex } from "knex";
import type { Database } from "./connection";
import * as firstDive from "./migrations/0001-first-dive";
import * as accounts from "./migrations/0002-accounts";
import * as squads from "./migrations/0003-squads";
import * as measurements from "./migrations/0004-measurements";
import * as reference from "./migrations/0005-reference";
import * as syllabus from "./migrations/0006-syllabus";
import * as sites from "./migrations/0007-sites";
import * as planned from "./migrations/0008-planned";
import * as sessionPlan from "./migrations/0009-session-plan";
import * as targets from "./migrations/0010-targets";
import * as variants from "./migrations/0011-variants";
import * as sessionNotes from "./migrations/0012-session-notes";
import * as flightModel from "./migrations/0013-flight-model";
import * as startHeights from "./migrations/0014-start-heights";
import * as dayAir from "./migrations/0015-day-air";
import * as loads from "./migrations/0016-loads";
import * as oneSignOff from "./migrations/0017-one-sign-off";
import * as daysSeen from "./migrations/0018-days-seen";
import * as kinds from "./migrations/0019-kinds";
import * as field from "./migrations/0020-field";
import * as rules from "./migrations/0021-rules";
import * as rise from "./migrations/0022-rise";
import * as checkFlight from "./migrations/0023-check-flight";
import * as secondFactor from "./migrations/0024-second-factor";
import * as lines from "./migrations/0025-lines";
import * as lineTries from "./migrations/0026-line-tries";
import * as recordings from "./migrations/0027-recordings";
import * as sitePlans from "./migrations/0028-site-plans";
import * as sitePictures from "./migrations/0029-site-pictures";
import * as homework from "./migrations/0030-homework";
import * as keptTries from "./migrations/0031-kept-tries";
import * as digestRevision from "./migrations/0032-digest-revision";
import * as attemptsOfPilotInSession from "./migrations/0033-attempts-of-pilot-in-session";

interface Migration {
  readonly up: (knex: Knex) => Promise<void>;
  readonly down: (knex: Knex) => Promise<void>;
}

/** Every migration in order. A new one is added at the end and never changed once it has shipped. */
const migrations: readonly (readonly [string, Migration])[] = [
  ["0001-first-dive", firstDive],
  ["0002-accounts", accounts],
  ["0003-squads", squads],
  ["0004-measurements", measurements],
  ["0005-reference", reference],
  ["0006-syllabus", syllabus],
  ["0007-sites", sites],
  ["0008-planned", planned],
  ["0009-session-plan", sessionPlan],
  ["0010-targets", targets],
  ["0011-variants", variants],
  ["0012-session-notes", sessionNotes],
  ["0013-flight-model", flightModel],
  ["0014-start-heights", startHeights],
  ["0015-day-air", dayAir],
  ["0016-loads", loads],
  ["0017-one-sign-off", oneSignOff],
  ["0018-days-seen", daysSeen],
  ["0019-kinds", kinds],
  ["0020-field", field],
  ["0021-rules", rules],
  ["0022-rise", rise],
  ["0023-check-flight", checkFlight],
  ["0024-second-factor", secondFactor],
  ["0025-lines", lines],
  ["0026-line-tries", lineTries],
  ["0027-recordings", recordings],
  ["0028-site-plans", sitePlans],
  ["0029-site-pictures", sitePictures],
  ["0030-homework", homework],
  ["0031-kept-tries", keptTries],
  ["0032-digest-revision", digestRevision],
  ["0033-attempts-of-pilot-in-session", attemptsOfPilotInSession],
];

const source: Knex.MigrationSource<readonly [string, Migration]> = {
  getMigrations: async () => [...migrations],
  getMigrationName: ([name]) => name,
  getMigration: async ([, migration]) => migration,
};

/** Brings the schema up to date and returns the names of the migrations that ran. */
export async function migrateUp(database: Database): Promise<string[]> {
  const [, ran] = await database.migrate.latest({ migrationSource: source });
  return ran as string[];
}

/** Names of the migrations that a database lacks. */
export async function migrationsMissing(database: Database): Promise<string[]> {
  const [, missing] = await database.migrate.list({ migrationSource: source });
  return (missing as readonly (readonly [string, Migration])[]).map(([name]) => name);
}

/** Takes back every migration. For tests and for starting over. */
export async function migrateDown(database: Database): Promise<void> {
  await database.migrate.rollback({ migrationSource: source }, true);
}
