"use client";

import Box from "@mui/material/Box";
import Typography from "@mui/material/Typography";
import { useTheme } from "@mui/material/styles";
import type { Replayed, Score, Trace } from "@/core";
import { StickDials } from "@/ui/sticks/stick-dials";
import { usePreferences } from "@/ui/theme/preferences";
import { nextThingWords } from "@/words";

/** What came of a try: whether it counts, the one next thing, its path and its sticks beside the model's. */
export function AfterTry({
  flown,
  score,
  ghost,
  stickMode,
}: {
  flown: Replayed;
  score: Score;
  ghost: Replayed;
  stickMode: number;
}) {
  const { units } = usePreferences();
  return (
    <Box component="section" aria-labelledby="after-try" sx={{ mt: 1.5 }}>
      <Typography variant="h2" id="after-try">
        {score.passed ? "■ Passed" : "Not yet"}
      </Typography>
      <Typography role="status" sx={{ fontSize: "1.1rem", mt: 0.5 }}>
        {nextThingWords(score.next, units)}
      </Typography>
      <SidePath own={flown.trace} ghost={ghost.trace} />
      <Typography variant="h3" sx={{ mt: 1 }}>
        Your sticks
      </Typography>
      <StickDials trace={flown.trace} stickMode={stickMode} phases={[]} cursor={null} />
      <Typography variant="h3" sx={{ mt: 1 }}>
        The model&apos;s
      </Typography>
      <StickDials trace={ghost.trace} stickMode={stickMode} phases={[]} cursor={null} />
    </Box>
  );
}

const WIDTH = 320;
const HEIGHT = 130;
const PAD = 12;

/** Both paths from the side: along and up, to one scale. */
function SidePath({ own, ghost }: { own: Trace; ghost: Trace }) {
  const { tokens } = useTheme();
  const along = [...own.northM, ...ghost.northM];
  const [low, high] = [Math.min(...along), Math.max(...along)];
  const top = Math.max(...own.heightM, ...ghost.heightM, 2);
  const scale = Math.min((WIDTH - 2 * PAD) / Math.max(4, high - low), (HEIGHT - 2 * PAD) / top);
  const line = ({ northM, heightM }: Trace) =>
    northM.map((m, i) => `${PAD + scale * (m - low)},${HEIGHT - PAD - scale * heightM[i]}`).join(" ");
  return (
    <svg
      viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
      width="100%"
      role="img"
      aria-label="Your path from the side, and the model's dashed"
    >
      <path d={`M0 ${HEIGHT - PAD}H${WIDTH}`} stroke={tokens.ink} strokeWidth="1.5" />
      <polyline points={line(ghost)} fill="none" stroke={tokens.shoal} strokeWidth="2" strokeDasharray="5 4" />
      <polyline points={line(own)} fill="none" stroke={tokens.ink} strokeWidth="2.5" />
    </svg>
  );
}
