import type { BlockKind } from "@/core";

export const blockNames: Readonly<Record<BlockKind, string>> = {
  "warm-up": "Warm-up",
  show: "Demo pack",
  main: "Main drill",
  review: "Review due",
  free: "Free",
};
