import { tricksOf, type GivenLine, type KeptLine, type LineVersion, type SquadLine } from "@/contract";
import { database, type Transaction } from "../database";
import { fromJson, insertOnce, updateOnce, type Edited } from "./rows";

interface LineRow {
  id: string;
  squad_id: string;
  site_id: string | null;
  name: string;
  version: number;
  document: unknown;
  saved_by: string;
  saved_at: Date;
}
interface VersionRow {
  number: number;
  document: unknown;
  saved_by: string;
  saved_at: Date;
}

const newest = () =>
  database()("line")
    .join("line_version", (on) => on.on("line_id", "line.id").andOn("number", "line.version"))
    .select("line.*", "document", "saved_by", "saved_at");

/** The lines of some squads by name, each in its newest version, without those in the bin. */
export async function listLines(squadIds: readonly string[]): Promise<SquadLine[]> {
  return withPilots(
    await newest()
      .whereIn("squad_id", [...squadIds])
      .whereNull("removed_at")
      .orderBy(["name", "line.id"]),
  );
}

/** Those given to a pilot by the squad they are in. */
export async function listLinesOf(pilotId: string): Promise<SquadLine[]> {
  return withPilots(
    await newest()
      .join("line_pilot", "line_pilot.line_id", "line.id")
      .join("pilot", "pilot.id", "pilot_id")
      .where({ pilot_id: pilotId })
      .whereRaw("pilot.squad_id = line.squad_id")
      .whereNull("line.removed_at")
      .orderBy(["line.name", "line.id"]),
  );
}

/** What some pilots were given by the squads they are in, as it is flown in the field, by pilot id. */
export async function fieldLinesOf(pilotIds: readonly string[]): Promise<ReadonlyMap<string, readonly GivenLine[]>> {
  const rows: (LineRow & { pilot_id: string })[] = await newest()
    .join("line_pilot", "line_pilot.line_id", "line.id")
    .join("pilot", "pilot.id", "pilot_id")
    .whereIn("pilot_id", [...pilotIds])
    .whereRaw("pilot.squad_id = line.squad_id")
    .whereNull("line.removed_at")
    .orderBy(["line.name", "line.id"])
    .select("pilot_id");
  const lineFrom = ({ id, version, name, document }: LineRow): GivenLine => {
    const { line, copy } = fromJson<KeptLine>(document);
    return {
      ...{ id, version, name, tricks: tricksOf(line.items) },
      ...(copy && { parts: copy.parts, lookAfter: copy.lookAfter }),
    };
  };
  return new Map(pilotIds.map((id) => [id, rows.filter(({ pilot_id }) => pilot_id === id).map(lineFrom)] as const));
}

/** A line in its newest version, in the bin or not. */
export async function findLine(id: string): Promise<SquadLine | undefined> {
  const [line] = await withPilots(await newest().where("line.id", id));
  return line;
}

async function withPilots(rows: readonly LineRow[]): Promise<SquadLine[]> {
  const given: { line_id: string; pilot_id: string }[] = await database()("line_pilot").whereIn(
    "line_id",
    rows.map(({ id }) => id),
  );
  return rows.map((row) => ({
    ...fromJson<KeptLine>(row.document),
    id: row.id,
    squadId: row.squad_id,
    siteId: row.site_id,
    name: row.name,
    version: row.version,
    savedBy: row.saved_by,
    savedAtMs: row.saved_at.getTime(),
    pilotIds: given.filter(({ line_id }) => line_id === row.id).map(({ pilot_id }) => pilot_id),
  }));
}

/** Every version of a line, the newest first. */
export async function listLineVersions(id: string): Promise<LineVersion[]> {
  const rows: VersionRow[] = await database()("line_version").where({ line_id: id }).orderBy("number", "desc");
  return rows.map((row) => ({
    ...fromJson<KeptLine>(row.document),
    number: row.number,
    savedBy: row.saved_by,
    savedAtMs: row.saved_at.getTime(),
  }));
}

/** What is written of a version. */
interface NewVersion extends KeptLine {
  readonly id: string;
  readonly siteId: string | null;
  readonly name: string;
  readonly savedBy: string;
}

/** Keeps a line once, in its first version. Returns false when it was there. */
export async function insertLine(
  transaction: Transaction,
  line: NewVersion & { readonly squadId: string },
  now: Date,
): Promise<boolean> {
  const { id, squadId, siteId, name } = line;
  const row = { id, squad_id: squadId, site_id: siteId, name, created_at: now };
  if (await insertOnce(transaction, "line", row)) return false;
  await insertVersion(transaction, line, 1, now);
  return true;
}

/** Keeps another version of a line whose newest is still the one that was read. */
export async function updateLine(
  transaction: Transaction,
  line: NewVersion & { readonly version: number },
  now: Date,
): Promise<Edited> {
  const { id, version, siteId, name } = line;
  const edited = await updateOnce(transaction, "line", { id, version }, { site_id: siteId, name });
  if (edited === "changed") await insertVersion(transaction, line, version + 1, now);
  if (edited !== "same") return edited;
  const there: VersionRow | undefined = await transaction("line_version")
    .where({ line_id: id, number: version + 1 })
    .first();
  return there && JSON.stringify(fromJson(there.document)) === keptOf(line) ? "same" : "other";
}

const keptOf = ({ style, line, copy }: KeptLine) => JSON.stringify({ style, line, ...(copy && { copy }) });

async function insertVersion(transaction: Transaction, line: NewVersion, number: number, now: Date): Promise<void> {
  await transaction("line_version").insert({
    line_id: line.id,
    number,
    document: keptOf(line),
    saved_by: line.savedBy,
    saved_at: now,
  });
}

/** Gives a line to a pilot, or takes it back. Returns whether that changed anything. */
export async function giveLine(
  transaction: Transaction,
  { id, pilotId, given }: { readonly id: string; readonly pilotId: string; readonly given: boolean },
  now: Date,
): Promise<boolean> {
  const own = { line_id: id, pilot_id: pilotId };
  if (!given) return (await transaction("line_pilot").where(own).delete()) > 0;
  const there = await transaction("line_pilot").where(own).forUpdate().first();
  if (there) return false;
  await transaction("line_pilot").insert({ ...own, given_at: now });
  return true;
}

/** Puts a line into the bin, or brings it back with null. */
export async function setLineRemoved(transaction: Transaction, id: string, removedAt: Date | null): Promise<void> {
  await transaction("line").where({ id }).update({ removed_at: removedAt });
}
