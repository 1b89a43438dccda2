"use client";

import ButtonBase from "@mui/material/ButtonBase";
import { useEffect, useState } from "react";
import { packState, tryTimeS, type PackState } from "@/core";
import { Box } from "@/ui/layout/box";
import { visuallyHidden } from "@/ui/layout/visually-hidden";
import type { LoggedAttempt, PlannedBlock, TallyPilot } from "@/contract";
import { isCount, isRecord } from "@/ui/device/device-storage";
import { useDeviceState } from "@/ui/device/use-device-state";
import type { Tokens } from "@/ui/theme/tokens";
import { useAlarm } from "@/ui/sound/use-alarm";

interface Pack {
  readonly number: number;
  /** When the pack was plugged in; null while none is. */
  readonly sinceMs: number | null;
}

const NO_PACK: Pack = { number: 0, sinceMs: null };

/** A pack as it was kept; null for what is none. */
export function packFrom(kept: unknown): Pack | null {
  if (!isRecord(kept) || !isCount(kept.number)) return null;
  return { number: kept.number, sinceMs: isCount(kept.sinceMs) ? kept.sinceMs : null };
}

/** The battery flown now: a tap begins one, a tap ends it. Kept on the device; counts on from those `counted` by others. */
export function usePack(sessionId: string, counted = 0) {
  const [pack, setPack] = useDeviceState(`bathygon-pack-${sessionId}`, NO_PACK, packFrom);
  const [nowMs, setNowMs] = useState(0);
  useEffect(() => {
    // The server does not know this device's clock.
    // oxlint-disable-next-line react/set-state-in-effect
    setNowMs(Date.now());
    const timer = setInterval(() => setNowMs(Date.now()), 1000);
    return () => clearInterval(timer);
  }, []);
  const end = () => setPack(({ number }) => ({ number, sinceMs: null }));
  const begin = () => {
    const now = Date.now();
    setPack(({ number }) => ({ number: Math.max(number, counted) + 1, sinceMs: now }));
    setNowMs(now);
  };
  return {
    ...pack,
    next: Math.max(pack.number, counted) + 1,
    elapsedS: pack.sinceMs === null ? 0 : Math.max(0, Math.floor((nowMs - pack.sinceMs) / 1000)),
    tap: pack.sinceMs === null ? begin : end,
    /** Ends it where one is flown: with the turn. */
    end,
  };
}

/** Less than this is no pack but a slip of the fingers, min. */
const SHORTEST_PACK_MIN = 0.5;

/** Minutes planned for a pack of a pilot; null where nothing was. */
export function packMinutes({ turns }: Pick<TallyPilot, "turns">, blocks: readonly PlannedBlock[]): number | null {
  const minutes = blocks.reduce((sum, block) => sum + block.minutes, 0);
  const each = minutes / Math.max(1, turns.length);
  return turns.length === 0 || each < SHORTEST_PACK_MIN ? null : each;
}

const looks: Readonly<
  Record<PackState["kind"], readonly [words: string, background: keyof Tokens, ink: keyof Tokens] | null>
> = {
  "counting-up": null,
  flying: null,
  "no-further-try": ["no further try", "ochre", "ochreInk"],
  land: ["land now", "buoy", "buoyInk"],
};
/** How often it sounds when a pack comes to that. */
const CALLS = { "no-further-try": 1, land: 3 } as const;

/** Counts a pack down from what was planned, or up where nothing was; calls out the last try and the landing. */
export function PackClock({
  pack,
  plannedMin,
  taps,
}: {
  pack: ReturnType<typeof usePack>;
  /** Null where nothing was planned. */
  plannedMin: number | null;
  /** What this pilot flew in the session, in order. */
  taps: readonly LoggedAttempt[];
}) {
  const running = pack.sinceMs !== null;
  const plannedS = plannedMin === null ? null : 60 * plannedMin;
  // A clock that was left running over night is no pack any more.
  const state = packState(Math.min(86_400, pack.elapsedS), plannedS, tryTimeS(taps));
  const getReady = useAlarm(running ? state.kind : "none", CALLS);
  const shownS = state.kind === "counting-up" ? state.elapsedS : state.leftS;
  const clock = clockText(shownS);
  const look = running ? looks[state.kind] : null;
  const words = look ? look[0] : running ? `pack ${pack.number}` : "tap to start pack";
  const says = running
    ? `Pack ${pack.number}, ${clock}${plannedS === null ? "" : " left"}${look ? `, ${look[0]}` : ""}. Tap to end it`
    : `Start pack ${pack.next}${plannedMin === null ? "" : `, ${Math.round(plannedMin)} min`}`;
  return (
    <ButtonBase
      onClick={() => {
        getReady();
        pack.tap();
      }}
      aria-label={says}
      sx={(theme) => ({
        display: "block",
        textAlign: "right",
        px: 1,
        minWidth: 104,
        minHeight: 60,
        borderRadius: "3px",
        ...(look && {
          bgcolor: theme.tokens[look[1]] as string,
          color: theme.tokens[look[2]] as string,
          fontWeight: 700,
        }),
      })}
    >
      <Box
        component="span"
        className="num"
        sx={{ display: "block", fontSize: look ? "2rem" : "1.7rem", lineHeight: 1.1 }}
      >
        {clock}
      </Box>
      <Box component="span" sx={{ fontSize: look ? "1rem" : "0.8rem" }}>
        {words}
      </Box>
      {/* Read out when it changes, not every second. */}
      <Box component="span" role="status" sx={visuallyHidden}>
        {look?.[0]}
      </Box>
    </ButtonBase>
  );
}

/** Minutes and seconds; a minus sign for what is over. */
function clockText(seconds: number): string {
  const whole = Math.abs(Math.trunc(seconds));
  return `${seconds < 0 ? "−" : ""}${Math.floor(whole / 60)}:${String(whole % 60).padStart(2, "0")}`;
}
