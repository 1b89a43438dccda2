import type { LoggedAttempt } from "@/contract";
import { cueFor, type Fault } from "@/syllabus";

/** The fault tapped most on some attempts, in a sentence with what mends it in the direction it was seen in last; null where none was tapped. */
export function mostSeenWords(
  attempts: readonly Pick<LoggedAttempt, "faults" | "direction">[],
  faults: readonly Fault[],
): string | null {
  const [most] = faults
    .map((fault) => ({ fault, own: attempts.filter((one) => one.faults.includes(fault.id)) }))
    .filter(({ own }) => own.length > 0)
    .sort((a, b) => b.own.length - a.own.length);
  if (!most) return null;
  const { fault, own } = most;
  const times = own.length === 1 ? "once" : `${own.length} times`;
  return `${fault.sees}, ${times}: ${cueFor(fault, own[own.length - 1].direction)}`;
}
