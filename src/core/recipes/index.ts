export {
  draftBrief,
  flyBrief,
  highestPointM,
  highUp,
  solveInTurn,
  solveTrick,
  startHeightByFreezes,
  whyNot,
} from "./brief";
export type { TrickBrief } from "./brief";
export { begunAtM, freezeMargins, NEARLY_EMPTY, onPacks, reactionRangeS, USUAL_FREEZE } from "./start-height";
export type { FreezeMargins, SolvedTrick, StartHeight, StartHeightReason } from "./start-height";
export type { Problem } from "./problem";
export { freezeLosses } from "./freeze";
export type { FreezeLoss } from "./freeze";
export { requireEnvironment } from "./check-environment";
export { CALM_AIR, densityOf, environmentOn } from "./environment";
export type { Environment, Facing } from "./environment";
export { GUSTS_PER_WIND } from "./gusts";
export { fly, flyMeasured, flyOn, flyOutcome, LONGEST_FLIGHT_S, standingAbout, STEP_S, sticksFlown } from "./fly";
export type { Flight, FlightOutcome, FlownOn } from "./fly";
export { frameAhead, SAME_FRAME } from "./under-way";
export type { Frame, GoingOn, UnderWay } from "./under-way";
export type { ChangeOfPlan } from "./phase-runner";
export { boundOf, senseOf } from "./guard-bounds";
export { recipes } from "./library";
export { atPace, headingHeld, heightHeld, heldStill, noDriftAside, pitchHeld, PRACTISED_EYE } from "./library/parts";
export { outOfPicture, seenAt, seenShare } from "./in-picture";
export type { OutOfPicture, SeenObject } from "./in-picture";
export { headingAskedDeg, missedMarks, missedOnTrace } from "./marks";
export type { Mark, MarkKind } from "./mark";
export { fitCircle } from "./measures";
export type { Measures } from "./measures";
export { distanceTo, edgesOf, obstacleKinds, requireObstacle } from "./obstacles";
export type { Obstacle, ObstacleKind, ObstaclePlan } from "./obstacles";
export { stickForThrust, thrustAtStick } from "./thrust-stick";
export { mirrored, resolve, withParameters } from "./recipe";
export type {
  Aim,
  Axis,
  Guard,
  Phase,
  Recipe,
  RecipeParameter,
  Start,
  StickPlan,
  ThrottlePlan,
  TurnAxis,
} from "./recipe";
export { startTrim } from "./start-trim";
export type { TrimFigures, Value } from "./value";
export type { Slip } from "./slips";
export { levelledBySwitch } from "./level-switch";
export { stoppedAs } from "./stop-style";
export type { StopStyle } from "./stop-style";
export { solve, withSlip } from "./solve";
export type { Goal, Solution } from "./solve";
export { emptyTrace, indexAt } from "./trace";
export type { FlightEvent, Trace, TraceColumn } from "./trace";
export { flyUncaught, marginsBySpeed, wayOut, withoutCatch } from "./way-out";
export type { SpeedMargin, Uncaught, WayOut } from "./way-out";
export { windAdvice } from "./wind";
export type { WindAdvice } from "./wind";
export { flyAsSet } from "./fly-as-set";
export type { FlownTrick, TrickRequest } from "./fly-as-set";
export { thrownTurn } from "./thrown-turn";
export type { ThrownTurn } from "./thrown-turn";
export type { Seen } from "./pilot";
export { SELF_LEVEL_REACH_DEG, StickCommand } from "./stick-command";
export { LONGEST_TRY_S, TryFlight } from "./try-flight";
export type { Controls } from "./try-flight";
