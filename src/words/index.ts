export { adviceWords } from "./advice";
export type { Listener } from "./advice";
export { blockNames } from "./block-names";
export { blockReasonWords } from "./block-reasons";
export { capital, lower } from "./capital";
export { deedWords } from "./deeds";
export { checkQuestions, defectWords } from "./defects";
export { evidenceWords, judgedByWords } from "./evidence";
export { lessonWords } from "./lesson";
export { failureWords } from "./failures";
export {
  headingText,
  joinWords,
  lineFaultWords,
  lineItemName,
  lineReasonWords,
  lineTryWords,
  styleNames,
  styleWords,
  trickName,
} from "./lines";
export {
  countWords,
  isCounted,
  limitLabel,
  markWords,
  measureText,
  measureSides,
  measureWords,
  placeWords,
  unitOf,
} from "./marks";
export { chancePercent, counted, percent, percentRange, seldomPercent } from "./numbers";
export { outlookWords } from "./outlook";
export type { Outlook } from "./outlook";
export { problemWords } from "./problems";
export { entryIn, formatQuantity, numeral, quantityText, unitSystems } from "./quantity";
export type { Entry, Quantity, UnitSystem } from "./quantity";
export { brokenLimitWords, leftOutWords, refusalWords } from "./refusals";
export { refusedWords } from "./refused-field";
export { symptomNames, symptoms, symptomWords } from "./symptoms";
export type { Symptom, SymptomFacts } from "./symptoms";
export { syllabusChangeWords } from "./syllabus-changes";
export {
  axisCheckWords,
  foundTrickName,
  mendWords,
  momentText,
  signedDeg,
  measuredText,
  monthChangeWords,
  monthFigureText,
  monthMeasureNames,
  spokenTrick,
  tapeColumnNames,
  tapeProblemWords,
  tapeWarningWords,
  wobbleWords,
} from "./tape";
export {
  compassName,
  cloudConflictWords,
  intoWords,
  conflictWords,
  courseNames,
  groundNames,
  noRoomWords,
  planKindNames,
} from "./yard";
export { homeworkWords, nextThingWords, taskWords } from "./practice";
export { tradeWords } from "./trade-words";
