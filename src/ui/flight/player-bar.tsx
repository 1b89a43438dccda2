"use client";

import { numeral } from "@/words";
import PauseIcon from "@mui/icons-material/Pause";
import PlayArrowIcon from "@mui/icons-material/PlayArrow";
import Box from "@mui/material/Box";
import IconButton from "@mui/material/IconButton";
import Slider from "@mui/material/Slider";
import type { ReactNode } from "react";
import type { Player } from "./use-player";

/** Play, pause and the moment of a flight; `children` stand behind it. */
export function PlayerBar({
  player: { cursorS, setCursorS, playing, setPlaying },
  durationS,
  what = "Moment of the trick",
  children,
}: {
  player: Player;
  durationS: number;
  /** What its slider moves, for those who do not see it. */
  what?: string;
  children?: ReactNode;
}) {
  return (
    <Box sx={{ display: "flex", alignItems: "center", gap: 1.5 }}>
      <IconButton aria-label={playing ? "Pause" : "Play"} onClick={() => setPlaying((was) => !was)}>
        {playing ? <PauseIcon /> : <PlayArrowIcon />}
      </IconButton>
      <Slider
        size="small"
        aria-label={what}
        min={0}
        max={durationS}
        step={0.01}
        value={cursorS ?? 0}
        onChange={(_, value) => setCursorS(value as number)}
      />
      <span className="num" style={{ minWidth: 60, textAlign: "right" }}>
        {numeral(cursorS ?? 0, 2)} s
      </span>
      {children}
    </Box>
  );
}
