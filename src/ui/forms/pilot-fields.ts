import type { FormField } from "./send-form";

const grips = [
  ["thumbs", "thumbs on the sticks"],
  ["pinch", "pinch, thumb and finger"],
  ["hybrid", "hybrid"],
] as const;

/** The fields of a pilot, for adding and for changing one. Which squad is asked only where there are several. */
export function pilotFields(
  pilot: {
    name: string;
    stickMode: number;
    grip: string;
    squadId?: string;
    settingsFrozen?: boolean;
    reactionS?: number | null;
  },
  squads: readonly { readonly id: string; readonly name: string }[],
): readonly FormField[] {
  const squad: FormField = {
    name: "squadId",
    label: "Squad",
    initial: pilot.squadId ?? squads[0]?.id ?? "",
    options: squads.map(({ id, name }) => [id, name]),
    hidden: squads.length < 2,
  };
  return [
    squad,
    { name: "name", label: "Name", initial: pilot.name },
    {
      name: "stickMode",
      label: "Stick mode",
      initial: pilot.stickMode,
      options: [1, 2, 3, 4].map((mode) => [
        mode,
        `mode ${mode}: throttle ${mode % 2 ? "right" : "left"}, roll ${mode <= 2 ? "right" : "left"}`,
      ]),
    },
    { name: "grip", label: "Grip", initial: pilot.grip, options: grips },
    {
      name: "settingsFrozen",
      label: "Settings",
      initial: pilot.settingsFrozen ? "yes" : "no",
      options: [
        ["no", "reviewed by stage"],
        ["yes", "frozen once good"],
      ],
    },
    {
      name: "reactionS",
      label: "Reaction, s (empty: as usual at the stage)",
      initial: pilot.reactionS ?? "",
      help: "From your call to the stick: a phone's slow motion, the middle of five. Start heights count it.",
    },
  ];
}
