"use client";

import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { useTheme } from "@mui/material/styles";
import { useRouter } from "next/navigation";
import { useEffect, useMemo, useRef, useState } from "react";
import type { Setup } from "@/contract";
import { proposedMid, rounded, throttleAtStick, throttleOut } from "@/core";
import { LineChart } from "@/ui/charts/chart";
import { Box } from "@/ui/layout/box";
import { useSetupDraft } from "@/ui/settings/use-setup-draft";
import { useAtHand } from "@/ui/shell/at-hand";
import { StickDials } from "@/ui/sticks/stick-dials";
import { counted, momentText, numeral } from "@/words";
import type { LiveState } from "@/workers/live.worker";

interface InstrumentsProps {
  readonly state: LiveState | null;
  readonly keptRows: number;
  readonly setup: Setup;
  readonly stickMode: number;
}

/** Moments of the sticks that trail behind them. */
const TRAIL = 24;
const STICKS = Array.from({ length: 51 }, (_, i) => i / 50);
const axes = ["Roll", "Pitch", "Yaw"] as const;
const hundredths = (share: number) => numeral(100 * share, 0);

/** Sticks, rates and the throttle on its curve, as they come. */
export function Instruments({ state, keptRows, setup, stickMode }: InstrumentsProps) {
  const trail = useTrail(state);
  return (
    <Box
      sx={{
        display: "grid",
        gridTemplateColumns: { xs: "minmax(0,1fr)", md: "minmax(0,1fr) minmax(0,1fr) minmax(0,1fr)" },
        columnGap: 4,
        rowGap: 2,
        alignItems: "start",
      }}
    >
      <StickDials trace={trail} stickMode={stickMode} phases={[]} cursor={trail.stickRoll.length - 1} />
      <Rates state={state} />
      <ThrottleNow state={state} setup={setup} />
      <Box sx={{ gridColumn: "1 / -1" }}>
        <Recorded state={state} keptRows={keptRows} />
      </Box>
    </Box>
  );
}

function useTrail(state: LiveState | null) {
  const [rows, setRows] = useState<readonly (readonly number[])[]>([[0, 0, 0, 0]]);
  const last = state?.last ?? null;
  const seen = useRef(last);
  useEffect(() => {
    if (!last || seen.current === last) return;
    seen.current = last;
    setRows((was) => [...was.slice(1 - TRAIL), [...last.stick, last.throttle]]);
  }, [last]);
  return useMemo(() => {
    const column = (k: number) => rows.map((row) => row[k]);
    return { stickRoll: column(0), stickPitch: column(1), stickYaw: column(2), stickThrottle: column(3) };
  }, [rows]);
}

function Rates({ state }: { state: LiveState | null }) {
  const { tokens } = useTheme();
  const most = 1000;
  return (
    <Box component="section" aria-label="Rates">
      {axes.map((axis, k) => {
        const dps = state?.last?.gyroDps[k] ?? 0;
        const share = Math.min(1, Math.abs(dps) / most);
        return (
          <Box key={axis} sx={{ mb: 1 }}>
            <Box sx={{ display: "flex", justifyContent: "space-between" }}>
              <span>{axis}</span>
              <b className="num">{numeral(dps, 0)}°/s</b>
            </Box>
            <svg viewBox="-100 0 200 12" width="100%" height={12} preserveAspectRatio="none" aria-hidden>
              <rect x={-100} width={200} height={12} fill={tokens.sheet} />
              <rect x={dps < 0 ? -100 * share : 0} width={100 * share} height={12} fill={tokens.shoal} />
              <line x1={0} x2={0} y1={0} y2={12} stroke={tokens.ink} />
            </svg>
          </Box>
        );
      })}
    </Box>
  );
}

/** The throttle running on its curve; where it stands may be taken as the mid. */
function ThrottleNow({ state, setup }: { state: LiveState | null; setup: Setup }) {
  const router = useRouter();
  const { hrefFor } = useAtHand();
  const { draft, change } = useSetupDraft(setup.aircraftId, setup.settings);
  const profile = setup.settings.throttle;
  const lines = useMemo(
    () => [
      {
        name: "throttle",
        points: STICKS.map((stick) => [stick, throttleAtStick(profile, stick)] as const),
        look: "solid" as const,
        colour: "shoal" as const,
      },
    ],
    [profile],
  );
  const throttle = state?.last?.throttle ?? 0;
  return (
    <Box component="section" aria-label="Throttle">
      <LineChart
        label="Throttle stick against motor command, with where it stands"
        lines={lines}
        x={RANGE_X}
        y={RANGE_Y}
        height={190}
        namesAtEnds={false}
        cursor={throttle}
        tickX={hundredths}
        tickY={hundredths}
        formatX={(stick) => `stick ${hundredths(stick)}\u202f%`}
        formatY={(command) => `${hundredths(command)}\u202f%`}
      />
      <Button
        size="small"
        variant="outlined"
        disabled={throttle < 0.05}
        onClick={() => {
          const mid = rounded(proposedMid(profile, throttleOut(profile, Math.min(1, Math.max(0, throttle)))), 2);
          const settings = { ...draft.settings, throttle: { ...draft.settings.throttle, mid } };
          change({ settings, reason: draft.reason || "Mid as it was flown live" });
          router.push(hrefFor("/setup"));
        }}
      >
        Take this as mid
      </Button>
    </Box>
  );
}
const RANGE_X = { name: "stick, %", min: 0, max: 1 };
const RANGE_Y = { name: "", min: 0, max: 1 };

/** How much was recorded, what of it is safe on this device, and what the line did that it should not. */
function Recorded({ state, keptRows }: { state: LiveState | null; keptRows: number }) {
  if (!state) return <Typography>Nothing is heard yet.</Typography>;
  const { faults } = state;
  const odd = [
    faults.garbage > 0 && `${counted(faults.garbage, "line")} that say nothing`,
    faults.late > 0 && `${counted(faults.late, "row")} late or twice`,
    faults.gapsS > 0 && `${numeral(faults.gapsS, 1)} s without rows`,
    faults.restarts > 0 && counted(faults.restarts, "restart"),
    faults.jumps > 0 && `${counted(faults.jumps, "jump")} of its clock`,
  ].filter(Boolean);
  return (
    <Typography>
      Recorded <b className="num">{momentText(state.lengthS)}</b>,{" "}
      <span className="num">{counted(state.rows, "row")}</span>; <span className="num">{keptRows}</span> of them are
      safe on this device.
      {odd.length > 0 && ` ▲ The line: ${odd.join(", ")}. Times go on through it.`}
    </Typography>
  );
}
