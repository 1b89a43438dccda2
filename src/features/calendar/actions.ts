import { need, whereabouts } from "@/server/access";
import { ByIdInput, badField, coachAction, conflict } from "@/server/actions";
import {
  findPilot,
  findSite,
  insertPlanned,
  insertTarget,
  inTransaction,
  setPlannedRemoved,
  setTargetRemoved,
  syllabusOf,
  updatePlanned,
} from "@/server/repositories";
import { findStep } from "@/syllabus";
import { EditPlannedInput, PlanSessionInput, SetTargetInput } from "./inputs";

const aPlanned = ({ id }: { id: string }) => [need("coach", "planned", id)];
const aTarget = ({ id }: { id: string }) => [need("coach", "target", id)];
const ofPlan = ({ pilotIds, siteId }: { readonly pilotIds: readonly string[]; readonly siteId?: string | null }) => [
  ...pilotIds.map((pilotId) => need("coach", "pilot", pilotId)),
  ...(siteId ? [need("coach", "site", siteId)] : []),
];

/** Pilots and site have to be of one squad, as a session is. */
async function requireOneSquad(
  squadId: string | null,
  { pilotIds, siteId }: { readonly pilotIds: readonly string[]; readonly siteId?: string | null },
): Promise<void> {
  const squads = await Promise.all(pilotIds.map(async (pilotId) => (await findPilot(pilotId))!.squadId));
  const all = new Set([...squads, ...(squadId ? [squadId] : [])]);
  if (all.size > 1) throw badField("pilotIds", "A session is of one squad; plan another for the other squad.");
  if (siteId && all.size === 1 && !all.has((await findSite(siteId))!.squadId))
    throw badField("siteId", "That site is another squad's.");
}

export const calendarActions = {
  "plan-session": coachAction(
    PlanSessionInput,
    (input) => [need("coach", "squad", input.squadId), ...ofPlan(input)],
    async (input) => {
      await requireOneSquad(input.squadId, input);
      await inTransaction((transaction) =>
        insertPlanned(transaction, { ...input, siteId: input.siteId ?? null }, new Date()),
      );
    },
  ),

  "edit-planned": coachAction(
    EditPlannedInput,
    (input) => [...aPlanned(input), ...ofPlan(input)],
    async (input) => {
      await requireOneSquad((await whereabouts("planned", input.id))!.squadId, input);
      await inTransaction(async (transaction) => {
        if ((await updatePlanned(transaction, { ...input, siteId: input.siteId ?? null })) === "other")
          throw conflict(
            "Somebody else changed this plan meanwhile. Reload to see it; what you entered is still here.",
          );
      });
    },
  ),

  "set-target": coachAction(
    SetTargetInput,
    ({ pilotId }) => [need("coach", "pilot", pilotId)],
    async (target) => {
      const { squadId } = (await findPilot(target.pilotId))!;
      if (!findStep(await syllabusOf(squadId), target.stepId))
        throw badField("stepId", "That step is not in the squad's syllabus.");
      await inTransaction((transaction) => insertTarget(transaction, target, new Date()));
    },
  ),
  "remove-target": coachAction(ByIdInput, aTarget, ({ id }) =>
    inTransaction((transaction) => setTargetRemoved(transaction, id, new Date())),
  ),
  "restore-target": coachAction(ByIdInput, aTarget, ({ id }) =>
    inTransaction((transaction) => setTargetRemoved(transaction, id, null)),
  ),

  "remove-planned": coachAction(ByIdInput, aPlanned, ({ id }) =>
    inTransaction((transaction) => setPlannedRemoved(transaction, id, new Date())),
  ),
  "restore-planned": coachAction(
    ByIdInput,
    ({ id }) => [{ ...need("coach", "planned", id), evenBinned: true }],
    ({ id }) => inTransaction((transaction) => setPlannedRemoved(transaction, id, null)),
  ),
};
