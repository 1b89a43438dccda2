"use client";

import Typography from "@mui/material/Typography";
import { useTheme } from "@mui/material/styles";
import { evenly, type Replayed, type Score, type Trace } from "@/core";
import { Box } from "@/ui/layout/box";
import { StickDials } from "@/ui/sticks/stick-dials";
import { usePreferences } from "@/ui/theme/preferences";
import { nextThingWords } from "@/words";

interface FlownAndJudged {
  readonly flown: Replayed;
  readonly score: Score;
  readonly ghost: Replayed;
  readonly stickMode: number;
}

/** What came of a try: whether it counts, the one next thing, its path and its sticks beside the model's. */
export function AfterTry(props: FlownAndJudged) {
  return (
    <Box component="section" aria-labelledby="after-try" sx={{ mt: 1.5 }}>
      <Typography variant="h2" id="after-try">
        {props.score.passed ? "■ Passed" : "Not yet"}
      </Typography>
      <TrySeen {...props} />
    </Box>
  );
}

/** The one next thing, the path and the sticks of a try. */
export function TrySeen({ flown, score, ghost, stickMode }: FlownAndJudged) {
  const { units } = usePreferences();
  return (
    <>
      <Typography role="status" sx={{ fontSize: "1.1rem", mt: 0.5 }}>
        {nextThingWords(score.next, units)}
      </Typography>
      <Paths own={flown.trace} ghost={ghost.trace} />
      <Typography variant="h3" sx={{ mt: 1 }}>
        Your sticks
      </Typography>
      <StickDials trace={flown.trace} stickMode={stickMode} phases={[]} cursor={null} />
      <Typography variant="h3" sx={{ mt: 1 }}>
        The model&apos;s
      </Typography>
      <StickDials trace={ghost.trace} stickMode={stickMode} phases={[]} cursor={null} />
    </>
  );
}

const WIDTH = 320;
const HEIGHT = 130;
const PAD = 12;

interface View {
  readonly label: string;
  readonly across: (trace: Trace) => readonly number[];
  readonly up: (trace: Trace) => readonly number[];
  /** Counted from the ground. */
  readonly grounded: boolean;
}
const views = {
  side: {
    label: "Your path from the side, and the model's dashed",
    across: ({ northM }) => northM,
    up: ({ heightM }) => heightM,
    grounded: true,
  },
  above: {
    label: "Your path from above, and the model's dashed",
    across: ({ eastM }) => eastM,
    up: ({ northM }) => northM,
    grounded: false,
  },
} as const satisfies Record<string, View>;

const rangeOf = (values: readonly number[]): readonly [number, number] => [Math.min(...values), Math.max(...values)];
const spanOf = (values: readonly number[]) => rangeOf(values)[1] - rangeOf(values)[0];
/** Of a path of minutes no more points are drawn. */
const MOST_POINTS = 600;

/** Both paths to one scale: from the side, or from above where the model goes farther aside than up. */
function Paths({ own, ghost }: { own: Trace; ghost: Trace }) {
  const { tokens } = useTheme();
  const view: View = spanOf(ghost.eastM) > spanOf(ghost.heightM) ? views.above : views.side;
  const both = (of: View["across"]) => [...of(own), ...of(ghost)];
  const [left, right] = rangeOf(both(view.across));
  const [lowest, top] = rangeOf(both(view.up));
  const bottom = view.grounded ? 0 : lowest;
  const scale = Math.min((WIDTH - 2 * PAD) / Math.max(4, right - left), (HEIGHT - 2 * PAD) / Math.max(2, top - bottom));
  const line = (trace: Trace) =>
    evenly(trace.timeS.length, MOST_POINTS)
      .map((i) => {
        const [x, y] = [view.across(trace)[i] - left, view.up(trace)[i] - bottom];
        return `${PAD + scale * x},${HEIGHT - PAD - scale * y}`;
      })
      .join(" ");
  return (
    <svg viewBox={`0 0 ${WIDTH} ${HEIGHT}`} width="100%" role="img" aria-label={view.label}>
      {view.grounded && <path d={`M0 ${HEIGHT - PAD}H${WIDTH}`} stroke={tokens.ink} strokeWidth="1.5" />}
      <polyline points={line(ghost)} fill="none" stroke={tokens.shoal} strokeWidth="2" strokeDasharray="5 4" />
      <polyline points={line(own)} fill="none" stroke={tokens.ink} strokeWidth="2.5" />
    </svg>
  );
}
