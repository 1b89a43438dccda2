"use client";

import Typography from "@mui/material/Typography";
import { useDeferredValue, useMemo } from "react";
import {
  CATCH_S,
  DomainError,
  NEARLY_EMPTY,
  punchLadder,
  type Air,
  type Measurement,
  type PunchRung,
  type Settings,
} from "@/core";
import type { Aircraft } from "@/contract";
import { numeral, quantityText, refusedWords } from "@/words";
import { PlainTable } from "../layout/plain-table";
import { usePreferences } from "../theme/preferences";

type Counted = Extract<Measurement, { kind: "hang" }>;
/** A counted punch belongs to a ladder flown with as much command, within so much of it. Ours. */
const SAME_COMMAND = 0.03;

/** What punches of growing length buy this aircraft at one throttle stick, with what was counted beside what was worked out. */
export function PunchLadder({
  aircraft,
  settings,
  air,
  stick,
  command,
}: {
  aircraft: Aircraft;
  settings: Settings;
  air: Air;
  /** Throttle stick of the punch, 0..1, and what the motors get there. */
  stick: number;
  command: number;
}) {
  const { units } = usePreferences();
  const { airframe, measurements } = aircraft;
  // The table follows a moving slider when there is time.
  const at = useDeferredValue(stick);
  const counted = useMemo(
    () =>
      measurements.filter(
        (one): one is Counted => one.kind === "hang" && Math.abs(one.command - command) <= SAME_COMMAND,
      ),
    [measurements, command],
  );
  const rungs = useMemo(() => {
    try {
      const alsoS = counted.map(({ punchS }) => punchS);
      return punchLadder(airframe, settings, air, { stick: at, lateUsed: NEARLY_EMPTY, alsoS });
    } catch (error) {
      if (error instanceof DomainError) return error;
      throw error;
    }
  }, [airframe, settings, air, at, counted]);
  if (rungs instanceof DomainError) return <Typography color="error.main">▲ {refusedWords(rungs, units)}.</Typography>;
  const seconds = (s: number) => quantityText(s, "time", units);
  const turn = rungs[rungs.length - 1].flipS;
  return (
    <>
      <PlainTable
        label="Punch ladder"
        head={["punch", "peak above the start", "hang, full pack", "hang, nearly empty", "flips that fit", "counted"]}
        rows={rungs.map((rung) => [
          seconds(rung.punchS),
          quantityText(rung.peakM, "length", units),
          seconds(rung.hangS),
          seconds(rung.lateHangS),
          rung.flips === null ? "–" : String(rung.flips),
          countedWords(rung, counted),
        ])}
      />
      <Typography sx={{ fontSize: "0.85rem", color: "text.secondary", mt: 1 }}>
        From the hover, level. Hang: from closing the throttle to falling past that height again; below it the height is
        being lost.{" "}
        {turn === null
          ? "With idle authority off it does not turn with the throttle closed."
          : `A flip at full stick takes ${seconds(turn)}; ${seconds(CATCH_S)} of the hang are kept for the catch.`}
      </Typography>
    </>
  );
}

/** The hangs that were counted for a punch, against the one worked out. */
function countedWords({ punchS, hangS }: PunchRung, counted: readonly Counted[]): string {
  const own = counted.filter((one) => one.punchS === punchS).map((one) => one.hangS);
  if (own.length === 0) return "";
  const mean = own.reduce((sum, s) => sum + s, 0) / own.length;
  const off = Math.round(100 * (mean / hangS - 1));
  const times = own.length > 1 ? ` (${own.length}×)` : "";
  return `${numeral(mean, 2)} s${times}${off === 0 ? ", as worked out" : `, ${Math.abs(off)}\u202f% ${off > 0 ? "longer" : "shorter"}`}`;
}
