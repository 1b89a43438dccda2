import type { LoggedAttempt } from "@/contract";
import { cueFor, mostSeenFault, type Fault } from "@/syllabus";

/** The fault tapped most on some attempts, in a sentence with what mends it in the direction it was seen in last; null where none was tapped. */
export function mostSeenWords(
  attempts: readonly Pick<LoggedAttempt, "faults" | "direction">[],
  faults: readonly Fault[],
): string | null {
  const most = mostSeenFault(faults, attempts);
  if (!most) return null;
  const { fault, times, direction } = most;
  return `${fault.sees}, ${times === 1 ? "once" : `${times} times`}: ${cueFor(fault, direction)}`;
}
