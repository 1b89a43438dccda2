import { recipes } from "@/core";
import type { LineDocument } from "@/contract";

/** A line of two tricks, as a file. */
export const twoTricks: LineDocument = {
  format: "bathygon-line",
  version: 1,
  name: "Flip and roll",
  style: null,
  line: {
    start: recipes["flip-one-move-back"].start,
    entryHeightM: 16,
    headingDeg: 0,
    items: [
      { kind: "trick", recipe: "flip-one-move-back" },
      { kind: "join", join: { kind: "speed", mps: 8 } },
      { kind: "trick", recipe: "roll-pure-right" },
    ],
    anchors: [],
  },
};
