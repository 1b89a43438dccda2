import "server-only";
import { createHash } from "node:crypto";
import type { FieldPlan, TallyData } from "@/contract";
import { entryOf, MODEL_VERSION, shortenedPlan } from "@/core";
import { need, requireAccess } from "@/server/access";
import { isCoach, type SignedIn } from "@/server/accounts";
import { Refusal } from "@/server/actions";
import {
  carrying,
  findSitePlan,
  latestSetups,
  listAircraft,
  listLoads,
  listPilots,
  newestStartHeight,
} from "@/server/repositories";
import { loadProgress, loadProgressBriefly } from "@/server/progress";
import { briefFrom, withStartHeights } from "@/features/brief";
import { loadFieldSquads } from "@/server/field-squads";
import { loadTally } from "@/server/tally";
import type { FieldPacket } from "./packet";

const asJson = (answer: object) => Response.json(answer, { headers: { "cache-control": "no-store" } });

async function tallyFor(who: SignedIn, sessionId: string): Promise<TallyData> {
  await requireAccess(who, [need("reader", "session", sessionId)]);
  const tally = await loadTally(who, sessionId);
  if (!tally) throw new Refusal(404, "That session is not in the records.");
  return tally;
}

/** The squads of a coach as they are taken into the field. Throws a Refusal for who is none. */
export async function downloadSquads(who: SignedIn): Promise<Response> {
  if (!isCoach(who)) throw new Refusal(403, "Only a coach may do that.");
  return asJson(await loadFieldSquads(who));
}

/** A session as it is now, for the devices in the field. Throws a Refusal for what is not theirs to see. */
export async function downloadTally(who: SignedIn, sessionId: string): Promise<Response> {
  return asJson(await tallyFor(who, sessionId));
}

/**
 * The brief of every step of a session and the courses of its site with their tag, `{ tag, briefs, plan }`; briefs are null where they are still those of the
 * tag that is known. They follow from setups, schools, ways, the syllabus, the day and the plan, not from taps.
 */
export async function downloadBriefs(who: SignedIn, sessionId: string, known: string | null): Promise<Response> {
  const tally = await tallyFor(who, sessionId);
  const fliers = await loadFliers(who, tally);
  const nowMs = Date.now();
  const { plan, version } = await planFor(tally);
  const tag = await tagOf(fliers, tally, nowMs, version);
  return asJson(tag === known ? { tag, briefs: null } : { tag, briefs: await briefsOf(fliers, tally, nowMs), plan });
}

/** Beside its courses no more of a plan goes into the field. Ours. */
const MOST_THINGS = 300;

/** The courses of a session's site with what is drawn there, and which version of the plan that is. */
async function planFor({ site }: TallyData): Promise<{ readonly plan: FieldPlan | null; readonly version: string }> {
  const kept = site && (await findSitePlan(site.id));
  if (!kept || kept.plan.courses.length === 0) return { plan: null, version: "" };
  return {
    plan: { siteName: site.name, plan: shortenedPlan(kept.plan, MOST_THINGS) },
    version: `${site.id} ${site.name} ${kept.version}`,
  };
}

/** Who flies what in a session. */
async function loadFliers(who: SignedIn, { pilots: flying }: TallyData) {
  const shown = new Set(flying.map(({ id }) => id));
  const pilots = (await listPilots(who)).filter(({ id }) => shown.has(id));
  const pilotIds = pilots.map(({ id }) => id);
  const [aircraft, setups] = await Promise.all([listAircraft(pilotIds), latestSetups(pilotIds)]);
  const loads = await listLoads(aircraft.map(({ id }) => id));
  return flying.flatMap(({ id, setupId, loadId, steps }) => {
    const pilot = pilots.find((one) => one.id === id);
    if (!pilot) return [];
    const fleet = aircraft.filter(({ pilotId }) => pilotId === id);
    const flown = fleet.find((one) => setups.get(one.id)?.id === setupId) ?? fleet[0] ?? null;
    const load = loads.find((one) => one.id === loadId && one.aircraftId === flown?.id) ?? null;
    return {
      pilot,
      aircraft: flown && carrying(flown, load),
      setup: (flown && setups.get(flown.id)) ?? null,
      stepIds: steps.map(({ stepId }) => stepId).sort(),
    };
  });
}
type Fliers = Awaited<ReturnType<typeof loadFliers>>;

/** Changes when the briefs do, but for the evidence in them, which the tally has newer. */
async function tagOf(fliers: Fliers, { day }: TallyData, nowMs: number, planVersion: string): Promise<string> {
  const [progress, newest] = await Promise.all([
    loadProgressBriefly(
      fliers.map(({ pilot }) => pilot),
      nowMs,
    ),
    newestStartHeight(),
  ]);
  const taught = fliers.map(({ pilot }) => {
    const { syllabus, school, own } = entryOf(progress, pilot.id);
    return [syllabus.number, school, own];
  });
  const today = new Date(nowMs).toISOString().slice(0, 10);
  const all = JSON.stringify([MODEL_VERSION, today, day, newest, fliers, taught, planVersion]);
  return createHash("sha256").update(all).digest("base64url");
}

async function briefsOf(fliers: Fliers, { day }: TallyData, nowMs: number): Promise<FieldPacket["briefs"]> {
  const progress = await loadProgress(fliers.map(({ pilot }) => pilot));
  const briefs = fliers.flatMap(({ stepIds, ...flown }) => {
    const own = entryOf(progress, flown.pilot.id);
    return stepIds.flatMap((stepId) => {
      const brief = briefFrom({ ...flown, progress: own, direction: null, nowMs, day, stepId });
      return brief ? [[brief, own.syllabus] as const] : [];
    });
  });
  return withStartHeights(briefs);
}
