"use client";

import { useTheme } from "@mui/material/styles";
import useMediaQuery from "@mui/material/useMediaQuery";
import { scaleLinear, type ScaleLinear } from "d3-scale";
import { area, line } from "d3-shape";
import { useMemo } from "react";
import { indexAt, type LineFlight, type LineItem } from "@/core";
import { usePreferences } from "@/ui/theme/preferences";
import { quantityText } from "@/words";
import { trickNumbers } from "./numbered";
import { wayOf } from "./sheet";

/** Drawing units across; text keeps its size. On a phone the drawing is narrower. */
const WIDE = 1080;
const NARROW = 420;
const HEIGHT = 230;
const PAD = { left: 52, right: 8, top: 24, bottom: 38 };
/** Hatchings that tell tricks apart: angle against the upright, distance of the strokes. */
const hatchings = [
  [0, 6],
  [90, 5],
  [-45, 6],
  [70, 7],
  [45, 7],
  [20, 5],
] as const;

interface HeightProfileProps {
  readonly flight: LineFlight;
  readonly asked: readonly LineItem[];
  readonly ceilingM: number | null;
  /** Places of items that do not hold. */
  readonly broken: ReadonlySet<number>;
  readonly selected: number | null;
  readonly cursor: number | null;
  readonly onPick: (timeS: number) => void;
}

/** Height over the way flown, each trick with a hatching and number of its own. A click goes to that moment. */
export function HeightProfile(props: HeightProfileProps) {
  const { flight, ceilingM, cursor, onPick } = props;
  const { trace } = flight;
  const { tokens, breakpoints } = useTheme();
  const width = useMediaQuery(breakpoints.down("md")) ? NARROW : WIDE;
  const { units } = usePreferences();
  const way = useMemo(() => wayOf(trace), [trace]);
  const flownM = way[way.length - 1];
  const topM = Math.max(flight.measures.highestM, ceilingM !== null && ceilingM < 60 ? ceilingM : 0) * 1.06 + 0.5;
  const x = scaleLinear([0, Math.max(1, flownM)], [PAD.left, width - PAD.right]);
  const y = scaleLinear([0, topM], [HEIGHT - PAD.bottom, PAD.top]);
  const samples = trace.timeS.map((_, i) => i);
  const path = line<number>(
    (i) => x(way[i]),
    (i) => y(trace.heightM[i]),
  ).digits(1);
  return (
    <svg
      viewBox={`0 0 ${width} ${HEIGHT}`}
      width="100%"
      role="img"
      aria-label={`Height over the way: highest ${quantityText(flight.measures.highestM, "length", units)}, lowest ${quantityText(flight.measures.lowestM, "length", units)}, ${quantityText(flownM, "length", units, 0)} flown`}
      style={{ display: "block", cursor: "crosshair" }}
      onClick={(event) => {
        const box = event.currentTarget.getBoundingClientRect();
        const wanted = x.invert(((event.clientX - box.left) / box.width) * width);
        const at = way.findIndex((m) => m >= wanted);
        onPick(trace.timeS[at < 0 ? way.length - 1 : at]);
      }}
    >
      <Hatchings />
      <Axes x={x} y={y} topM={topM} flownM={flownM} />
      <TrickAreas {...props} way={way} x={x} y={y} />
      <path d={path(samples) ?? undefined} fill="none" stroke={tokens.ink} strokeWidth="2.5" />
      <line x1={PAD.left} x2={width - PAD.right} y1={y(0)} y2={y(0)} stroke={tokens.ink} strokeWidth="1.5" />
      {ceilingM !== null && ceilingM <= topM && <Ceiling ceilingM={ceilingM} y={y(ceilingM)} end={width - PAD.right} />}
      {cursor !== null && (
        <g>
          <line
            x1={x(way[cursor])}
            x2={x(way[cursor])}
            y1={PAD.top - 16}
            y2={HEIGHT - PAD.bottom}
            stroke={tokens.buoy}
            strokeWidth="2"
          />
          <circle cx={x(way[cursor])} cy={y(trace.heightM[cursor])} r="6" fill={tokens.buoy} />
        </g>
      )}
    </svg>
  );
}

interface Scales {
  readonly x: ScaleLinear<number, number>;
  readonly y: ScaleLinear<number, number>;
}

