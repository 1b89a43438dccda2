import { odo, plank, plankSetup } from "@/ui/testing/made-up";
import type { ChoreographerData } from "../load";

/** The slow flip on the timeline of a made-up pilot; tests change what they are about. */
export const choreographerData = (change: Partial<ChoreographerData> = {}): ChoreographerData => ({
  pilot: odo,
  aircraft: plank(),
  setup: plankSetup(2),
  trickId: "flip-slow",
  wayId: "usual",
  direction: "back",
  openId: null,
  own: [],
  squadPilots: [
    { id: "odo", name: "Odo Fenn" },
    { id: "ida", name: "Ida Rook" },
  ],
  ...change,
});
