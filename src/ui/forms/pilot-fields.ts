import type { ActionInput, Grip, Pilot } from "@/contract";
import { choiceField, type FormValues } from "./send-form";

const grips: readonly (readonly [Grip, string])[] = [
  ["thumbs", "thumbs on the sticks"],
  ["pinch", "pinch, thumb and finger"],
  ["hybrid", "hybrid"],
];

/** The fields of a pilot, for adding and for changing one. Which squad is asked only where there are several. */
export function pilotFields(
  pilot: Pick<Pilot, "name" | "stickMode" | "grip"> & Partial<Pick<Pilot, "squadId" | "settingsFrozen" | "reactionS">>,
  squads: readonly { readonly id: string; readonly name: string }[],
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
  };
}

/** What is sent of them. */
export const pilotFrom = ({
  settingsFrozen,
  ...values
}: FormValues<ReturnType<typeof pilotFields>>): Omit<ActionInput<"add-pilot">, "id"> => ({
  ...values,
  settingsFrozen: settingsFrozen === "yes",
});
