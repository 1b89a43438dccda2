"use client";

import { useEffect, useState } from "react";
import { dayLight, type EarthPlace } from "@/core";
import { useHydrated } from "../hydration/use-hydrated";
import { Box } from "../layout/box";
import { Moment } from "../moment/moment";

const EVERY_MS = 30_000;
/** Less light than this is said in red, minutes. Ours: time to land, pack up and find what is lost. */
const SHORT_MIN = 30;
const MINUTE_MS = 60_000;

/** The time, kept up with while it is looked at. */
function useNow(): number | null {
  const inBrowser = useHydrated();
  const [nowMs, setNowMs] = useState(() => Date.now());
  useEffect(() => {
    const timer = setInterval(() => setNowMs(Date.now()), EVERY_MS);
    return () => clearInterval(timer);
  }, []);
  return inBrowser ? nowMs : null;
}

/** How long there is light at a site: until the end of civil twilight, in red towards it. Nothing where nobody said where the site lies. */
export function LightLeft({
  place,
  flying = true,
}: {
  place: EarthPlace | null | undefined;
  /** Somebody may be in the air. */
  flying?: boolean;
}) {
  const nowMs = useNow();
  if (!place || nowMs === null) return null;
  const { sunriseMs, sunsetMs, duskMs } = dayLight({ ...place, atMs: nowMs });
  // Where the sun stays up or down, or before it rises, there is nothing to count down to.
  if (duskMs === null || (sunriseMs !== null && nowMs < sunriseMs - MINUTE_MS * SHORT_MIN)) return null;
  const leftMin = Math.floor((duskMs - nowMs) / MINUTE_MS);
  const short = leftMin < SHORT_MIN;
  return (
    <Box component="span" sx={{ color: short ? "error.main" : undefined, fontWeight: short ? 650 : undefined }}>
      {leftMin <= 0 ? (
        `▲ the light is gone${flying ? ": land" : ""}`
      ) : (
        <>
          {short && "▲ "}light until <Moment atMs={duskMs} show="time" />
          {short && `, ${leftMin} min`}
          {!short && sunsetMs !== null && sunsetMs > nowMs && (
            <>
              , sunset <Moment atMs={sunsetMs} show="time" />
            </>
          )}
        </>
      )}
    </Box>
  );
}
