import { typedNumber, type ActionInput, type Grip, type Pilot } from "@/contract";
import { rounded } from "@/core";
import { entryIn, type UnitSystem } from "@/words";
import { choiceField, type FormValues } from "./send-form";

const grips: readonly (readonly [Grip, string])[] = [
  ["thumbs", "thumbs on the sticks"],
  ["pinch", "pinch, thumb and finger"],
  ["hybrid", "hybrid"],
];

/** The fields of a pilot, for adding and for changing one. Which squad is asked only where there are several. */
export function pilotFields(
  pilot: Pick<Pilot, "name" | "stickMode" | "grip"> &
    Partial<Pick<Pilot, "squadId" | "settingsFrozen" | "reactionS" | "cruiseMps">>,
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
      help: "How fast they fly along when nothing is asked. The throttle's mid and the mix go by it.",
    },
  };
}

/** What is sent of them. */
export const pilotFrom = (
  { settingsFrozen, cruiseMps, ...values }: FormValues<ReturnType<typeof pilotFields>>,
  units: UnitSystem,
): Omit<ActionInput<"add-pilot">, "id"> => ({
  ...values,
  settingsFrozen: settingsFrozen === "yes",
  cruiseMps: metric(cruiseMps, units),
});

/** A speed as it was typed, m/s; what is no number stays as it is, to be refused by its name. */
function metric(text: string, units: UnitSystem): string {
  const mps = entryIn("speed", units).read(typedNumber(text));
  return Number.isFinite(mps) ? String(rounded(mps, 3)) : text;
}