function Hatchings() {
  const { tokens } = useTheme();
  return (
    <defs>
      {hatchings.map(([deg, apart], i) => (
        <pattern
          key={i}
          id={`hatch-${i}`}
          width={apart}
          height={apart}
          patternUnits="userSpaceOnUse"
          patternTransform={`rotate(${deg})`}
        >
          <rect width={apart} height={apart} fill={i % 2 ? tokens.depths[1] : tokens.depths[2]} />
          <line x1={1} x2={1} y1={0} y2={apart} stroke={tokens.shoal} strokeWidth="1.4" />
        </pattern>
      ))}
      <pattern id="hatch-broken" width={6} height={6} patternUnits="userSpaceOnUse" patternTransform="rotate(70)">
        <rect width={6} height={6} fill={tokens.paper} />
        <line x1={1} x2={1} y1={0} y2={6} stroke={tokens.buoyText} strokeWidth="2.4" />
      </pattern>
    </defs>
  );
}

/** Heights and the way in round figures of the unit shown. */
function Axes({ x, y, topM, flownM }: Scales & { topM: number; flownM: number }) {
  const [, end] = x.range();
  const { tokens } = useTheme();
  const { units } = usePreferences();
  const perUnit = units === "metric" ? 1 : 0.3048;
  const ticks = (to: number, count: number) =>
    scaleLinear([0, to / perUnit], [0, 1])
      .ticks(count)
      .map((tick) => tick * perUnit);
  return (
    <>
      {ticks(topM, 4).map((heightM) => (
        <g key={heightM}>
          <line x1={PAD.left} x2={end} y1={y(heightM)} y2={y(heightM)} stroke={tokens.rule} />
          <text className="num" x={PAD.left - 8} y={y(heightM) + 4} textAnchor="end" fontSize="12" fill={tokens.ink}>
            {quantityText(heightM, "length", units, 0)}
          </text>
        </g>
      ))}
      {ticks(flownM, end / 130).map((m) => (
        <text
          key={m}
          className="num"
          x={x(m)}
          y={HEIGHT - 2}
          textAnchor={m === 0 ? "start" : "middle"}
          fontSize="11"
          fill={tokens.inkSoft}
        >
          {quantityText(m, "length", units, 0)}
        </text>
      ))}
    </>
  );
}

function TrickAreas({
  flight: { trace, items },
  asked,
  broken,
  selected,
  way,
  x,
  y,
}: HeightProfileProps & Scales & { way: readonly number[] }) {
  const { tokens } = useTheme();
  const numbers = trickNumbers(asked);
  const below = area<number>(
    (i) => x(way[i]),
    () => y(0),
    (i) => y(trace.heightM[i]),
  ).digits(1);
  return (
    <>
      {items.map(({ fromS, toS }, item) => {
        const number = numbers[item];
        if (number === null) return null;
        const [first, last] = [indexAt(trace, fromS), indexAt(trace, toS)];
        const own = trace.timeS.map((_, i) => i).slice(first, last + 1);
        const middle = x(0.5 * (way[own[0]] + way[own[own.length - 1]]));
        return (
          <g key={item}>
            <path
              d={below(own) ?? undefined}
              fill={broken.has(item) ? "url(#hatch-broken)" : `url(#hatch-${(number - 1) % hatchings.length})`}
              stroke={item === selected ? tokens.ink : "none"}
              strokeWidth="1.5"
            />
            <circle
              cx={middle}
              cy={HEIGHT - PAD.bottom + 14}
              r="10"
              fill={broken.has(item) ? tokens.buoyText : tokens.ink}
            />
            <text
              x={middle}
              y={HEIGHT - PAD.bottom + 18.5}
              textAnchor="middle"
              fontSize="12"
              fontWeight="700"
              fill={tokens.paper}
            >
              {number}
            </text>
          </g>
        );
      })}
    </>
  );
}

function Ceiling({ ceilingM, y, end }: { ceilingM: number; y: number; end: number }) {
  const { tokens } = useTheme();
  const { units } = usePreferences();
  return (
    <g>
      <line x1={PAD.left} x2={end} y1={y} y2={y} stroke={tokens.buoyText} strokeWidth="2" strokeDasharray="7 4" />
      <text x={end} y={y - 6} textAnchor="end" fontSize="12.5" fontWeight="650" fill={tokens.buoyText}>
        site limit {quantityText(ceilingM, "length", units, 0)}
      </text>
    </g>
  );
}
