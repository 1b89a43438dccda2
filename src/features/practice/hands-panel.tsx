"use client";

import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { useState } from "react";
import { Box } from "@/ui/layout/box";
import { CheckRadio } from "@/ui/radio/check-radio";
import { FindSticks } from "@/ui/radio/find-sticks";
import { Num } from "@/ui/units/figure";
import type { Hands } from "./use-hands";

/** What it is flown with, how the sticks of a radio are found and checked, and how late the picture is. */
export function HandsPanel({ hands, latencyMs }: { hands: Hands; latencyMs: number | null }) {
  const [open, setOpen] = useState<"find" | "check" | null>(null);
  return (
    <Box component="section" aria-labelledby="hands" sx={{ mt: 1.5 }}>
      <Typography variant="h2" id="hands">
        Controls
      </Typography>
      {hands.radio ? (
        <>
          <Typography sx={{ overflowWrap: "anywhere" }}>{hands.radio}</Typography>
          {hands.radios > 1 && (
            <Typography sx={{ color: "error.main", fontSize: "0.9rem" }}>
              ▲ More than one radio is plugged in. This one flies; unplug the others.
            </Typography>
          )}
          {!hands.radioKnown && (
            <Typography sx={{ fontSize: "0.9rem" }}>
              Its sticks are read in the usual order. Find them to be sure.
            </Typography>
          )}
          <Box sx={{ display: "flex", gap: 1, mt: 0.5 }}>
            <Button size="small" variant="outlined" onClick={() => setOpen("find")}>
              Find sticks
            </Button>
            <Button size="small" variant="outlined" onClick={() => setOpen("check")}>
              Check radio
            </Button>
          </Box>
          <FindSticks open={open === "find"} onClose={() => setOpen(null)} onFound={hands.keepRadio} />
          <CheckRadio open={open === "check"} onClose={() => setOpen(null)} map={hands.radioMap} />
        </>
      ) : (
        <Typography sx={{ fontSize: "0.92rem" }}>
          Plug in a radio and move a stick: it is the way to learn. Without one, use the keys (W and S throttle, A and D
          yaw, arrows pitch and roll) or drag the two sticks.
        </Typography>
      )}
      {latencyMs !== null && (
        <Typography sx={{ fontSize: "0.85rem", color: "text.secondary", mt: 0.5 }}>
          Stick to picture: <Num value={latencyMs / 1000} quantity="time" digits={3} />, plus the display&apos;s own
          delay.
        </Typography>
      )}
    </Box>
  );
}
