"use client";

import ButtonBase from "@mui/material/ButtonBase";
import { useEffect, useState } from "react";
import { isCount, isRecord } from "@/ui/device/device-storage";
import { useDeviceState } from "@/ui/device/use-device-state";

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
export function usePack(
  sessionId: string,
  counted = 0,
): Pack & { readonly next: number; readonly nowMs: number; readonly tap: () => void } {
  const [pack, setPack] = useDeviceState(`bathygon-pack-${sessionId}`, NO_PACK, packFrom);
  const [nowMs, setNowMs] = useState(0);
  useEffect(() => {
    // The server does not know this device's clock.
    // eslint-disable-next-line react-hooks/set-state-in-effect
    setNowMs(Date.now());
    const timer = setInterval(() => setNowMs(Date.now()), 1000);
    return () => clearInterval(timer);
  }, []);
  const tap = () => {
    const now = Date.now();
    setPack(({ number, sinceMs }) =>
      sinceMs === null ? { number: Math.max(number, counted) + 1, sinceMs: now } : { number, sinceMs: null },
    );
    setNowMs(now);
  };
  return { ...pack, next: Math.max(pack.number, counted) + 1, nowMs, tap };
}

/** Counts batteries and the time on the present one. */
export function PackClock({ pack }: { pack: ReturnType<typeof usePack> }) {
  const { nowMs, tap } = pack;
  const seconds = pack.sinceMs === null ? 0 : Math.max(0, Math.floor((nowMs - pack.sinceMs) / 1000));
  const clock = `${Math.floor(seconds / 60)}:${String(seconds % 60).padStart(2, "0")}`;
  return (
    <ButtonBase
      onClick={tap}
      aria-label={pack.sinceMs === null ? `Start pack ${pack.next}` : `Pack ${pack.number}, ${clock}. Tap to end it`}
      sx={{ display: "block", textAlign: "right", px: 0.5, minWidth: 88, minHeight: 48 }}
    >
      <span className="num" style={{ display: "block", fontSize: "1.7rem", lineHeight: 1.1 }}>
        {clock}
      </span>
      <span style={{ fontSize: "0.8rem" }}>{pack.sinceMs === null ? "tap: new pack" : `pack ${pack.number}`}</span>
    </ButtonBase>
  );
}
