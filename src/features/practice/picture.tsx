"use client";

import Typography from "@mui/material/Typography";
import { useTheme } from "@mui/material/styles";
import { useEffect, useState, type RefObject } from "react";
import { spanM, type Airframe, type PreparedDrill, type Settings } from "@/core";
import { Box } from "@/ui/layout/box";
import { World, type Looking } from "./world";

/** The picture that is flown by. */
export function Picture(props: {
  canvas: RefObject<HTMLCanvasElement | null>;
  able: boolean;
  looking: Looking;
  /** The call has come: its frame says so too. */
  called: boolean;
}) {
  const { canvas, able, looking, called } = props;
  return (
    <Box
      sx={(theme) => ({
        border: `${called ? 6 : 1.5}px solid ${called ? theme.tokens.buoy : theme.tokens.ink}`,
        height: { xs: 300, md: 430 },
      })}
    >
      {able ? (
        <canvas
          ref={canvas}
          role="img"
          aria-label={
            looking === "camera" ? "What the aircraft's camera sees" : "The aircraft, seen from where a coach stands"
          }
          style={{ display: "block", width: "100%", height: "100%" }}
        />
      ) : (
        <Typography sx={{ p: 2 }}>
          This browser cannot draw in 3D here, so nothing can be flown by hand. Try another browser, or switch its
          graphics on.
        </Typography>
      )}
    </Box>
  );
}

/** The world of a drill on its canvas. */
export function useWorld(
  canvas: RefObject<HTMLCanvasElement | null>,
  { drill, ghost, obstacles, seat }: PreparedDrill,
  airframe: Airframe,
  { tiltDeg, camera }: Settings,
) {
  const { tokens } = useTheme();
  const [made, setMade] = useState<World | null>(null);
  const [able, setAble] = useState(true);
  const { verticalFovDeg } = camera;
  const wideM = spanM(airframe);
  useEffect(() => {
    if (!canvas.current) return;
    let world: World;
    try {
      const lens = { tiltDeg, verticalFovDeg };
      const stage = { obstacles, task: drill.task, seat };
      world = new World(canvas.current, tokens, lens, stage, wideM);
      world.showWay(ghost.trace);
    } catch {
      // Switched off by the browser's settings: said in words in the picture's place.
      // oxlint-disable-next-line react/set-state-in-effect
      return setAble(false);
    }
    setMade(world);
    return () => {
      setMade(null);
      world.end();
    };
  }, [canvas, tokens, drill, ghost, obstacles, seat, wideM, tiltDeg, verticalFovDeg]);
  return { made, able };
}
