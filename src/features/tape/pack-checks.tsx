"use client";

import Typography from "@mui/material/Typography";
import { gatheredWobbles, type Pack } from "@/core";
import type { Setup } from "@/contract";
import { Box } from "@/ui/layout/box";
import { axisCheckWords, capital, numeral, tapeWarningWords, wobbleWords } from "@/words";
import { CruiseDraft } from "./cruise-draft";
import { HandsShown } from "./hands-shown";

/** What else the recording says: with what it was flown, what wobbles, where the throttle cruises, and what is odd in the file. */
export function PackChecks(props: {
  name: string;
  pack: Pack;
  setup: Setup;
  /** Newest of the aircraft. */
  newest: Setup;
  pilotId: string;
}) {
  const { name, pack, setup, newest, pilotId } = props;
  const { axes, wobbles, cruise, smoothness, warnings } = pack;
  const checks = axes.flatMap((axis) => {
    const words = axisCheckWords(axis);
    return words ? [{ axis, words }] : [];
  });
  const delays = axes.flatMap(({ delayMs }) => delayMs ?? []);
  return (
    <Box
      sx={{
        display: "grid",
        gridTemplateColumns: { xs: "minmax(0,1fr)", md: "repeat(4, minmax(0,1fr))" },
        columnGap: 4,
        rowGap: 2,
        mt: 3,
      }}
    >
      <section aria-labelledby="flown-with">
        <Typography variant="h2" id="flown-with">
          Flown with
        </Typography>
        {checks.length === 0 && <Typography>The sticks moved too little to tell the rates.</Typography>}
        {checks.map(({ axis, words }) => (
          <Typography key={axis.axis} color={axis.agrees && axis.sign > 0 ? undefined : "error.main"}>
            {axis.agrees && axis.sign > 0 ? "" : "▲ "}
            {capital(words)}.
          </Typography>
        ))}
        {delays.length > 0 && (
          <Typography sx={{ color: "text.secondary" }}>
            From stick to turning: <span className="num">{numeral(Math.max(...delays), 0)} ms</span>.
          </Typography>
        )}
      </section>
      <section aria-labelledby="hand-or-machine">
        <Typography variant="h2" id="hand-or-machine">
          Hand or machine
        </Typography>
        {wobbles.length === 0 && <Typography>Nothing wobbles outside the tricks.</Typography>}
        {gatheredWobbles(wobbles).map((wobble) => (
          <Typography key={`${wobble.axis} ${wobble.fromS} ${wobble.cause}`}>{capital(wobbleWords(wobble))}</Typography>
        ))}
        {smoothness && (
          <Typography sx={{ color: "text.secondary" }}>
            How smoothly, over <span className="num">{smoothness.moves}</span> stretches: log dimensionless jerk{" "}
            <span className="num">{numeral(smoothness.logDimensionlessJerk, 1)}</span>, spectral arc length{" "}
            <span className="num">{numeral(smoothness.spectralArcLength, 2)}</span>; nearer to 0 is smoother.
          </Typography>
        )}
      </section>
      <HandsShown {...{ pack, pilotId, name }} />
      <section aria-labelledby="throttle-and-file">
        <Typography variant="h2" id="throttle-and-file">
          Throttle
        </Typography>
        <CruiseDraft cruise={cruise} use={pack.throttleUse} setup={setup} newest={newest} name={name} />
        {warnings.length > 0 && (
          <>
            <Typography variant="h3" sx={{ mt: 1.5 }}>
              Odd in the file
            </Typography>
            {warnings.map((warning) => (
              <Typography key={JSON.stringify(warning)}>{capital(tapeWarningWords(warning))}</Typography>
            ))}
          </>
        )}
      </section>
    </Box>
  );
}
