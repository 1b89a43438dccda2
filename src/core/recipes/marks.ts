import { wrapDeg } from "../numbers";
import type { Mark, MarkKind } from "./mark";
import type { Measures } from "./measures";

/** The marks a flight misses, in the order of the recipe. A figure that the flight never came to is missed. */
export function missedMarks(marks: readonly Mark[], measures: Measures): readonly MarkKind[] {
  return marks.filter((mark) => !met(mark, measures)).map(({ kind }) => kind);
}

function met(mark: Mark, measures: Measures): boolean {
  const within = (value: number | null, most: number) => value !== null && Math.abs(value) <= most;
  switch (mark.kind) {
    case "height-band":
      return measures.peakM - measures.entryHeightM <= mark.aboveM && measures.heightLostM <= mark.belowM;
    case "end-height":
      return within(measures.heightGainedM, mark.withinM);
    case "view":
      return within(measures.viewWanderDeg, mark.withinDeg);
    case "heading":
      return (
        Math.min(
          Math.abs(wrapDeg(measures.headingChangeDeg - mark.deg)),
          Math.abs(wrapDeg(measures.headingChangeDeg + mark.deg)),
        ) <= mark.withinDeg
      );
    case "horizon":
      return within(measures.horizonLeanDeg, mark.withinDeg);
    case "line":
      return within(measures.acrossM, mark.withinM);
    case "bounce":
      return within(measures.bounceBackDeg, mark.withinDeg);
    case "round":
      return within(measures.loopUnevenness, mark.unevenness);
    case "circle":
      return (
        within(measures.circleSpreadM, mark.spreadShare * (measures.circleRadiusM ?? 0)) &&
        within(measures.stickWander, mark.stickWander)
      );
    case "spot":
      return within(measures.offSpotM, mark.withinM);
    case "throttle-closed":
      return (measures.throttleInvertedMean ?? 0) <= mark.most;
    case "in-picture":
      return measures.objectSeenShare !== null && measures.objectSeenShare >= mark.share;
  }
}
