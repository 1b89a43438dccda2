import { cueFor, type LessonPart, type Step } from "@/syllabus";
import { capital, lower } from "./capital";

/** What a part of a lesson is called, and what the coach says or does in it. */
export function lessonWords(
  part: LessonPart,
  { aim, wayOut, clean }: Pick<Step, "aim" | "wayOut" | "clean">,
  pilotName: string,
): { readonly head: string; readonly says: string } {
  switch (part.kind) {
    case "aim":
      return { head: "Say", says: `${sentence(aim)} Bail-out: ${sentence(lower(wayOut))}` };
    case "show":
      return { head: "Show", says: `Fly it while ${pilotName} watches your picture. Clean means: ${sentence(clean)}` };
    case "say-back":
      return {
        head: "Ask",
        says: `Have ${pilotName} say it back before arming: the sticks in order, the start height, the bail-out.`,
      };
    case "tries":
      return {
        head: capital(part.direction.name),
        says: `${part.wanted === 1 ? "1 try" : `${part.wanted} tries`}: ${part.flown} flown, ${part.clean} clean.`,
      };
    case "mend":
      return {
        head: `Seen ${part.times === 1 ? "once" : `${part.times} times`}`,
        says: `${sentence(part.fault.sees)} Say: ${sentence(cueFor(part.fault, part.direction))}`,
      };
    case "close":
      return {
        head: "Close",
        says: `Ask what ${pilotName} felt before you say what you saw. One thing to keep, one to change next time.`,
      };
  }
}

const sentence = (text: string) => (/[.!?]$/.test(text) ? text : `${text}.`);
