import "server-only";
import { need, requireAccess } from "@/server/access";
import type { SignedIn } from "@/server/accounts";
import { Refusal } from "@/server/actions";
import { carrying, latestSetups, listAircraft, listLoads, listPilots } from "@/server/repositories";
import { loadProgress } from "@/server/progress";
import { briefFrom, withStartHeights } from "@/features/brief";
import { loadTally } from "@/server/tally";
import type { FieldPacket } from "./packet";

/** Everything a session needs in the field, to be kept on the device. Throws a Refusal for what is not theirs to see. */
export async function downloadPacket(who: SignedIn, sessionId: string): Promise<Response> {
  await requireAccess(who, [need("reader", "session", sessionId)]);
  const tally = await loadTally(who, sessionId);
  if (!tally) throw new Refusal(404, "That session is not in the records.");
  const shown = new Set(tally.pilots.map(({ id }) => id));
  const pilots = (await listPilots(who)).filter(({ id }) => shown.has(id));
  const pilotIds = pilots.map(({ id }) => id);
  const [aircraft, setups, progress] = await Promise.all([
    listAircraft(pilotIds),
    latestSetups(pilotIds),
    loadProgress(pilots),
  ]);
  const loads = await listLoads(aircraft.map(({ id }) => id));
  const nowMs = Date.now();
  const briefs = tally.pilots.flatMap(({ id, setupId, loadId, steps }) => {
    const pilot = pilots.find((one) => one.id === id)!;
    const fleet = aircraft.filter(({ pilotId }) => pilotId === id);
    const flown = fleet.find((one) => setups.get(one.id)?.id === setupId) ?? fleet[0] ?? null;
    const setup = (flown && setups.get(flown.id)) ?? null;
    const own = progress.get(id)!;
    const load = loads.find((one) => one.id === loadId && one.aircraftId === flown?.id) ?? null;
    const common = {
      pilot,
      aircraft: flown && carrying(flown, load),
      setup,
      progress: own,
      direction: null,
      nowMs,
      day: tally.day,
    };
    return steps.flatMap(({ stepId }) => {
      const brief = briefFrom({ ...common, stepId });
      return brief ? [[brief, own.syllabus] as const] : [];
    });
  });
  const packet: FieldPacket = { tally, briefs: await withStartHeights(briefs) };
  return Response.json(packet, { headers: { "cache-control": "no-store" } });
}
