export { chanceThrough, lastGoAroundM, usualCrossTrackM, widthForChance } from "./gap";
export { spanM } from "./span";
