export { chanceThrough, lastGoAroundM, spanM, usualCrossTrackM, widthForChance } from "./gap";
