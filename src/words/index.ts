export { adviceWords } from "./advice";
export { blockNames } from "./block-names";
export { blockReasonWords } from "./block-reasons";
export { capital, lower } from "./capital";
export { deedWords } from "./deeds";
export { evidenceWords, judgedByWords } from "./evidence";
export { countWords, markWords, measureSides, measureWords, placeWords, unitOf } from "./marks";
export { chancePercent, counted, percent, percentRange } from "./numbers";
export { syllabusChangeWords } from "./syllabus-changes";
