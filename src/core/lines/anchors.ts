import { DEG_PER_RAD, turnedLevel, wrapDeg } from "../numbers";
import type { Obstacle, Trace } from "../recipes";
import type { AnchorWay } from "./line";

/** Flown round: so much of a full turn about its middle. Ours. */
const ROUND_DEG = 270;
/** Further off than this it is not flown past any more, m. Ours. */
const PAST_M = 15;

/** Whether a path went over, under, through, round or past something. Over, under, through and past count as it crosses its own line from side to side. */
export function anchorKept(how: AnchorWay, anchor: Obstacle, { northM, eastM, heightM }: Trace): boolean {
  // Along and across as the anchor stands: it reaches across.
  const places = northM.map((north, i) => {
    const [x, y] = turnedLevel(-(anchor.turnedDeg ?? 0), north - anchor.alongM, eastM[i] - anchor.acrossM);
    return { x, y, z: heightM[i] };
  });
  if (how === "round") {
    let turnedDeg = 0;
    for (let i = 1; i < places.length; i++) {
      const angle = (at: number) => DEG_PER_RAD * Math.atan2(places[at].y, places[at].x);
      turnedDeg += wrapDeg(angle(i) - angle(i - 1));
    }
    return Math.abs(turnedDeg) >= ROUND_DEG;
  }
  return places.some((here, i) => {
    const before = places[i - 1];
    if (i === 0 || before.x === here.x || before.x > 0 === here.x > 0) return false;
    const share = before.x / (before.x - here.x);
    const y = Math.abs(before.y + share * (here.y - before.y));
    const z = before.z + share * (here.z - before.z);
    const within = y <= 0.5 * anchor.widthM;
    switch (how) {
      case "over":
        return within && z > anchor.heightM;
      case "under":
      case "through":
        return within && z < anchor.heightM;
      case "past":
        return !within && y <= PAST_M;
    }
  });
}
