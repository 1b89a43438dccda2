import {
  airframePresets,
  airframeRanges,
  requireSettings,
  rateParameters,
  type RateCurve,
  type Settings,
  withMass,
} from "@/core";
import { action, badField, conflict, missing } from "@/server/actions";
import {
  findAircraft,
  findPilot,
  findSetup,
  insertAircraft,
  insertSetup,
  inTransaction,
  lockLatestSetupNumber,
  updateFlightState,
} from "@/server/repositories";
import { AddAircraftInput, SaveSetupInput, SetFlightStateInput } from "./inputs";

export const setupActions = {
  "add-aircraft": action(
    AddAircraftInput,
    async ({ id, pilotId, name, presetId, flightState, massG, thrustToWeight }) => {
      if (!(await findPilot(pilotId))) throw missing("That pilot");
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

  "set-flight-state": action(SetFlightStateInput, async ({ id, flightState }) => {
    if (!(await findAircraft(id))) throw missing("That aircraft");
    await inTransaction((transaction) => updateFlightState(transaction, id, flightState));
  }),

  "save-setup": action(SaveSetupInput, async ({ id, aircraftId, basedOn, reason, settings }, { coachId }) => {
    if (!(await findAircraft(aircraftId))) throw missing("That aircraft");
    const clean = onlyKnown(requireSettings(settings));
    return inTransaction(async (transaction) => {
      const latest = await lockLatestSetupNumber(transaction, aircraftId);
      const sent = await findSetup(id);
      if (sent) return { number: sent.number };
      if (latest !== basedOn) {
        throw conflict(
          `Setup ${latest} was saved meanwhile. Yours is still here: look at the new one, then save yours on top of it.`,
        );
      }
      await insertSetup(
        transaction,
        { id, aircraftId, coachId, number: latest + 1, reason, settings: clean },
        new Date(),
      );
      return { number: latest + 1 };
    });
  }),
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
  const value = Number(text.replace(",", "."));
  if (!Number.isFinite(value) || value < min * perUnit || value > max * perUnit) {
    throw badField(field, `${text} cannot be right here; allowed: ${min * perUnit} to ${max * perUnit} ${unit}`.trim());
  }
  return value / perUnit;
}

/** Settings with nothing in them but what the program knows. */
function onlyKnown({ rates, throttle, tiltDeg, camera, modes }: Settings): Settings {
  const curve = (from: RateCurve) =>
    Object.fromEntries(
      ["family", ...rateParameters(from.family)].map((name) => [
        name,
        (from as unknown as Record<string, unknown>)[name],
      ]),
    ) as unknown as RateCurve;
  return {
    rates: { roll: curve(rates.roll), pitch: curve(rates.pitch), yaw: curve(rates.yaw) },
    throttle: {
      mid: throttle.mid,
      expo: throttle.expo,
      limit: { kind: throttle.limit.kind, fraction: throttle.limit.fraction },
    },
    tiltDeg,
    camera: { verticalFovDeg: camera.verticalFovDeg, aspect: camera.aspect },
    modes: {
      idleAuthority: modes.idleAuthority === true,
      bankLimitDeg: modes.bankLimitDeg,
      selfLevel: modes.selfLevel === true,
    },
  };
}
