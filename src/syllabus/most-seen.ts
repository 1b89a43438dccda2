import type { Fault } from "./types";

/** A fault that was tapped, how often, and the direction it was seen in last. */
export interface SeenFault {
  readonly fault: Fault;
  readonly times: number;
  readonly direction: string;
}

/** The fault tapped most on some attempts, in the order flown; null where none was. */
export function mostSeenFault(
  faults: readonly Fault[],
  flown: readonly { readonly faults: readonly string[]; readonly direction: string }[],
): SeenFault | null {
  const [most] = faults
    .map((fault) => ({ fault, own: flown.filter((one) => one.faults.includes(fault.id)) }))
    .filter(({ own }) => own.length > 0)
    .sort((a, b) => b.own.length - a.own.length);
  if (!most) return null;
  const { fault, own } = most;
  return { fault, times: own.length, direction: own[own.length - 1].direction };
}
