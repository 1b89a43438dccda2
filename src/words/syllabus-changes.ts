import type { StepField, SyllabusChange } from "@/syllabus";
import { markWords } from "./marks";

/** A change of a syllabus in a line. */
export function syllabusChangeWords(change: SyllabusChange): string {
  switch (change.kind) {
    case "stages":
      return "names of the stages";
    case "order":
      return "order of the steps";
    case "step-new":
      return `${change.step}: new`;
    case "step-left-out":
      return `${change.step}: left out`;
    case "step-moved":
      return `${change.step}: moved from ${change.from} to ${change.to}`;
    case "step-mark":
      return `${change.step}: pass mark ${markWords(change.was)} → ${markWords(change.is)}`;
    case "step-needs":
      return `${change.step}: what it needs`;
    case "step-fields":
      return `${change.step}: ${change.fields.map((field) => fieldWords[field]).join(", ")}`;
    case "skill-new":
      return `${change.skill}: a new skill`;
    case "skill-left-out":
      return `${change.skill}: the skill left out`;
    case "skill-changed":
      return `${change.skill}: its name, stage, cautions or room`;
  }
}

/** What the fields of a step are called. */
const fieldWords: Readonly<Record<StepField, string>> = {
  name: "name",
  short: "short name",
  family: "column",
  aim: "aim",
  drill: "drill",
  directions: "directions",
  clean: "what is clean",
  stopWithinDeg: "stop allowed",
  faults: "faults",
  wayOut: "bail-out",
  turnsOver: "end rate",
  flownAs: "how it is flown in the model",
  lookAt: "what to look at",
  settings: "settings",
  wants: "modes and tilt",
  heightM: "height",
  measures: "measures",
  routes: "routes",
  simulatorFirst: "simulator first",
  optional: "optional step",
  partOf: "what it is part of",
};
