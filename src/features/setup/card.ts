import "server-only";
import { entryOf } from "@/core";
import { pdfOf } from "@/server/files";
import { need, requireAccess } from "@/server/access";
import type { SignedIn } from "@/server/accounts";
import { Refusal, there } from "@/server/actions";
import { loadDay, loadProgress, loadStartHeights } from "@/server/progress";
import type { Aircraft, Pilot, Setup } from "@/contract";
import { findAircraft, findPilot, latestSetups } from "@/server/repositories";
import { currentStepOf, directionNames, skillOf, startHeightInputsOf } from "@/syllabus";
import type { UnitSystem } from "@/words";
import { cardContent, type CardHeights } from "./card-content";
import { cardPapers, type CardPaper } from "./papers";

/** The newest setup of an aircraft as a one-page PDF. Throws a Refusal for a paper there is none for, and for what is not theirs. */
export async function setupCard(
  who: SignedIn,
  aircraftId: string,
  paper: string,
  units: UnitSystem = "metric",
): Promise<Response> {
  await requireAccess(who, [need("reader", "aircraft", aircraftId)]);
  if (!cardPapers.some((known) => known === paper))
    throw new Refusal(404, `Cards are made for ${cardPapers.join(" and ")}.`);
  const aircraft = there(await findAircraft(aircraftId), "That aircraft");
  const [pilot, setups] = await Promise.all([findPilot(aircraft.pilotId), latestSetups([aircraft.pilotId])]);
  const setup = setups.get(aircraftId);
  if (!pilot || !setup) throw new Refusal(404, "That aircraft has no setup yet.");
  const body = await pdfOf(
    cardContent(pilot, aircraft, setup, paper as CardPaper, await heightsFor(pilot, aircraft, setup), units),
  );
  return new Response(body, {
    headers: {
      "content-type": "application/pdf",
      "content-disposition": `attachment; filename="setup-card-${aircraftId.slice(-6)}-${setup.number}-${paper}.pdf"`,
      "cache-control": "no-store",
    },
  });
}

/** Minimum start heights of the steps of the skill the pilot is at, as far as they were worked out with this setup in the air of the day. */
async function heightsFor(pilot: Pilot, { airframe }: Aircraft, { settings }: Setup): Promise<CardHeights> {
  const [all, day] = await Promise.all([loadProgress([pilot]), loadDay(pilot.squadId)]);
  const progress = entryOf(all, pilot.id);
  const { syllabus } = progress;
  const open = currentStepOf(progress) ?? syllabus.steps[syllabus.steps.length - 1];
  const skill = skillOf(syllabus, open);
  const steps = syllabus.steps.filter((step) => skillOf(syllabus, step) === skill);
  const flownWith = { airframe, settings, manner: progress, day: day.air, reactionS: pilot.reactionS };
  const asked = steps.flatMap((step) =>
    step.directions.map(({ id }) => ({
      name: `${step.id} ${id}`,
      step,
      direction: id,
      inputs: startHeightInputsOf(syllabus, step, id, flownWith),
    })),
  );
  const kept = await loadStartHeights(asked.map(({ name, inputs }) => [name, inputs]));
  return {
    day: day.air,
    timeZone: progress.rules.timeZone,
    lines: asked.flatMap(({ name, step, direction, inputs }) =>
      inputs
        ? [{ name: `${step.name}, ${directionNames(step)[direction]}`, heightM: kept.get(name)?.heightM ?? null }]
        : [],
    ),
  };
}
