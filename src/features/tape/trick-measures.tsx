import Typography from "@mui/material/Typography";
import { endsRound, isSure, type FoundTrick, type TurnMeasures } from "@/core";
import { Box } from "@/ui/layout/box";
import { numeral, percent, signedDeg } from "@/words";
import type { LaidOver } from "./lay-over";

const seconds = (s: number) => `${numeral(s, 2)} s`;

/** How long before the turn the throttle was closed, in words. */
function closedText({ closedBeforeS, closedShare }: TurnMeasures): string {
  if (closedBeforeS === null) return "never";
  if (closedBeforeS < 0) return `${seconds(-closedBeforeS)} too late`;
  return closedShare < 0.98 ? `${seconds(closedBeforeS)}, not all through` : seconds(closedBeforeS);
}

function rowsOf(trick: FoundTrick): readonly (readonly [string, string])[] {
  const { kind, axis, measures: m } = trick;
  const upsideDown = m.throttleInvertedMean !== null;
  return [
    ...(endsRound(trick)
      ? ([
          ["Stop error", signedDeg(m.stopErrorDeg)],
          ["Swing back", `${numeral(m.swingBackDeg, 0)}°`],
          ["Eased from", m.easeFromShare > 0.93 ? "not eased" : `${percent(m.easeFromShare)} of the turn`],
        ] as const)
      : []),
    ...(upsideDown
      ? ([
          ["Throttle upside down", `${percent(m.throttleInvertedMean!)}, most ${percent(m.throttleInvertedMost!)}`],
          ["Upside down for", seconds(m.invertedS)],
          ["Closed before the turn", closedText(m)],
        ] as const)
      : []),
    ["Punch", m.punchS < 0.05 ? "none" : seconds(m.punchS)],
    ["Turn", seconds(m.turnTimeS)],
    ["Fastest", `${numeral(m.peakDps, 0)}°/s`],
    ["Leaned off", `${numeral(m.leanOffDeg, 0)}°`],
    ...(axis === "roll" && m.impliedTiltDeg !== null && kind === "roll"
      ? ([["Yaw in it right for a tilt of", `${numeral(m.impliedTiltDeg, 0)}°`]] as const)
      : []),
    ...(m.yawLeadMs !== null ? ([["Yaw before roll by", `${numeral(m.yawLeadMs, 0)} ms`]] as const) : []),
    ["Stick changed sides after it", m.stickReversals === 0 ? "no" : `${m.stickReversals}×`],
  ];
}

/** What was measured of a trick, beside what was of the one laid over it. */
export function TrickMeasures({ trick, over = null }: { trick: FoundTrick; over?: LaidOver | null }) {
  const beside = over && new Map(rowsOf(over.trick));
  return (
    <div>
      <Typography variant="h2">Measured</Typography>
      <Box component="dl" sx={{ m: 0, display: "grid", gridTemplateColumns: "1fr auto", columnGap: 2, rowGap: 0.5 }}>
        {rowsOf(trick).map(([name, value]) => (
          <Box key={name} sx={{ display: "contents" }}>
            <Box component="dt">{name}</Box>
            <Box component="dd" className="num" sx={{ m: 0, fontWeight: 700, textAlign: "right" }}>
              {value}
              {beside?.has(name) && (
                <Box
                  component="span"
                  sx={{ display: "block", fontWeight: 400, fontSize: "0.8rem", color: "text.secondary" }}
                >
                  {beside.get(name)}
                </Box>
              )}
            </Box>
          </Box>
        ))}
      </Box>
      {over && (
        <Typography sx={{ mt: 1, color: "text.secondary", fontSize: "0.88rem" }}>Small: {over.name}.</Typography>
      )}
      {!isSure(trick) && (
        <Typography sx={{ mt: 1, color: "text.secondary", fontSize: "0.88rem" }}>
          It turns like no trick that is known, or has a gap in it: take its figures with care.
        </Typography>
      )}
    </div>
  );
}
