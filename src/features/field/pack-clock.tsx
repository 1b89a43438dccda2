"use client";

import ButtonBase from "@mui/material/ButtonBase";
import { useEffect, useState } from "react";

interface Pack {
  readonly number: number;
  /** When the pack was plugged in; null while none is. */
  readonly sinceMs: number | null;
}

/** The battery flown now: a tap begins one, a tap ends it. Kept on the device; counts on from those `counted` by others. */
export function usePack(
  sessionId: string,
  counted = 0,
): Pack & { readonly next: number; readonly nowMs: number; readonly tap: () => void } {
  const store = `bathygon-pack-${sessionId}`;
  const [pack, setPack] = useState<Pack>({ number: 0, sinceMs: null });
  const [nowMs, setNowMs] = useState(0);
  useEffect(() => {
    const kept = localStorage.getItem(store);
    // eslint-disable-next-line react-hooks/set-state-in-effect
    if (kept) setPack(JSON.parse(kept) as Pack);
    setNowMs(Date.now());
    const timer = setInterval(() => setNowMs(Date.now()), 1000);
    return () => clearInterval(timer);
  }, [store]);
  const tap = () => {
    const now = Date.now();
    const next =
      pack.sinceMs === null ? { number: Math.max(pack.number, counted) + 1, sinceMs: now } : { ...pack, sinceMs: null };
    localStorage.setItem(store, JSON.stringify(next));
    setPack(next);
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
