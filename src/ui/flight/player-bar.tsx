"use client";

import { useDragged } from "../forms/use-dragged";
import { numeral } from "@/words";
import ChevronLeftIcon from "@mui/icons-material/ChevronLeft";
import ChevronRightIcon from "@mui/icons-material/ChevronRight";
import LoopIcon from "@mui/icons-material/Loop";
import PauseIcon from "@mui/icons-material/Pause";
import PlayArrowIcon from "@mui/icons-material/PlayArrow";
import IconButton from "@mui/material/IconButton";
import Slider from "@mui/material/Slider";
import type { ReactNode } from "react";
import { Box } from "../layout/box";
import { STEP_S, type Player } from "./use-player";

/** Play, pause and the moment of a flight; `children` stand behind it. */
export function PlayerBar({
  player: { cursorS, setCursorS, playing, setPlaying, looping, setLooping, step },
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
  const { shown, drag, settle } = useDragged(cursorS ?? 0, setCursorS);
  return (
    <Box sx={{ display: "flex", alignItems: "center", gap: 0.5 }}>
      <IconButton aria-label={playing ? "Pause" : "Play"} onClick={() => setPlaying((was) => !was)}>
        {playing ? <PauseIcon /> : <PlayArrowIcon />}
      </IconButton>
      <IconButton size="small" aria-label="A moment earlier" onClick={() => step(-STEP_S)}>
        <ChevronLeftIcon />
      </IconButton>
      <IconButton size="small" aria-label="A moment later" onClick={() => step(STEP_S)}>
        <ChevronRightIcon />
      </IconButton>
      <Slider
        size="small"
        aria-label={what}
        min={0}
        max={durationS}
        step={0.01}
        value={shown}
        onChange={(_, value) => drag(value as number)}
        onChangeCommitted={(_, value) => settle(value as number)}
      />
      <span className="num" style={{ minWidth: 64, marginLeft: 10, textAlign: "right" }}>
        {numeral(shown, 2)} s
      </span>
      <IconButton
        size="small"
        aria-label="Loop"
        aria-pressed={looping}
        onClick={() => setLooping((was) => !was)}
        sx={(theme) => ({ color: looping ? theme.tokens.ink : theme.tokens.inkSoft, opacity: looping ? 1 : 0.55 })}
      >
        <LoopIcon />
      </IconButton>
      {children}
    </Box>
  );
}
