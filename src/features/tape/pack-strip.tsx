"use client";

import ButtonBase from "@mui/material/ButtonBase";
import { useTheme } from "@mui/material/styles";
import { useMemo } from "react";
import { endsRound, type FoundTrick, type Pack, type TapeWindow } from "@/core";
import { Box } from "@/ui/layout/box";
import { foundTrickName, momentText, signedDeg } from "@/words";
import { isOff, toneOf } from "./tones";

const HEIGHT = 84;
const HALF_VIEW_DEG = 60;
const ROW = 46;
const tenths = (x: number) => Math.round(10 * x) / 10;

interface PackStripProps {
  readonly pack: Pack;
  /** The stretch of it that is shown. */
  readonly window: TapeWindow;
  readonly at: number;
  readonly onChoose: (trick: number) => void;
}

/** The pack, or a stretch of it, as the camera's horizon, each trick framed, with its stop error; names are spread so that none covers another, each led to its frame. */
export function PackStrip({ pack, window, at, onChoose }: PackStripProps) {
  const { tokens } = useTheme();
  const { view, fromS, toS } = window;
  const columns = view.low.length;
  const share = (s: number) => (s - fromS) / (toS - fromS);
  const ground = useMemo(() => {
    // Looking up lowers the horizon in the picture.
    const y = (deg: number) => HEIGHT * (0.5 + Math.max(-0.5, Math.min(0.5, deg / (2 * HALF_VIEW_DEG))));
    const middle = view.low.map((low, i) => tenths(y((low + view.high[i]) / 2)));
    return `M0 ${HEIGHT}L${middle.map((value, i) => `${i} ${value}`).join("L")}L${columns} ${HEIGHT}Z`;
  }, [view, columns]);
  const shown = useMemo(
    () => pack.tricks.flatMap((trick, i) => (trick.toS < fromS || trick.fromS > toS ? [] : [{ trick, i }])),
    [pack, fromS, toS],
  );
  const middles = useMemo(
    () => shown.map(({ trick }) => Math.max(0, Math.min(1, ((trick.fromS + trick.toS) / 2 - fromS) / (toS - fromS)))),
    [shown, fromS, toS],
  );
  const { places, rowCount } = useMemo(() => placedNames(middles), [middles]);
  return (
    <Box sx={{ border: `1.5px solid ${tokens.ink}`, bgcolor: tokens.sheet }}>
      <Box
        component="ol"
        aria-label="Tricks found"
        sx={{
          position: "relative",
          // On a phone they stand side by side, in order; where there is room each stands over its frame.
          display: { xs: "flex", md: "block" },
          flexWrap: "wrap",
          height: { md: rowCount * ROW },
          m: 0,
          p: 0,
          listStyle: "none",
        }}
      >
        {shown.map(({ trick, i }, place) => (
          <li key={trick.fromS}>
            <ButtonBase
              aria-pressed={i === at}
              onClick={() => onChoose(i)}
              sx={{
                position: { xs: "static", md: "absolute" },
                left: `${100 * places[place].x}%`,
                top: places[place].row * ROW,
                transform: { md: "translateX(-50%)" },
                display: "block",
                px: 0.5,
                height: ROW,
                fontSize: "0.78rem",
                lineHeight: 1.25,
                fontWeight: i === at ? 800 : 600,
                whiteSpace: "nowrap",
                textDecoration: i === at ? "underline" : "none",
              }}
            >
              {foundTrickName(trick)}
              <Box component="span" sx={{ display: "block", color: tokens[toneOf(trick)] }}>
                {isOff(trick) && "▲ "}
                <span className="num">{noteOf(trick)}</span>
              </Box>
            </ButtonBase>
          </li>
        ))}
      </Box>
      <Leaders from={places.map(({ x }) => x)} to={middles} />
      <svg
        viewBox={`0 0 ${columns} ${HEIGHT}`}
        width="100%"
        height={HEIGHT}
        preserveAspectRatio="none"
        role="img"
        aria-label="The horizon in the picture through the pack, as the gyro tells"
        style={{ display: "block" }}
      >
        <rect width={columns} height={HEIGHT} fill={tokens.depths[1]} />
        <path d={ground} fill={tokens.depths[4]} />
        {shown.map(({ trick, i }) => (
          <rect
            key={trick.fromS}
            x={columns * share(trick.fromS) - 1}
            width={columns * (share(trick.toS) - share(trick.fromS)) + 2}
            y={1}
            height={HEIGHT - 2}
            fill="none"
            stroke={tokens[toneOf(trick)]}
            strokeWidth={i === at ? 4 : 1.5}
            vectorEffect="non-scaling-stroke"
          />
        ))}
      </svg>
      <Box sx={{ display: "flex", justifyContent: "space-between", px: 0.5, fontSize: "0.78rem" }} className="num">
        {[0, 0.25, 0.5, 0.75, 1].map((part) => (
          <span key={part}>{momentText(fromS - pack.fromS + part * (toS - fromS))}</span>
        ))}
      </Box>
    </Box>
  );
}

/** From each name to its frame. */
function Leaders({ from, to }: { from: readonly number[]; to: readonly number[] }) {
  const { tokens } = useTheme();
  return (
    <Box component="svg" viewBox="0 0 1 1" preserveAspectRatio="none" aria-hidden sx={leaderSx}>
      {from.map((x, i) => (
        <line key={i} x1={x} y1={0} x2={to[i]} y2={1} stroke={tokens.ink} vectorEffect="non-scaling-stroke" />
      ))}
    </Box>
  );
}

/** The stop error of a turn; nothing of what is none. */
function noteOf(trick: FoundTrick): string {
  return endsRound(trick) ? signedDeg(trick.measures.stopErrorDeg) : "\u00a0";
}

/** Room that a name takes, as a share of the strip. */
const NAME = 0.112;
const IN_A_ROW = Math.floor(1 / NAME);
/** Between the names and the frames; on a phone the names stand in order by themselves. */
const leaderSx = { display: { xs: "none", md: "block" }, width: 1, height: 14 };

/** Where each name stands: over its frame where there is room, else moved aside just so far that none covers another. */
function placedNames(middles: readonly number[]) {
  const rowCount = Math.max(1, Math.ceil(middles.length / IN_A_ROW));
  const places = middles.map((x, i) => ({ x, row: i % rowCount }));
  for (let row = 0; row < rowCount; row++) {
    const own = places.filter((one) => one.row === row);
    let least = NAME / 2;
    for (const one of own) {
      one.x = Math.max(one.x, least);
      least = one.x + NAME;
    }
    let most = 1 - NAME / 2;
    for (const one of own.reverse()) {
      one.x = Math.min(one.x, most);
      most = one.x - NAME;
    }
  }
  return { places, rowCount };
}
