import { typedNumber, type ActionInput, type Grip, type Pilot } from "@/contract";
import { rounded } from "@/core";
import { entryIn, type UnitSystem } from "@/words";
import { choiceField, type FormValues } from "./form-fields";

const grips: readonly (readonly [Grip, string])[] = [
  ["thumbs", "thumbs on the sticks"],
  ["pinch", "pinch, thumb and finger"],
  ["hybrid", "hybrid"],
];

/** The fields of a pilot, for adding and for changing one. Which squad is asked only where there are several. */
export function pilotFields(
  pilot: Pick<Pilot, "name" | "stickMode" | "grip"> &
    Partial<Pick<Pilot, "squadId" | "settingsFrozen" | "reactionS" | "cruiseMps" | "reachShare" | "stickLengthMm">>,
  squads: readonly { readonly id: string; readonly name: string }[],
  units: UnitSystem,
) {
  return {
    squadId: choiceField({
      label: "Squad",
      initial: pilot.squadId ?? squads[0]?.id ?? "",
      options: squads.map(({ id, name }) => [id, name] as const),
      hidden: squads.length < 2,
    }),
    name: { label: "Name", initial: pilot.name },
    stickMode: choiceField({
      label: "Stick mode",
      initial: pilot.stickMode,
      options: [1, 2, 3, 4].map((mode): [number, string] => [
        mode,
        `mode ${mode}: throttle ${mode % 2 ? "right" : "left"}, roll ${mode <= 2 ? "right" : "left"}`,
      ]),
    }),
    grip: choiceField({ label: "Grip", initial: pilot.grip, options: grips }),
    settingsFrozen: choiceField({
      label: "Settings",
      initial: pilot.settingsFrozen ? "yes" : "no",
      options: [
        ["no", "reviewed by stage"],
        ["yes", "frozen once good"],
      ],
    }),
    reactionS: {
      label: "Reaction, s (empty: as usual at the stage)",
      initial: String(pilot.reactionS ?? ""),
      help: "From your call to the stick: a phone's slow motion, the middle of five. Start heights count it.",
    },
    cruiseMps: {
      label: `Own cruise, ${entryIn("speed", units).symbol} (empty: level at the camera's tilt)`,
      initial: pilot.cruiseMps == null ? "" : entryIn("speed", units).text(pilot.cruiseMps),
      help: "Their normal cruising speed. The throttle's mid and the mix are worked out from it.",
    },
    reachShare: {
      label: "Stick reached, % (empty: all of it)",
      initial: pilot.reachShare == null ? "" : String(rounded(100 * pilot.reachShare, 1)),
      help: "Ask for full stick and read the transmitter's bars. End rates are proposed for what is reached.",
    },
    stickLengthMm: {
      label: "Stick length, mm (empty: as usual with the grip)",
      initial: String(pilot.stickLengthMm ?? ""),
      help: "From the pivot to where the hand holds it. Softer centres are proposed by it.",
    },
  };
}

/** What is sent of them. */
export const pilotFrom = (
  { settingsFrozen, cruiseMps, reachShare, ...values }: FormValues<ReturnType<typeof pilotFields>>,
  units: UnitSystem,
): Omit<ActionInput<"add-pilot">, "id"> => ({
  ...values,
  settingsFrozen: settingsFrozen === "yes",
  cruiseMps: changed(cruiseMps, (speed) => entryIn("speed", units).read(speed)),
  reachShare: changed(reachShare, (percent) => percent / 100),
});

/** A number as it is sent; what is none stays as it was typed, to be refused by its name. */
function changed(text: string, to: (value: number) => number): string {
  const value = to(typedNumber(text));
  return text.trim() !== "" && Number.isFinite(value) ? String(rounded(value, 4)) : text;
}
