import type { MeasureName } from "@/syllabus";
import { type Quantity } from "@/words";

interface MeasureWords {
  readonly name: string;
  readonly quantity: Quantity;
  readonly digits?: number;
  /** How it is read off the flight. */
  readonly how: string;
}

/** What each figure of a flight is called, and where it comes from. */
export const measureNames: Readonly<Partial<Record<MeasureName, MeasureWords>>> = {
  durationS: {
    name: "Time of the whole",
    quantity: "time",
    digits: 1,
    how: "From the first movement to the end of the last phase.",
  },
  peakM: {
    name: "Highest point",
    quantity: "length",
    how: "Top of the path above the ground. Local height limits come first.",
  },
  lowestM: { name: "Lowest point", quantity: "length", how: "Bottom of the path above the ground." },
  heightLostM: { name: "Height lost", quantity: "length", how: "Height of the entry less the lowest point." },
  heightGainedM: { name: "Height gained", quantity: "length", how: "Height at the end less that of the entry." },
  objectSeenShare: {
    name: "In the picture",
    quantity: "share",
    how: "Share of the phases that look at it in which the spot, post or beam is in the picture, with this lens and tilt.",
  },
  offSpotM: {
    name: "Off the spot",
    quantity: "length",
    digits: 2,
    how: "From where it ends to the spot, over the ground.",
  },
  viewWanderDeg: {
    name: "View wanders by",
    quantity: "angle",
    how: "Largest angle between the view during the turn and the view as it began.",
  },
  hangTimeS: {
    name: "Hang time",
    quantity: "time",
    how: "From closing the throttle to falling past that height again.",
  },
  turnTimeS: { name: "Time of the turn", quantity: "time", how: "From the first movement of the stick to the stop." },
  stopErrorDeg: {
    name: "Stop error",
    quantity: "angle",
    digits: 1,
    how: "Angle turned at the stop less the turn asked for; plus is too far.",
  },
  bounceBackDeg: {
    name: "Swings back",
    quantity: "angle",
    digits: 1,
    how: "Furthest swing the other way after the stop.",
  },
  headingChangeDeg: { name: "Heading turned", quantity: "angle", how: "Heading at the end against that of the entry." },
  exitSpeedMps: {
    name: "Speed at the end",
    quantity: "speed",
    how: "Speed over everything at the end of the last phase.",
  },
  throttleInvertedMean: {
    name: "Throttle upside down",
    quantity: "share",
    how: "Mean position of the throttle stick while the thrust points downward.",
  },
  timeInvertedS: { name: "Time upside down", quantity: "time", how: "Time with the thrust axis below the horizontal." },
  sideDriftM: { name: "Furthest off line", quantity: "length", how: "Largest distance from the line of entry." },
  alongM: { name: "Distance covered", quantity: "length", how: "Way along the line of entry from start to end." },
  fastestMps: { name: "Fastest", quantity: "speed", how: "Largest speed over everything." },
  mostThrustG: { name: "Most thrust", quantity: "thrust", how: "Largest thrust over weight." },
  viewOffPathDeg: {
    name: "View off the path",
    quantity: "angle",
    how: "Largest angle between the camera's axis and the level line of entry through the turn.",
  },
  horizonLeanDeg: {
    name: "Most horizon lean",
    quantity: "angle",
    how: "Largest lean of the horizon in the picture while upright.",
  },
  clearanceM: {
    name: "Clearance",
    quantity: "length",
    digits: 2,
    how: "Least distance from the tips of the propellers to what stands about.",
  },
  stoppingDistanceM: {
    name: "Stopping distance",
    quantity: "length",
    how: "Way along the line of entry from the first braking to rest.",
  },
  touchdownMps: { name: "Touchdown speed", quantity: "speed", how: "Speed at the first touch of the ground." },
  descentDeg: { name: "Descent angle", quantity: "angle", how: "Steepness of the path through the descent." },
  loopWidthM: { name: "Width of the loop", quantity: "length", how: "From its foremost to its hindmost point." },
  loopUnevenness: {
    name: "Roundness error",
    quantity: "share",
    how: "Root mean square distance from the circle fitted to it, over its radius (algebraic least squares).",
  },
  loopClosureM: { name: "Loop gap", quantity: "length", how: "From where the loop begins to where it ends." },
  loopExitMps: {
    name: "Speed out of the loop",
    quantity: "speed",
    how: "Speed along the line of entry at the end of the loop; minus is backward.",
  },
  circleRadiusM: { name: "Radius", quantity: "length", how: "Circle fitted to the steady part, seen from above." },
  circleSpreadM: {
    name: "Radius variation",
    quantity: "length",
    digits: 2,
    how: "Root mean square distance from that circle.",
  },
  stickWander: {
    name: "Sticks wander",
    quantity: "share",
    digits: 1,
    how: "Standard deviation of the restless one of the three turning sticks in the steady part.",
  },
};
