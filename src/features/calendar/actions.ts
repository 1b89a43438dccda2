import { need } from "@/server/access";
import { ByIdInput, badField, coachAction, conflict, type Call } from "@/server/actions";
import {
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
function requireOneSquad(
  squadId: string,
  { pilotIds, siteId }: { readonly pilotIds: readonly string[]; readonly siteId?: string | null },
  { squadOf }: Call,
): void {
  if (pilotIds.some((id) => squadOf(id) !== squadId))
    throw badField("pilotIds", "A session is of one squad; plan another for the other squad.");
  if (siteId && squadOf(siteId) !== squadId) throw badField("siteId", "That site is another squad's.");
}

export const calendarActions = {
  "plan-session": coachAction(
    PlanSessionInput,
    (input) => [need("coach", "squad", input.squadId), ...ofPlan(input)],
    async (input, _, call) => {
      requireOneSquad(input.squadId, input, call);
      await inTransaction((transaction) =>
        insertPlanned(transaction, { ...input, siteId: input.siteId ?? null }, new Date()),
      );
    },
  ),

  "edit-planned": coachAction(
    EditPlannedInput,
    (input) => [...aPlanned(input), ...ofPlan(input)],
    async (input, _, call) => {
      requireOneSquad(call.squadOf(input.id), input, call);
      await inTransaction(async (transaction) => {
        if ((await updatePlanned(transaction, { ...input, siteId: input.siteId ?? null })) === "other")
          throw conflict("Someone else changed this plan. Reload to see the change; what you entered is still here.");
      });
    },
  ),

  "set-target": coachAction(
    SetTargetInput,
    ({ pilotId }) => [need("coach", "pilot", pilotId)],
    async (target, _, { squadOf }) => {
      if (!findStep(await syllabusOf(squadOf(target.pilotId)), target.stepId))
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
