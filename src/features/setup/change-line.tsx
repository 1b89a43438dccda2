import { rateChange, SETTLING_ATTEMPTS } from "@/core";
import { Box } from "@/ui/layout/box";
import type { SetupChange } from "./load";

const share = (value: number) => `${Math.round(100 * value)}`;

/** What a setup did to the clean rate: counts and intervals before and after, and how sure it is that it changed. */
export function ChangeLine({ change: { stepName, before, after } }: { change: SetupChange }) {
  const compared = rateChange(before, after);
  const counts = ({ clean, attempts }: typeof before) => `${clean} of ${attempts}`;
  const range = ({ low, high }: typeof compared.before.interval) => `${share(low)}–${share(high)}\u202f%`;
  const { chanceBetter } = compared;
  const verdict = !compared.settled
    ? `settling: ${SETTLING_ATTEMPTS - after.attempts} more attempts before judging`
    : chanceBetter >= 0.9
      ? `better with ${certain(chanceBetter)}\u202f% chance`
      : chanceBetter <= 0.1
        ? `worse with ${certain(1 - chanceBetter)}\u202f% chance`
        : "no clear difference";
  return (
    <Box sx={{ fontSize: "0.85rem" }}>
      {stepName}: clean {counts(before)} ({range(compared.before.interval)}) → {counts(after)} (
      {range(compared.after.interval)}), <b>{verdict}</b>
    </Box>
  );
}

const certain = (chance: number) => Math.min(99, Math.round(100 * chance));
