import type { BinnedThing, Deed, DeedDone } from "@/contract";
import { lower } from "./capital";
import { counted } from "./numbers";
import { numeral } from "./quantity";
import { syllabusChangeWords } from "./syllabus-changes";

/** What was done, a sentence without its subject: "signed off slow flip for Odo Fenn". */
export function deedWords({ done, pilotName }: Pick<Deed, "done" | "pilotName">): string {
  if (done.kind === "said") return done.says;
  return pilotName === null ? doneWords(done) : `${doneWords(done)} for ${pilotName}`;
}

function doneWords(done: DeedDone): string {
  switch (done.kind) {
    case "signed-off":
      return `signed off ${lower(done.step)}`;
    case "took-back":
      return `withdrew the sign-off of ${lower(done.step)}`;
    case "let-stand-again":
      return `restored the sign-off of ${lower(done.step)}`;
    case "answered-not-yet":
      return `answered "not yet" to ${lower(done.step)}`;
    case "removed":
    case "restored":
      return `${done.kind} ${thingWords(done)}`;
    case "saved-setup":
      return `saved setup ${done.number} of ${done.aircraft} ("${done.reason}")`;
    case "measured":
      return `measured the aircraft ${done.aircraft}`;
    case "checked":
      return `cleared ${done.aircraft} to fly after a crash (tilt ${numeral(done.tiltDeg, 1)}°)`;
    case "check-flown":
      return `flew ${done.aircraft} by eye: ${done.well ? "all well" : "defects found"}`;
    case "changed-pilot":
      return "changed name, mode, grip or squad";
    case "changed-school":
      return "changed coaching choices";
    case "changed-squad-school":
      return "changed the squad's coaching choices";
    case "changed-squad-rules":
      return "changed how the squad counts days and judges marks";
    case "moved-away":
      return `moved ${done.pilot} to the squad ${done.to}`;
    case "moved-here":
      return "changed the squad";
    case "erased":
      return "erased the record of a pilot for good";
    case "exported":
      return `exported ${done.file}`;
    case "imported":
      return `imported ${counted(done.count, "entry", "entries")} from a file`;
    case "invited-coach":
      return "invited a coach";
    case "invited-pilot":
      return "made an invitation";
    case "made-way-back":
      return "made a way back to the account";
    case "joined":
      return "joined the squad as a coach";
    case "opened-account":
      return "opened an account";
    case "closed-account":
      return "closed the account";
    case "left-squad":
      return "left the squad";
    case "placed":
      return `placed the start at ${lower(done.step)}, ${counted(done.count, "step")} before it signed off`;
    case "unplaced":
      return `withdrew the start at ${lower(done.step)}, ${counted(done.count, "step")} before it`;
    case "renamed-aircraft":
      return `renamed the aircraft ${done.was} to ${done.is}`;
    case "named-squad":
      return `named the squad ${done.name}`;
    case "made-owner":
      return `made ${done.coach} an owner`;
    case "took-ownership":
      return `took ownership from ${done.coach}`;
    case "ended-sharing":
      return `ended sharing the squad with ${done.coach}`;
    case "saved-syllabus": {
      const changes = done.changes.map(syllabusChangeWords).join("; ");
      const more = done.more > 0 ? ` and ${done.more} more` : "";
      return `saved syllabus ${done.number} ("${done.reason}")${changes && `: ${changes}${more}`}`;
    }
    case "added-variant":
    case "changed-variant": {
      const flown = done.flownBy.length > 0 ? `, flown by ${done.flownBy.join(", ")}` : "";
      return `${done.kind === "added-variant" ? "added" : "changed"} the way "${done.name}" to fly a trick${flown}`;
    }
    case "saved-line":
      return `saved the line "${done.name}", version ${done.number}`;
    case "kept-recording":
      return `kept the recording ${done.name}`;
    case "deleted-recording":
      return `deleted the recording ${done.name}`;
    case "matched-recording":
      return `took ${counted(done.count, "trick")} of the recording ${done.name} into the attempts`;
    case "gave-line":
      return `gave out the line "${done.name}"`;
    case "took-line-back":
      return `withdrew the line "${done.name}"`;
  }
}

function thingWords(one: BinnedThing): string {
  switch (one.thing) {
    case "record":
      return "the record";
    case "squad":
      return `the squad ${one.name} with its pilots`;
    case "note":
      return "a note";
    case "aircraft":
      return `the aircraft ${one.name}`;
    case "site":
      return `the site ${one.name}`;
    case "variant":
      return `the way "${one.name}" to fly a trick`;
    case "line":
      return `the line "${one.name}"`;
    case "attempt":
      return `an attempt (${lower(one.step)}, ${one.outcome})`;
  }
}
