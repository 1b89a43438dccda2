import { requireNumber } from "../numbers";

/** How far a stick tip goes under a hand. */
export interface StickTravel {
  /** From the pivot to where the hand holds the stick, mm. */
  readonly stickLengthMm: number;
  /** From centre to the stop, degrees. */
  readonly throwDeg: number;
}

/** Travel by grip: thumbs lie on a short stick, a pinch holds a longer one. Estimates (common practice, no source); measure your own. */
export const stickTravelByGrip: Readonly<Record<"thumbs" | "pinch" | "hybrid", StickTravel>> = {
  thumbs: { stickLengthMm: 22, throwDeg: 25 },
  hybrid: { stickLengthMm: 25, throwDeg: 25 },
  pinch: { stickLengthMm: 29, throwDeg: 25 },
};

export const stickLengthRangeMm = [10, 60] as const;
export const reachRange = [0.5, 1] as const;

/** How far a pilot's hand moves the stick tip: their own stick where it was measured, else what is usual with the grip. */
export function stickTravelOf({
  grip,
  stickLengthMm,
}: {
  readonly grip: keyof typeof stickTravelByGrip;
  readonly stickLengthMm: number | null;
}): StickTravel {
  const usual = stickTravelByGrip[grip];
  return stickLengthMm === null
    ? usual
    : { ...usual, stickLengthMm: requireNumber("stickLengthMm", stickLengthMm, ...stickLengthRangeMm) };
}

/** Way of the tip from the centre to the stop, mm: length · sin(throw). */
export function tipTravelMm({ stickLengthMm, throwDeg }: StickTravel): number {
  const lengthMm = requireNumber("stickLengthMm", stickLengthMm, 5, 100);
  return lengthMm * Math.sin((requireNumber("throwDeg", throwDeg, 5, 45) * Math.PI) / 180);
}
