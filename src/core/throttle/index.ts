export {
  requireThrottleProfile,
  stickForThrottle,
  stickForThrottleClamped,
  throttleAtStick,
  throttleLimitKinds,
  throttleOut,
  throttleRanges,
} from "./profile";
export type { ThrottleLimitKind, ThrottleProfile } from "./profile";
