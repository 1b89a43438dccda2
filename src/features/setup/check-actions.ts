import { flewWell } from "@/contract";
import { need } from "@/server/access";
import { coachAction, conflict, there } from "@/server/actions";
import {
  countOpenDefects,
  findAircraft,
  insertCheckFlight,
  insertDefect,
  insertTilt,
  inTransaction,
  leavePilotTrail,
  setMended,
  setMount,
  updateFlightState,
} from "@/server/repositories";
import { AddDefectInput, CheckFlightInput, MendDefectInput, ReadTiltInput, SetMountInput } from "./check-inputs";

const ofAircraft = ({ aircraftId }: { aircraftId: string }) => [need("coach", "aircraft", aircraftId)];

/** What is found about an aircraft itself: flown by eye, with a protractor, or broken. */
export const checkActions = {
  "check-flight": coachAction(
    CheckFlightInput,
    ofAircraft,
    async ({ id, aircraftId, found, defects }, { coachId, name }, { pilotOf }) => {
      const { name: aircraft } = there(await findAircraft(aircraftId), "That aircraft");
      const now = new Date();
      await inTransaction(async (transaction) => {
        if (!(await insertCheckFlight(transaction, { id, aircraftId, coachId, found }, now))) return;
        for (const defect of defects) await insertDefect(transaction, { ...defect, aircraftId, coachId }, now);
        const well = flewWell(found) && (await countOpenDefects(transaction, aircraftId)) === 0;
        // With something open it is to be flown by eye again.
        await updateFlightState(transaction, aircraftId, well ? "flying" : "repaired", now);
        const done = { kind: "check-flown", aircraft, well } as const;
        await leavePilotTrail(transaction, { who: name, done, pilotId: pilotOf(aircraftId) }, now);
      });
    },
  ),

  "add-defect": coachAction(AddDefectInput, ofAircraft, ({ id, aircraftId, what }, { coachId }) =>
    inTransaction((transaction) =>
      insertDefect(transaction, { id, aircraftId, coachId, kind: "other", what }, new Date()),
    ),
  ),

  "mend-defect": coachAction(MendDefectInput, ofAircraft, ({ id, aircraftId, mended }) =>
    inTransaction(async (transaction) => {
      const known = await setMended(transaction, { id, aircraftId }, mended ? new Date() : null);
      there(known || undefined, "That defect");
    }),
  ),

  "read-tilt": coachAction(ReadTiltInput, ofAircraft, ({ id, aircraftId, readingsDeg }, { coachId }) =>
    inTransaction((transaction) => insertTilt(transaction, { id, aircraftId, coachId, readingsDeg }, new Date())),
  ),

  "set-mount": coachAction(
    SetMountInput,
    ({ id }) => [need("coach", "aircraft", id)],
    async ({ id, mount, version }) => {
      const edited = await inTransaction((transaction) => setMount(transaction, { id, mount: mount ?? null, version }));
      if (edited === "other")
        throw conflict("Someone else changed this aircraft. Reload to see the change; nothing was saved.");
    },
  ),
};
