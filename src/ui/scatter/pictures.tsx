"use client";

import { useTheme } from "@mui/material/styles";
import { scaleLinear } from "d3-scale";
import { line } from "d3-shape";
import type { ScatterRun } from "@/core";
import { quantityText } from "@/words";
import { Box } from "../layout/box";
import { usePreferences } from "../theme/preferences";
import { numberFont } from "../theme/tokens";

const WIDTH = 420;
const HEIGHT = 190;
const EDGE = { left: 40, bottom: 22, top: 8, right: 8 };

/** Paths of the first runs from the side: clean ones solid, the others dashed. */
export function Cloud({ runs }: { runs: readonly ScatterRun[] }) {
  const { tokens } = useTheme();
  const { units } = usePreferences();
  const perUnit = units === "metric" ? 1 : 0.3048;
  const drawn = runs.flatMap(({ path, failure }) => (path ? [{ path, clean: failure === null }] : []));
  const alongs = drawn.flatMap(({ path }) => path.map(([along]) => along));
  const least = Math.min(...alongs) - 1;
  const most = Math.max(...alongs) + 1;
  const top = Math.max(...drawn.flatMap(({ path }) => path.map(([, , height]) => height))) * 1.08;
  // To scale: a metre up is as long as a metre along.
  const scale = Math.min((WIDTH - EDGE.left - EDGE.right) / (most - least), (HEIGHT - EDGE.top - EDGE.bottom) / top);
  const middle = EDGE.left + (WIDTH - EDGE.left - EDGE.right - scale * (most - least)) / 2;
  const x = scaleLinear([least, most], [middle, middle + scale * (most - least)]);
  const y = scaleLinear([0, top], [HEIGHT - EDGE.bottom, HEIGHT - EDGE.bottom - scale * top]);
  const way = line<readonly [number, number, number]>(
    ([along]) => x(along),
    ([, , height]) => y(height),
  ).digits(1);
  return (
    <Box component="figure" sx={{ m: 0 }}>
      <svg
        viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
        width="100%"
        role="img"
        aria-label={`Paths of ${drawn.length} runs from the side`}
      >
        {scaleLinear([0, top / perUnit], [0, 1])
          .ticks(4)
          .map((tick) => tick * perUnit)
          .map((height) => (
            <g key={height}>
              <line x1={EDGE.left} x2={WIDTH - EDGE.right} y1={y(height)} y2={y(height)} stroke={tokens.rule} />
              <text
                x={EDGE.left - 5}
                y={y(height) + 3}
                textAnchor="end"
                fontSize="10"
                fontFamily={numberFont}
                fill={tokens.ink}
              >
                {quantityText(height, "length", units, Number.isInteger(height / perUnit) ? 0 : 1)}
              </text>
            </g>
          ))}
        {drawn.map(({ path, clean }, i) => (
          <path
            key={i}
            d={way(path) ?? undefined}
            fill="none"
            stroke={clean ? tokens.shoal : tokens.buoy}
            strokeWidth={clean ? 1 : 1.3}
            strokeDasharray={clean ? undefined : "4 3"}
            strokeOpacity={clean ? 0.55 : 0.85}
          />
        ))}
        <line x1={EDGE.left} x2={WIDTH - EDGE.right} y1={y(0)} y2={y(0)} stroke={tokens.ink} strokeWidth="2" />
      </svg>
      <Box component="figcaption" sx={{ fontSize: "0.82rem", color: "text.secondary" }}>
        The first <span className="num">{drawn.length}</span> runs from the side, to scale; dashed: not clean.
      </Box>
    </Box>
  );
}

const BARS = 24;

