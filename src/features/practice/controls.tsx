"use client";

import Button from "@mui/material/Button";
import Checkbox from "@mui/material/Checkbox";
import FormControlLabel from "@mui/material/FormControlLabel";
import type { Drill, PracticeState, TaskProgress } from "@/core";
import { PickOne } from "@/ui/forms/pick-one";
import { Box } from "@/ui/layout/box";
import { Num } from "@/ui/units/figure";
import { percent } from "@/words";
import type { TryPhase } from "./use-try";
import type { Looking } from "./world";

/** What is done to a try, and how it is seen. */
export function Controls(props: {
  phase: TryPhase;
  looking: Looking;
  pace: number;
  helps: boolean;
  onGo: () => void;
  onLooking: (looking: Looking) => void;
  onPace: (pace: number) => void;
  onHelps: (on: boolean) => void;
}) {
  const { phase, looking, pace, helps, onGo, onLooking, onPace, onHelps } = props;
  return (
    <Box sx={{ display: "flex", flexWrap: "wrap", alignItems: "center", gap: 1, mt: 1 }}>
      <Button variant="contained" size="large" onClick={onGo}>
        {phase === "flying" ? "End try" : phase === "over" ? "Try again" : "Start try"}
      </Button>
      <PickOne
        label="View"
        value={looking}
        options={[
          ["camera", "Through the camera"],
          ["eye", "By eye"],
        ]}
        onPick={onLooking}
      />
      <PickOne
        label="Speed"
        value={pace}
        options={[
          [1, "Real time"],
          [0.5, "Half"],
          [0.25, "Quarter"],
        ]}
        onPick={onPace}
      />
      <FormControlLabel
        control={<Checkbox checked={helps} onChange={(_, on) => onHelps(on)} />}
        label="Keep the ghost and figures"
      />
    </Box>
  );
}

/** Below the picture, never in it. */
export function Figures(props: {
  state: PracticeState;
  progress: TaskProgress | null;
  task: Drill["task"];
  /** Height and speed, which fade as the pilot gets on. */
  shown: boolean;
}) {
  const { state, progress, task, shown } = props;
  const speed = Math.hypot(state.northMps, state.eastMps, state.climbMps);
  return (
    <Box sx={{ display: "flex", flexWrap: "wrap", columnGap: 3, mt: 1 }}>
      {shown && (
        <>
          <span>
            Height <Num value={state.heightM} quantity="length" />
          </span>
          <span>
            Speed <Num value={speed} quantity="speed" />
          </span>
          <span>
            Throttle <b className="num">{percent(state.sticks.throttle)}</b>
          </span>
        </>
      )}
      <span>
        Time <Num value={state.timeS} quantity="time" digits={1} />
      </span>
      <span>
        Pack <b className="num">{percent(1 - state.packUsed)}</b>
      </span>
      {progress && task.kind === "hold" && (
        <span>
          Held <Num value={progress.done} quantity="time" digits={1} /> of{" "}
          <Num value={progress.of} quantity="time" digits={0} />
        </span>
      )}
      {progress && task.kind === "course" && (
        <span>
          Marks <b className="num">{progress.done}</b> of <b className="num">{progress.of}</b>
        </span>
      )}
    </Box>
  );
}
