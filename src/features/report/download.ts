import "server-only";
import { entryOf } from "@/core";
import { loadSquad } from "@/features/squad";
import { need, requireAccess } from "@/server/access";
import { isCoach, type SignedIn } from "@/server/accounts";
import { Refusal } from "@/server/actions";
import { csvOf, pdfOf } from "@/server/files";
import { loadProgress } from "@/server/progress";
import { findPilot, listMilestones, squadNames, syllabiOf, waysOf } from "@/server/repositories";
import { directionNames, findStep, pathOf, routeOf, stepName } from "@/syllabus";
import { adviceWords, type Listener, type UnitSystem } from "@/words";
import { firstSessionPaper } from "./first-session";
import { loadSeason, stageOpen } from "./load";
import { certificatePaper, overviewPaper, seasonPaper } from "./papers";

const answer = (body: BodyInit, type: string, name: string) =>
  new Response(body, {
    headers: {
      "content-type": type,
      "content-disposition": `attachment; filename="${name}"`,
      "cache-control": "no-store",
    },
  });
const PDF = "application/pdf";
const CSV = "text/csv; charset=utf-8; header=present";

/**
 * A paper about a pilot: `season.pdf`, `season.csv`, or `stage-<n>.pdf`, the certificate of a stage whose steps are all signed off. Throws a
 * Refusal for what there is not, or is not theirs.
 */
export async function downloadReport(
  who: SignedIn,
  pilotId: string,
  file: string,
  since: string | null,
  units: UnitSystem = "metric",
  nowMs = Date.now(),
): Promise<Response> {
  await requireAccess(who, [need("reader", "pilot", pilotId)]);
  const pilot = (await findPilot(pilotId))!;
  const progress = entryOf(await loadProgress([pilot]), pilotId);
  const { syllabus, school, signedOff } = progress;
  const short = pilotId.slice(-6);
  const stage = /^stage-(\d{1,2})\.pdf$/.exec(file)?.[1];
  if (stage !== undefined) {
    const number = Number(stage);
    const name = syllabus.stages[number];
    if (name === undefined) throw new Refusal(404, "There is no such stage.");
    const open = stageOpen(syllabus, routeOf(school), number, signedOff);
    if (open.length > 0)
      throw new Refusal(
        409,
        `Not every step of ${name} is signed off yet; still open: ${open.map((id) => stepName(syllabus, id)).join(", ")}.`,
      );
    const own = new Set(
      pathOf(syllabus, routeOf(school))
        .filter(({ id }) => entryOf(syllabus.skillByStep, id).stage === number)
        .map(({ id }) => id),
    );
    const milestones = (await listMilestones([pilotId])).filter(({ stepId }) => own.has(stepId));
    const steps = milestones.map((one) => ({ ...one, name: stepName(syllabus, one.stepId) }));
    return answer(
      await pdfOf(certificatePaper(pilot.name, name, steps, progress.rules.timeZone)),
      PDF,
      `stage-${number}-${short}.pdf`,
    );
  }
  if (file !== "season.pdf" && file !== "season.csv") throw new Refusal(404, "There is no such file.");
  const season = await loadSeason(pilot, since, nowMs);
  const to: Listener = { units, reader: isCoach(who) ? "coach" : "pilot" };
  if (file === "season.pdf") return answer(await pdfOf(seasonPaper(season, syllabus, to)), PDF, `season-${short}.pdf`);
  const rows = season.figures.lines.map((line) => {
    const step = findStep(syllabus, line.stepId);
    return {
      step: stepName(syllabus, line.stepId),
      direction: (step && directionNames(step)[line.direction]) ?? line.direction,
      attempts: line.attempts,
      ...line.counts,
      clean_low_90: line.low.toFixed(3),
      clean_high_90: line.high.toFixed(3),
      earlier_half: line.halves?.[0].toFixed(3) ?? "",
      later_half: line.halves?.[1].toFixed(3) ?? "",
    };
  });
  const fields = ["step", "direction", "attempts", "clean", "rough", "bailed", "crashed"];
  return answer(
    csvOf([...fields, "clean_low_90", "clean_high_90", "earlier_half", "later_half"], rows),
    CSV,
    `season-${short}.csv`,
  );
}

/** A squad's overview as `overview.pdf` or `overview.csv`, for its coaches. Throws a Refusal for what there is not, or is not theirs. */
export async function downloadOverview(
  who: SignedIn,
  squadId: string,
  file: string,
  units: UnitSystem = "metric",
  nowMs = Date.now(),
): Promise<Response> {
  await requireAccess(who, [need("coach", "squad", squadId)]);
  if (!isCoach(who)) throw new Refusal(403, "You don’t have access to that squad.");
  if (file !== "overview.pdf" && file !== "overview.csv") throw new Refusal(404, "There is no such file.");
  const [{ rows }, names, syllabi, ways] = await Promise.all([
    loadSquad(who, nowMs),
    squadNames([squadId]),
    syllabiOf([squadId]),
    waysOf([squadId]),
  ]);
  const syllabus = entryOf(syllabi, squadId);
  const { timeZone } = entryOf(ways, squadId).rules;
  const to: Listener = { units, reader: "coach" };
  const own = rows.filter((row) => row.squadId === squadId).map((row) => ({ ...row, syllabus }));
  const short = squadId.slice(-6);
  if (file === "overview.pdf")
    return answer(
      await pdfOf(overviewPaper(names.get(squadId) ?? "Squad", own, { nowMs, timeZone, to })),
      PDF,
      `squad-${short}.pdf`,
    );
  const lines = own.map(({ name, glance, reasons, aircraftName, setupNumber }) => ({
    pilot: name,
    step: glance.current ? stepName(syllabus, glance.current.stepId) : "",
    signed_off: glance.signedOff,
    steps: glance.steps,
    due_again: glance.reviewsDue.map(({ stepId }) => stepName(syllabus, stepId)).join(", "),
    slipping: glance.slipping.map(({ stepId }) => stepName(syllabus, stepId)).join(", "),
    last_flight: glance.lastFlownMs === null ? "" : new Date(glance.lastFlownMs).toISOString(),
    aircraft: aircraftName ?? "",
    setup: setupNumber ?? "",
    needs_coach: reasons.map(({ text }) => text).join("; "),
    advice: glance.current ? adviceWords(glance.current.advice, glance.current.stepId, syllabus, to) : "",
  }));
  const fields = ["pilot", "step", "signed_off", "steps", "due_again", "slipping", "last_flight"];
  return answer(csvOf([...fields, "aircraft", "setup", "needs_coach", "advice"], lines), CSV, `squad-${short}.csv`);
}

/** The page for a coach's first session, for whoever is signed in. */
export async function downloadFirstSession(): Promise<Response> {
  return answer(await pdfOf(firstSessionPaper()), PDF, "first-session.pdf");
}
