"use client";

import { keyframes } from "@mui/material/styles";
import { Box } from "./box";

/** From before the left end to past the right one, in widths of the bar. */
const sweep = keyframes({ from: { transform: "translateX(-100%)" }, to: { transform: "translateX(250%)" } });

/**
 * A bar that says how far something is, or that it goes on if nobody knows. Moved without being laid out or painted anew: what is worked out beside it has
 * the processor.
 */
export function Progress({ share, maxWidth, ...named }: { share?: number; maxWidth?: number; "aria-label": string }) {
  return (
    <Box
      role="progressbar"
      {...named}
      {...(share !== undefined && {
        "aria-valuenow": Math.round(100 * share),
        "aria-valuemin": 0,
        "aria-valuemax": 100,
      })}
      sx={{ height: 4, flex: "1 1 auto", maxWidth, overflow: "hidden", bgcolor: "divider" }}
    >
      <Box
        sx={{
          height: "100%",
          bgcolor: "primary.main",
          transformOrigin: "left",
          ...(share === undefined && {
            width: "40%",
            animation: `${sweep} 1.8s cubic-bezier(0.65, 0.2, 0.4, 0.85) infinite`,
          }),
        }}
        style={share === undefined ? undefined : { transform: `scaleX(${share})` }}
      />
    </Box>
  );
}
