import type { Place } from "@/core";

export const placeNames: Readonly<Record<Place, string>> = {
  field: "field, through the camera",
  simulator: "simulator",
  "by-eye": "field, by eye",
};
