import { typedNumber } from "@/contract";
import {
  airframePresets,
  airframeRanges,
  fitAirframe,
  knownSettings,
  loadedAirframe,
  requireMeasurement,
  requireSettings,
  SEA_LEVEL_AIR,
  withMass,
  withRise,
  type Measurement,
} from "@/core";
import { need } from "@/server/access";
import { ByIdInput, badField, coachAction, conflict, there } from "@/server/actions";
import {
  findAircraft,
  findPilot,
  findSetup,
  insertAircraft,
  insertLoad,
  insertSetup,
  inTransaction,
  leavePilotTrail,
  listLoads,
  lockLatestSetupNumber,
  renameAircraft,
  setAircraftRemoved,
  setLoadRemoved,
  setReferenceAircraft,
  updateFlightState,
  updateMeasurements,
} from "@/server/repositories";
import { checkActions } from "./check-actions";
import {
  AddAircraftInput,
  AddLoadInput,
  MeasureAircraftInput,
  RenameAircraftInput,
  SaveSetupInput,
  SetFlightStateInput,
} from "./inputs";

const anAircraft = ({ id }: { id: string }) => [need("coach", "aircraft", id)];

/** Puts an aircraft into the bin or brings it back. */
function setRemoved(removedAt: () => Date | null, kind: "removed" | "restored") {
  const evenBinned = ({ id }: ByIdInput) => anAircraft({ id }).map((one) => ({ ...one, evenBinned: true }));
  return coachAction(ByIdInput, evenBinned, ({ id }, { name }) =>
    inTransaction(async (transaction) => {
      const aircraft = there(await findAircraft(id), "That aircraft");
      await setAircraftRemoved(transaction, id, removedAt());
      const done = { kind, thing: "aircraft", name: aircraft.name } as const;
      await leavePilotTrail(transaction, { who: name, done, pilotId: aircraft.pilotId }, new Date());
    }),
  );
}

/** Takes a load of an aircraft off the list or puts it back. */
const setListed = (removedAt: () => Date | null) =>
  coachAction(
    ByIdInput,
    ({ id }) => [need("coach", "load", id)],
    ({ id }) => inTransaction((transaction) => setLoadRemoved(transaction, id, removedAt())),
  );

const MOST_LOADS = 50;

