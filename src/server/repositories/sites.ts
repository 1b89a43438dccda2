import type { KeptSitePlan, Site } from "@/contract";
import { DAY_MS, EMPTY_PLAN, type SitePlan } from "@/core";
import { database, type Transaction } from "../database";
import { fromJson, insertOnce, updateOnce, type Edited } from "./rows";

interface SiteRow {
  id: string;
  squad_id: string;
  name: string;
  surface: string;
  room_m: number;
  ceiling_m: number | null;
  elevation_m: number | null;
  features: string;
  hazards: string;
  rules: string;
  ask_whom: string;
  version: number;
  latitude_deg: number | null;
  longitude_deg: number | null;
}

/** Sites with where their plans say that they lie. */
const sites = () =>
  database()("site")
    .leftJoin("site_plan", "site_plan.id", "site.id")
    .select(
      "site.*",
      database().raw("cast(json_value(plan, '$.place.latitudeDeg') as double) as latitude_deg"),
      database().raw("cast(json_value(plan, '$.place.longitudeDeg') as double) as longitude_deg"),
    );

const siteFrom = (row: SiteRow): Site => ({
  id: row.id,
  squadId: row.squad_id,
  name: row.name,
  surface: row.surface,
  roomM: row.room_m,
  ceilingM: row.ceiling_m,
  elevationM: row.elevation_m,
  features: row.features,
  hazards: row.hazards,
  rules: row.rules,
  askWhom: row.ask_whom,
  version: row.version,
  place:
    row.latitude_deg === null || row.longitude_deg === null
      ? null
      : { latitudeDeg: Number(row.latitude_deg), longitudeDeg: Number(row.longitude_deg) },
});

const rowOf = (site: Omit<Site, "id" | "squadId" | "version" | "place">) => ({
  name: site.name,
  surface: site.surface,
  room_m: site.roomM,
  ceiling_m: site.ceilingM,
  elevation_m: site.elevationM,
  features: site.features,
  hazards: site.hazards,
  rules: site.rules,
  ask_whom: site.askWhom,
});

/** The sites of some squads by name, without those in the bin. */
export async function listSites(squadIds: readonly string[]): Promise<Site[]> {
  const rows: SiteRow[] = await sites()
    .whereIn("squad_id", [...squadIds])
    .whereNull("removed_at")
    .orderBy(["name", "site.id"]);
  return rows.map(siteFrom);
}

/** A site, in the bin or not. */
export async function findSite(id: string): Promise<Site | undefined> {
  const row: SiteRow | undefined = await sites().where("site.id", id).first();
  return row && siteFrom(row);
}

export async function insertSite(transaction: Transaction, site: Omit<Site, "version">, now: Date): Promise<void> {
  await insertOnce(transaction, "site", { id: site.id, squad_id: site.squadId, ...rowOf(site), created_at: now });
  await transaction("site_plan").insert({ id: site.id }).onConflict().ignore();
}

/** The plan of a site, in the bin or not; an empty one where nobody has drawn yet. */
export async function findSitePlan(siteId: string): Promise<KeptSitePlan | undefined> {
  const row: { id: string; version: number; plan: unknown } | undefined = await database()("site_plan")
    .where({ id: siteId })
    .first("id", "version", "plan");
  return row && { siteId, version: row.version, plan: row.plan === null ? EMPTY_PLAN : fromJson<SitePlan>(row.plan) };
}

/** The plans of a squad's sites that are drawn, by name, without those in the bin. */
export async function listSitePlans(
  squadId: string,
): Promise<(Pick<Site, "id" | "name" | "ceilingM" | "elevationM"> & { readonly plan: SitePlan })[]> {
  const rows: (Pick<SiteRow, "id" | "name" | "ceiling_m" | "elevation_m"> & { plan: unknown })[] = await database()(
    "site",
  )
    .join("site_plan", "site_plan.id", "site.id")
    .where({ squad_id: squadId })
    .whereNull("removed_at")
    .whereNotNull("plan")
    .orderBy(["name", "site.id"])
    .select("site.id", "name", "ceiling_m", "elevation_m", "plan");
  return rows.map((row) => ({
    ...{ id: row.id, name: row.name, ceilingM: row.ceiling_m, elevationM: row.elevation_m },
    plan: fromJson<SitePlan>(row.plan),
  }));
}

/** How many things and courses are on the plans of some squads' sites, by site; without those on which is nothing. */
export async function drawnOn(squadIds: readonly string[]): Promise<Readonly<Record<string, number>>> {
  const rows: { id: string; things: number | null; courses: number | null }[] = await database()("site_plan")
    .join("site", "site.id", "site_plan.id")
    .whereIn("squad_id", [...squadIds])
    .whereNotNull("plan")
    .select(
      "site.id",
      database().raw("json_length(plan, '$.features') as things"),
      database().raw("json_length(plan, '$.courses') as courses"),
    );
  return Object.fromEntries(rows.map(({ id, things, courses }) => [id, Number(things ?? 0) + Number(courses ?? 0)]));
}

/** Changes a plan whose version is still the one that was read. Returns whether it was. */
export async function updateSitePlan(
  transaction: Transaction,
  { siteId, version, plan }: KeptSitePlan,
  savedBy: string,
  now: Date,
): Promise<Edited> {
  const edited = await updateOnce(
    transaction,
    "site_plan",
    { id: siteId, version },
    { plan: JSON.stringify(plan), saved_by: savedBy },
  );
  if (edited === "changed") await transaction("site_plan").where({ id: siteId }).update({ saved_at: now });
  return edited;
}

/** A picture that was sent and lies under no saved plan is let go of after so long. */
const UNUSED_PICTURE_MS = DAY_MS;

/** Keeps a picture for a site's plan, once; it lies there when a plan with its id is saved. */
export async function putSitePicture(
  transaction: Transaction,
  {
    id,
    siteId,
    hash,
    jpeg,
  }: { readonly id: string; readonly siteId: string; readonly hash: string; readonly jpeg: Buffer },
  now: Date,
): Promise<void> {
  const saved = await findSitePlan(siteId);
  await transaction("site_picture")
    .where({ site_id: siteId })
    .whereNot({ id: saved?.plan.picture?.id ?? "" })
    .where("created_at", "<", new Date(now.getTime() - UNUSED_PICTURE_MS))
    .delete();
  await insertOnce(transaction, "site_picture", { id, site_id: siteId, hash, jpeg, created_at: now });
}

/** Lets go of every picture of a site but the one that lies under its plan now; null for none. Returns whether that one is there. */
export async function keepSitePicture(transaction: Transaction, siteId: string, id: string | null): Promise<boolean> {
  const others = transaction("site_picture").where({ site_id: siteId });
  await (id === null ? others : others.whereNot({ id })).delete();
  return id === null || (await transaction("site_picture").where({ site_id: siteId, id }).first("id")) !== undefined;
}

/** A picture of a site; undefined where there is none. */
export async function findSitePicture(
  siteId: string,
  id: string,
): Promise<{ readonly hash: string; readonly jpeg: Buffer } | undefined> {
  return database()("site_picture").where({ site_id: siteId, id }).first("hash", "jpeg");
}

/** Changes a site whose version is still the one that was read. Returns whether it was. */
export async function updateSite(transaction: Transaction, site: Omit<Site, "squadId">): Promise<Edited> {
  return updateOnce(transaction, "site", site, rowOf(site));
}

/** Puts a site into the bin, or brings it back with null. */
export async function setSiteRemoved(transaction: Transaction, id: string, removedAt: Date | null): Promise<void> {
  await transaction("site").where({ id }).update({ removed_at: removedAt });
}
