"use client";

import Typography from "@mui/material/Typography";
import { useTheme } from "@mui/material/styles";
import { lineHabits, type FlownRun } from "@/core";
import { flownOf, type LoggedAttempt } from "@/contract";
import { Box } from "@/ui/layout/box";
import { counted, numeral, percent, trickName } from "@/words";

const CELL = 26;
const LABEL = 190;
const TOP = 150;
/** The names on top lean out to the right. */
const RIGHT = 130;
/** More would not be seen. */
const MOST_SHOWN = 14;

/** Tricks that were flown one out of another: all up to where it broke. */
const runOf = ({ line, sessionId, pack, alone }: LoggedAttempt): FlownRun => ({
  tricks: flownOf(line!),
  packId: `${sessionId} ${pack ?? 0}`,
  asked: !alone,
});

/** What a pilot flies out of what: every pair as a square, the larger the oftener, and a dot where it was never tried. */
export function Habits({
  tries,
  known,
  pilotName,
}: {
  tries: readonly LoggedAttempt[];
  /** Ids of the tricks that the pilot has, as they are called in lines. */
  known: readonly string[];
  pilotName: string;
}) {
  const { tokens } = useTheme();
  if (tries.length === 0) return null;
  const runs = tries.map(runOf);
  const flown = [...new Set(runs.flatMap(({ tricks }) => tricks))];
  const shown = [...flown, ...known.filter((id) => !flown.includes(id))].slice(0, MOST_SHOWN);
  const { pairs, tricksAPack, pairsAPack, favourites, neverTried } = lineHabits(runs, shown);
  const countOf = (from: string, to: string) => pairs.find((pair) => pair.from === from && pair.to === to)?.count ?? 0;
  const most = Math.max(1, ...pairs.map(({ count }) => count));
  const size = CELL * shown.length;
  return (
    <Box component="section" aria-labelledby="habits" sx={{ mt: 4 }}>
      <Typography variant="h2" id="habits">
        What {pilotName} flies out of what
      </Typography>
      <Typography sx={{ mb: 1 }}>
        {favourites && (
          <>
            {counted(favourites.tricks.length, "trick")} make up <b className="num">{percent(favourites.share)}</b> of
            what is flown unasked: {favourites.tricks.map(trickName).join("; ")}.{" "}
          </>
        )}
        <b className="num">{numeral(tricksAPack, 1)}</b> different tricks and{" "}
        <b className="num">{numeral(pairsAPack, 1)}</b> different pairs a pack;{" "}
        <span className="num">{neverTried.length}</span> pairs never tried.
      </Typography>
      <Box sx={{ overflowX: "auto" }} tabIndex={0} role="group" aria-label="Pairs flown">
        <svg
          width={LABEL + size + RIGHT}
          height={TOP + size + 10}
          role="img"
          aria-label={`Pairs flown: ${pairs
            .slice(0, 5)
            .map(({ from, to, count }) => `${trickName(from)} into ${trickName(to)} ${count} times`)
            .join("; ")}`}
        >
          {shown.map((id, i) => (
            <g key={id} fontSize="12" fill={tokens.ink}>
              <text x={LABEL - 8} y={TOP + (i + 0.66) * CELL} textAnchor="end">
                {trickName(id)}
              </text>
              <text transform={`translate(${LABEL + (i + 0.62) * CELL} ${TOP - 8}) rotate(-50)`}>{trickName(id)}</text>
            </g>
          ))}
          {shown.map((from, i) =>
            shown.map((to, k) => {
              const count = countOf(from, to);
              const [x, y] = [LABEL + k * CELL, TOP + i * CELL];
              const side = count === 0 ? 0 : (CELL - 4) * Math.sqrt(count / most);
              return (
                <g key={`${from} ${to}`}>
                  <rect x={x} y={y} width={CELL} height={CELL} fill="none" stroke={tokens.rule} />
                  {count === 0 ? (
                    <circle cx={x + CELL / 2} cy={y + CELL / 2} r="1.5" fill={tokens.inkSoft} />
                  ) : (
                    <rect
                      x={x + (CELL - side) / 2}
                      y={y + (CELL - side) / 2}
                      width={side}
                      height={side}
                      fill={tokens.shoal}
                    >
                      <title>{`${trickName(from)} into ${trickName(to)}: ${count}`}</title>
                    </rect>
                  )}
                </g>
              );
            }),
          )}
        </svg>
      </Box>
      <Typography sx={{ fontSize: "0.85rem", color: "text.secondary" }}>
        From the left into what stands on top. A dot: never tried.
      </Typography>
    </Box>
  );
}