export const setupActions = {
  ...checkActions,

  "add-aircraft": coachAction(
    AddAircraftInput,
    ({ pilotId }) => [need("coach", "pilot", pilotId)],
    async ({ id, pilotId, name, presetId, flightState, massG, thrustToWeight }) => {
      const preset = airframePresets[presetId].airframe;
      const massKg = measured("massG", massG, airframeRanges.massKg, 1000, "g") ?? preset.massKg;
      const airframe = withMass(preset, massKg);
      const thrust =
        measured("thrustToWeight", thrustToWeight, airframeRanges.thrustToWeight, 1, "") ?? airframe.thrustToWeight;
      const [least, most] = airframeRanges.thrustToWeight;
      if (thrust < least || thrust > most) {
        throw badField(
          "massG",
          "With this weight the motors of this kind could not be right. Check it, or give thrust over weight as measured.",
        );
      }
      await inTransaction((transaction) =>
        insertAircraft(
          transaction,
          { id, pilotId, name, presetId, flightState, airframe: { ...airframe, thrustToWeight: thrust } },
          new Date(),
        ),
      );
    },
  ),

  "add-load": coachAction(
    AddLoadInput,
    ({ aircraftId }) => [need("coach", "aircraft", aircraftId)],
    async ({ id, aircraftId, name, massG, thrustToWeight }) => {
      const { airframe } = there(await findAircraft(aircraftId), "That aircraft");
      const massKg = measured("massG", massG, airframeRanges.massKg, 1000, "g");
      if (massKg === null) throw badField("massG", "Weigh the aircraft with it on.");
      const load = {
        massKg,
        thrustToWeight: measured("thrustToWeight", thrustToWeight, airframeRanges.thrustToWeight, 1, ""),
      };
      const [least] = airframeRanges.thrustToWeight;
      if (load.thrustToWeight === null && (airframe.thrustToWeight * airframe.massKg) / massKg < least)
        throw badField("massG", "With this weight it could not fly. Check it, or give thrust over weight as measured.");
      loadedAirframe(airframe, load);
      if ((await listLoads([aircraftId])).length >= MOST_LOADS)
        throw badField("name", `An aircraft has ${MOST_LOADS} loads at most; take one off the list first.`);
      await inTransaction((transaction) => insertLoad(transaction, { id, aircraftId, name, ...load }, new Date()));
    },
  ),
  "remove-load": setListed(() => new Date()),
  "restore-load": setListed(() => null),

  "set-flight-state": coachAction(SetFlightStateInput, anAircraft, async ({ id, flightState }) => {
    await inTransaction((transaction) => updateFlightState(transaction, id, flightState, new Date()));
  }),

  /** Replaces what was measured on an aircraft, and fits its airframe to it. */
  "measure-aircraft": coachAction(MeasureAircraftInput, anAircraft, async ({ id, version, measurements }, { name }) => {
    const aircraft = there(await findAircraft(id), "That aircraft");
    const clean = measurements.map((one) => requireMeasurement(one as Measurement));
    const { airframe } = fitAirframe(aircraft.estimate, clean, SEA_LEVEL_AIR);
    await inTransaction(async (transaction) => {
      const { estimate } = aircraft;
      const measured = { id, version, measurements: clean, estimate, airframe };
      const edited = await updateMeasurements(transaction, measured);
      if (edited === "same") return;
      if (edited === "other")
        throw conflict("Someone else measured it. Reload to see the change; what you entered is still here.");
      const done = { kind: "measured", aircraft: aircraft.name } as const;
      await leavePilotTrail(transaction, { who: name, done, pilotId: aircraft.pilotId }, new Date());
    });
  }),

  /** The aircraft that the pilot's hands know: the fleet is compared with it. */
  "choose-reference": coachAction(ByIdInput, anAircraft, async ({ id }, _, { pilotOf }) => {
    await inTransaction((transaction) => setReferenceAircraft(transaction, pilotOf(id), id));
  }),

  "rename-aircraft": coachAction(RenameAircraftInput, anAircraft, async ({ id, name, version }, who) => {
    const before = there(await findAircraft(id), "That aircraft");
    await inTransaction(async (transaction) => {
      const edited = await renameAircraft(transaction, { id, name, version });
      if (edited === "same") return;
      if (edited === "other")
        throw conflict("Someone else changed this aircraft. Reload to see the change; what you entered is still here.");
      const done = { kind: "renamed-aircraft", was: before.name, is: name } as const;
      await leavePilotTrail(transaction, { who: who.name, done, pilotId: before.pilotId }, new Date());
    });
  }),

  "remove-aircraft": setRemoved(() => new Date(), "removed"),
  "restore-aircraft": setRemoved(() => null, "restored"),

  "save-setup": coachAction(
    SaveSetupInput,
    ({ aircraftId }) => [need("coach", "aircraft", aircraftId)],
    async ({ id, aircraftId, basedOn, reason, settings, evenFrozen }, { coachId, name }) => {
      const aircraft = there(await findAircraft(aircraftId), "That aircraft");
      const clean = knownSettings(requireSettings(withRise(settings)));
      return inTransaction(async (transaction) => {
        const latest = await lockLatestSetupNumber(transaction, aircraftId);
        const sent = await findSetup(id);
        if (sent) {
          if (sent.aircraftId !== aircraftId) throw conflict("There is another setup with this id.");
          return { number: sent.number };
        }
        if (latest !== basedOn) {
          throw conflict(
            `Setup ${latest} was saved meanwhile. Yours is still here: look at the new one, then save yours on top of it.`,
          );
        }
        const pilot = await findPilot(aircraft.pilotId);
        // The first setup of an aircraft is where settings begin.
        if (pilot?.settingsFrozen && latest > 0 && !evenFrozen) {
          throw conflict(
            `The settings of ${pilot.name} are frozen. To change them for a reason, say on the setup screen that they change all the same.`,
          );
        }
        const now = new Date();
        const number = latest + 1;
        await insertSetup(transaction, { id, aircraftId, coachId, number, reason, settings: clean }, now);
        const done = { kind: "saved-setup", aircraft: aircraft.name, number, reason } as const;
        await leavePilotTrail(transaction, { who: name, done, pilotId: aircraft.pilotId }, now);
        return { number };
      });
    },
  ),
};

/** A number somebody measured and typed, or null when they left it empty. */
function measured(
  field: string,
  text: string,
  [min, max]: readonly [number, number],
  perUnit: number,
  unit: string,
): number | null {
  if (text === "") return null;
  const value = typedNumber(text);
  if (!Number.isFinite(value) || value < min * perUnit || value > max * perUnit) {
    throw badField(field, `Enter a value from ${min * perUnit} to ${max * perUnit} ${unit}`.trim());
  }
  return value / perUnit;
}
