import type { WindAdvice } from "@/core";
import { Box } from "@/ui/layout/box";
import { Num } from "@/ui/units/figure";

/** Which way to face in the wind of the day, and what it does to the trick. */
export function WindWords({ wind: { driftM, sideDriftM, crabDeg } }: { wind: WindAdvice }) {
  return (
    <Box component="span" sx={{ fontSize: "0.9rem" }}>
      <b>Face the wind.</b> It drifts back by <Num value={driftM} quantity="length" /> over the whole trick; flown
      across the wind, to the side by <Num value={sideDriftM} quantity="length" />
      {crabDeg !== null && (
        <>
          , with the nose <Num value={crabDeg} quantity="angle" /> into it to fly straight
        </>
      )}
      .
    </Box>
  );
}
