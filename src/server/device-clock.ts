/** A device whose clock is off by less than this is taken at its word: networks are slow, too. */
const TOLERATED_MS = 120_000;
const LONGEST_WAIT_MS = 400 * DAY_MS;

/**
 * When something was done, by this server's clock: what the device said, put right by how far its clock was off when it sent it, and never in the future. A
 * clock that was set right between doing and sending cannot be known of.
 */
export function byServerClock(doneAtMs: number, deviceNowMs: number | null | undefined, nowMs: number): number {
  const offMs = deviceNowMs == null ? 0 : nowMs - deviceNowMs;
  const rightMs = Math.abs(offMs) < TOLERATED_MS ? doneAtMs : doneAtMs + offMs;
  // Further back than any phone waits for a network the device's clock says nothing at all.
  return rightMs < nowMs - LONGEST_WAIT_MS ? nowMs : Math.min(rightMs, nowMs);
}
import { DAY_MS } from "@/core";
