"use client";

import { useTheme } from "@mui/material/styles";
import { useState, type PointerEvent } from "react";
import type { StickAxis, Sticks } from "@/core";
import { Box } from "@/ui/layout/box";
import { stickModes } from "@/ui/sticks/modes";

type Axis = StickAxis;
type Touch = (moved: Partial<Sticks>, gone?: readonly Axis[]) => void;

/** Two sticks to be dragged, by the pilot's stick mode: what springs back in a radio does here, the throttle stays. */
export function TouchSticks(props: { stickMode: number; onTouch: Touch; throttle: number }) {
  const { stickMode, onTouch, throttle } = props;
  const mode = stickModes[stickMode];
  return (
    <Box sx={{ display: "flex", justifyContent: "space-between", maxWidth: 560, mt: 1.5 }}>
      {(["left", "right"] as const).map((side) => (
        <TouchStick key={side} side={side} {...mode[side]} {...{ onTouch, throttle }} />
      ))}
    </Box>
  );
}

const SIZE = 150;
const TRAVEL = 58;

function TouchStick(props: { side: string; sideways: Axis; upright: Axis; onTouch: Touch; throttle: number }) {
  const { side, sideways, upright, onTouch, throttle } = props;
  const { tokens } = useTheme();
  const [at, setAt] = useState<readonly [x: number, y: number] | null>(null);
  const move = (event: PointerEvent<SVGSVGElement>) => {
    const box = event.currentTarget.getBoundingClientRect();
    const bound = (value: number) => Math.max(-1, Math.min(1, value));
    const x = bound(((event.clientX - box.left) / box.width - 0.5) * (SIZE / TRAVEL));
    const y = bound(((event.clientY - box.top) / box.height - 0.5) * (SIZE / TRAVEL));
    setAt([x, y]);
    // Down on the screen is pitch back, and a closed throttle.
    onTouch({ [sideways]: x, [upright]: upright === "throttle" ? 0.5 - 0.5 * y : y });
  };
  const letGo = () => {
    setAt(null);
    onTouch({}, [sideways, upright]);
  };
  const rest = upright === "throttle" ? 1 - 2 * throttle : 0;
  const [x, y] = at ?? [0, rest];
  return (
    <svg
      viewBox={`0 0 ${SIZE} ${SIZE}`}
      width={SIZE}
      height={SIZE}
      role="img"
      aria-label={`${side} stick: ${sideways} and ${upright}`}
      style={{ touchAction: "none", cursor: "grab" }}
      onPointerDown={(event) => {
        event.currentTarget.setPointerCapture(event.pointerId);
        move(event);
      }}
      onPointerMove={(event) => at && move(event)}
      onPointerUp={letGo}
      onPointerCancel={letGo}
    >
      <circle cx={SIZE / 2} cy={SIZE / 2} r={SIZE / 2 - 3} fill={tokens.sheet} stroke={tokens.ink} strokeWidth="2" />
      <circle cx={SIZE / 2 + TRAVEL * x} cy={SIZE / 2 + TRAVEL * y} r="15" fill={tokens.shoal} />
    </svg>
  );
}
