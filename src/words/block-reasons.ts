import type { PlannedBlock } from "@/contract";
import type { OfferReason, Syllabus } from "@/syllabus";
import { stepName } from "@/syllabus";
import { adviceWords, type Listener } from "./advice";
import { lower } from "./capital";
import { chancePercent, counted } from "./numbers";

/** Why a block is flown, in a sentence; empty where nobody said. */
export function blockReasonWords({ reason, stepId }: PlannedBlock, syllabus: Syllabus, to: Listener = {}): string {
  if (!reason) return "";
  switch (reason.kind) {
    case "said":
      return reason.says;
    case "coachs-choice":
      return "The coach's choice.";
    case "taken-up":
      return "Added at the field.";
    default:
      return offerWords(reason, stepId, syllabus, to);
  }
}

function offerWords(reason: OfferReason, stepId: string | null, syllabus: Syllabus, to: Listener): string {
  switch (reason.kind) {
    case "advised": {
      const begun = reason.notSignedOff.map((id) => lower(stepName(syllabus, id)));
      return [
        ...(reason.isNext ? ["New: it comes next on the way."] : []),
        adviceWords(reason.advice, stepId ?? "", syllabus, to),
        ...(begun.length > 0 ? [`Not signed off before it: ${begun.join(", ")}.`] : []),
      ].join(" ");
    }
    case "after":
      return `Next after ${lower(stepName(syllabus, reason.stepId))}, which met its pass mark.`;
    case "left-for-now":
      return "The step left for now: one look at it.";
    case "slipping":
      return `Slipping: ${reason.clean} of ${reason.all} clean on the last ${reason.days === 1 ? "day" : counted(reason.days, "day")} flown.`;
    case "due-again":
      return `Review due: ${chancePercent(reason.recall)} remembered.`;
    case "warm-up": {
      const known = reason.recall === null ? "signed off" : `${chancePercent(reason.recall)} remembered`;
      return `To warm up: ${known}${reason.leadsIn ? ", and leads into the main drill" : ""}.`;
    }
    case "freely":
      return "Ends the session on something of their own that goes well.";
  }
}