/** How far past or short of the mark the runs stop. */
export function StopSpread({ errorsDeg, withinDeg }: { errorsDeg: readonly number[]; withinDeg: number | null }) {
  const { tokens } = useTheme();
  const sorted = [...errorsDeg].sort((a, b) => a - b);
  const at = (share: number) => sorted[Math.min(sorted.length - 1, Math.floor(share * sorted.length))];
  const reach = Math.max(10, 1.3 * (withinDeg ?? 0), Math.abs(at(0.01)), Math.abs(at(0.99)));
  const width = (2 * reach) / BARS;
  const counts = Array.from({ length: BARS }, () => 0);
  for (const one of errorsDeg) {
    const bar = Math.floor((one + reach) / width);
    if (bar >= 0 && bar < BARS) counts[bar]++;
  }
  const tallest = Math.max(...counts, 1);
  const x = scaleLinear([-reach, reach], [EDGE.left, WIDTH - EDGE.right]);
  const height = HEIGHT - 50;
  return (
    <Box component="figure" sx={{ m: 0 }}>
      <svg viewBox={`0 0 ${WIDTH} ${HEIGHT - 20}`} width="100%" role="img" aria-label="Spread of the stop">
        {counts.map((count, i) => {
          const from = -reach + i * width;
          const clean = withinDeg === null || Math.abs(from + width / 2) <= withinDeg;
          return (
            <rect
              key={i}
              x={x(from) + 0.5}
              width={Math.max(0, x(from + width) - x(from) - 1)}
              y={height - (count / tallest) * (height - 10)}
              height={(count / tallest) * (height - 10)}
              fill={clean ? tokens.shoal : "none"}
              stroke={clean ? tokens.shoal : tokens.buoy}
              strokeWidth="1.3"
            />
          );
        })}
        {withinDeg !== null &&
          [-withinDeg, withinDeg].map((deg) => (
            <line
              key={deg}
              x1={x(deg)}
              x2={x(deg)}
              y1={4}
              y2={height}
              stroke={tokens.ochreText}
              strokeDasharray="5 3"
              strokeWidth="1.5"
            />
          ))}
        <line x1={EDGE.left} x2={WIDTH - EDGE.right} y1={height} y2={height} stroke={tokens.ink} strokeWidth="1.5" />
        {x.ticks(6).map((deg) => (
          <text
            key={deg}
            x={x(deg)}
            y={height + 14}
            textAnchor="middle"
            fontSize="10"
            fontFamily={numberFont}
            fill={tokens.ink}
          >
            {deg > 0 ? `+${deg}` : deg}°
          </text>
        ))}
      </svg>
      <Box component="figcaption" sx={{ fontSize: "0.82rem", color: "text.secondary" }}>
        Where it stops, short of the mark to past it{withinDeg !== null && "; filled: within what counts as clean"}.
      </Box>
    </Box>
  );
}

const TRADE = { width: 240, height: 130, left: 34, right: 10, top: 8, bottom: 34 };

/** The trade of one knob: clean share where it was tried, where it stands now and where it is proposed to. */
export function TradePlot({
  name,
  points,
  now,
  proposed,
  text,
}: {
  name: string;
  points: readonly (readonly [value: number, share: number])[];
  now: number;
  proposed: number | null;
  text: (value: number) => string;
}) {
  const { tokens } = useTheme();
  const values = [...points.map(([value]) => value), now];
  const [least, most] = [Math.min(...values), Math.max(...values)];
  const x = scaleLinear([least, most === least ? least + 1 : most], [TRADE.left, TRADE.width - TRADE.right]);
  const y = scaleLinear([0, 1], [TRADE.height - TRADE.bottom, TRADE.top]);
  const marks = [
    { value: now, words: "now", dash: "2 3" },
    ...(proposed !== null && proposed !== now ? [{ value: proposed, words: "proposed", dash: undefined }] : []),
  ];
  return (
    <Box component="figure" sx={{ m: 0 }}>
      <svg
        viewBox={`0 0 ${TRADE.width} ${TRADE.height}`}
        width={TRADE.width}
        role="img"
        aria-label={`${name}: clean share where it was tried`}
      >
        {[0, 0.5, 1].map((share) => (
          <g key={share}>
            <line x1={TRADE.left} x2={TRADE.width - TRADE.right} y1={y(share)} y2={y(share)} stroke={tokens.rule} />
            <text
              x={TRADE.left - 4}
              y={y(share) + 3}
              textAnchor="end"
              fontSize="9"
              fontFamily={numberFont}
              fill={tokens.ink}
            >
              {100 * share}&#8239;%
            </text>
          </g>
        ))}
        {marks.map(({ value, dash }) => (
          <line
            key={value}
            x1={x(value)}
            x2={x(value)}
            y1={TRADE.top}
            y2={TRADE.height - TRADE.bottom}
            stroke={tokens.buoy}
            strokeWidth="1.5"
            strokeDasharray={dash}
          />
        ))}
        {points.map(([value, share], i) => (
          <circle key={i} cx={x(value)} cy={y(share)} r="3.5" fill={tokens.shoal} />
        ))}
        {[least, most].map((value, i) => (
          <text
            key={i}
            x={x(value)}
            y={TRADE.height - TRADE.bottom + 13}
            textAnchor={i === 0 ? "start" : "end"}
            fontSize="9"
            fontFamily={numberFont}
            fill={tokens.ink}
          >
            {text(value)}
          </text>
        ))}
      </svg>
      <Box component="figcaption" sx={{ fontSize: "0.82rem", color: "text.secondary", maxWidth: TRADE.width }}>
        {name}: dotted, now{marks.length > 1 && "; line, proposed"}
      </Box>
    </Box>
  );
}
