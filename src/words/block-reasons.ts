import type { PlannedBlock } from "@/contract";
import type { OfferReason, Syllabus } from "@/syllabus";
import { stepName } from "@/syllabus";
import { adviceWords } from "./advice";
import { lower } from "./capital";
import { chancePercent, counted } from "./numbers";

/** Why a block is flown, in a sentence; empty where nobody said. */
export function blockReasonWords({ reason, stepId }: PlannedBlock, syllabus: Syllabus): string {
  if (!reason) return "";
  switch (reason.kind) {
    case "said":
      return reason.says;
    case "coachs-choice":
      return "The coach's choice.";
    case "taken-up":
      return "Taken up in the field.";
    default:
      return offerWords(reason, stepId, syllabus);
  }
}

function offerWords(reason: OfferReason, stepId: string | null, syllabus: Syllabus): string {
  switch (reason.kind) {
    case "advised": {
      const begun = reason.notSignedOff.map((id) => lower(stepName(syllabus, id)));
      return [
        ...(reason.isNext ? ["New: it comes next on the way."] : []),
        adviceWords(reason.advice, stepId ?? "", syllabus),
        ...(begun.length > 0 ? [`Not signed off before it: ${begun.join(", ")}.`] : []),
      ].join(" ");
    }
    case "after":
      return `Next after ${lower(stepName(syllabus, reason.stepId))}, whose mark is met.`;
    case "left-for-now":
      return "The step left for now: one look at it.";
    case "slipping":
      return `Slipping: ${reason.clean} of ${reason.all} clean on the last ${reason.days === 1 ? "day" : counted(reason.days, "day")} flown.`;
    case "due-again":
      return `Due again: it would still go clean with ${chancePercent(reason.recall)} chance.`;
    case "warm-up": {
      const chance =
        reason.recall === null ? "is signed off" : `goes clean with ${chancePercent(reason.recall)} chance`;
      return `To warm up: it ${chance}${reason.leadsIn ? " and leads into the main drill" : ""}.`;
    }
    case "freely":
      return "Ends the session on something of their own that goes well.";
  }
}
