"use client";

import { useTheme } from "@mui/material/styles";
import { scaleLinear } from "d3-scale";
import { line } from "d3-shape";
import { toWorld, type Trace } from "@/core";
import { usePreferences } from "../theme/preferences";
import { formatQuantity, quantityText } from "@/words";

export interface SideViewProps {
  readonly trace: Trace;
  /** Numbered places along the path: phases of the trick. */
  readonly phases: readonly { readonly number: number; readonly sample: number }[];
  /** A height line that matters, with its words. */
  readonly level: { readonly heightM: number; readonly text: string } | null;
  readonly cursor: number | null;
  /** Seconds between two attitude marks. */
  readonly everyS: number;
}

const WIDTH = 440;
const HEIGHT = 330;
const PAD = { left: 48, right: 26, top: 22, bottom: 30 };

/**
 * The path from the side with the aircraft drawn at equal times. Height is to scale; a trick that hardly travels is
 * spread over time along the bottom instead, so that the turn can be seen.
 */
export function SideView({ trace, phases, level, cursor, everyS }: SideViewProps) {
  const { tokens } = useTheme();
  const { units } = usePreferences();
  const highest = Math.max(...trace.heightM, level?.heightM ?? 0);
  const lowest = Math.min(...trace.heightM, level?.heightM ?? highest);
  const span = Math.max(2, highest - lowest);
  const top = highest + 0.12 * span;
  // High above the ground the picture is cut off below the path, and says so.
  const cut = lowest > 1.2 * span;
  const bottom = cut ? lowest - 0.3 * span : 0;
  const y = scaleLinear([bottom, top], [HEIGHT - PAD.bottom, PAD.top]);
  const durationS = trace.timeS[trace.timeS.length - 1];
  const xAt = scaleLinear([0, durationS], [PAD.left, WIDTH - PAD.right]);
  const x = (i: number) => xAt(trace.timeS[i]);
  const way = line<number>(
    (_, i) => x(i),
    (heightM) => y(heightM),
  ).digits(1);
  const perUnit = units === "metric" ? 1 : 0.3048;
  const lines = scaleLinear([bottom / perUnit, top / perUnit], [0, 1])
    .ticks(5)
    .map((tick) => tick * perUnit)
    .filter((heightM) => heightM > bottom);
  // Room at the bottom for the words there.
  const shown = lines.filter((heightM) => y(heightM) < HEIGHT - PAD.bottom - 24);
  const stride = Math.max(1, Math.round(everyS / trace.sampleS));
  const glyphs = trace.timeS.map((_, i) => i).filter((i) => i % stride === 0);
  const last = trace.timeS.length - 1;
  const endsOnGround = trace.heightM[last] <= 0;
  const groundY = HEIGHT - PAD.bottom;
  return (
    <svg
      viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
      width="100%"
      role="img"
      aria-label={`Height over time: highest point ${quantityText(Math.max(...trace.heightM), "length", units)}, lowest ${quantityText(Math.min(...trace.heightM), "length", units)}`}
    >
      {shown.map((heightM) => (
        <g key={heightM}>
          <line
            x1={PAD.left}
            x2={WIDTH - PAD.right}
            y1={y(heightM)}
            y2={y(heightM)}
            stroke={tokens.rule}
            strokeWidth="1"
          />
          <text
            className="num"
            x={PAD.left - 6}
            y={y(heightM) + 4}
            textAnchor="end"
            fontSize="10"
            fill={tokens.inkSoft}
          >
            {quantityText(heightM, "length", units, 0)}
          </text>
        </g>
      ))}
      <rect x={PAD.left} y={groundY} width={WIDTH - PAD.left - PAD.right} height={PAD.bottom} fill={tokens.depths[1]} />
      {cut ? (
        <>
          <path d={breakLine(groundY)} fill="none" stroke={tokens.ink} strokeWidth="1.5" />
          <text x={PAD.left + 6} y={groundY - 10} fontSize="11" fill={tokens.ink}>
            ground {quantityText(lowest, "length", units)} below the lowest point
          </text>
        </>
      ) : (
        <line x1={PAD.left} x2={WIDTH - PAD.right} y1={groundY} y2={groundY} stroke={tokens.ink} strokeWidth="2" />
      )}
      {xAt.ticks(8).map((timeS) => (
        <text
          key={timeS}
          className="num"
          x={xAt(timeS)}
          y={HEIGHT - 10}
          fontSize="10"
          textAnchor="middle"
          fill={tokens.ink}
        >
          {formatQuantity(timeS, "time", units, 1).value}
        </text>
      ))}
      {level && (
        <g>
          <line
            x1={PAD.left}
            x2={WIDTH - PAD.right}
            y1={y(level.heightM)}
            y2={y(level.heightM)}
            stroke={tokens.buoyText}
            strokeWidth="1.5"
            strokeDasharray="6 4"
          />
          <text
            x={WIDTH - PAD.right}
            y={groundY - 10}
            textAnchor="end"
            fontSize="11"
            fontWeight="650"
            fill={tokens.buoyText}
          >
            - - {level.text}
          </text>
        </g>
      )}
      <path
        d={way(trace.heightM) ?? undefined}
        fill="none"
        stroke={tokens.shoal}
        strokeWidth="2"
        strokeOpacity="0.75"
      />
      {glyphs.map((i) => (
        <Glyph key={i} trace={trace} sample={i} x={x(i)} y={y(trace.heightM[i])} strong={false} />
      ))}
      {endsOnGround && (
        <path
          d={`M${x(last) - 8} ${groundY - 8}l16 16m0 -16l-16 16`}
          stroke={tokens.buoyText}
          strokeWidth="4"
          fill="none"
        >
          <title>hits the ground</title>
        </path>
      )}
      {cursor !== null && <Glyph trace={trace} sample={cursor} x={x(cursor)} y={y(trace.heightM[cursor])} strong />}
      {phases.map(({ number, sample }) => (
        <g key={number}>
          <line
            x1={x(sample)}
            x2={x(sample)}
            y1={PAD.top - 4}
            y2={y(trace.heightM[sample])}
            stroke={tokens.ink}
            strokeWidth="0.8"
            strokeDasharray="2 3"
          />
          <circle cx={x(sample)} cy={PAD.top - 10} r="9" fill={tokens.ink} />
          <text x={x(sample)} y={PAD.top - 6} textAnchor="middle" fontSize="11" fontWeight="700" fill={tokens.paper}>
            {number}
          </text>
        </g>
      ))}
    </svg>
  );
}

/** The aircraft from its left: a bar from tail to nose, the nose a dot, a short mast the way its thrust pushes. */
function Glyph({
  trace,
  sample,
  x,
  y,
  strong,
}: {
  trace: Trace;
  sample: number;
  x: number;
  y: number;
  strong: boolean;
}) {
  const { tokens } = useTheme();
  const attitude = { w: trace.qw[sample], x: trace.qx[sample], y: trace.qy[sample], z: trace.qz[sample] };
  const nose = toWorld(attitude, { x: 1, y: 0, z: 0 });
  const up = toWorld(attitude, { x: 0, y: 0, z: -1 });
  const size = strong ? 17 : 10;
  const to = (v: { x: number; z: number }, length: number) => [x + v.x * length, y + v.z * length] as const;
  const [noseX, noseY] = to(nose, size);
  const [tailX, tailY] = to(nose, -size);
  const [mastX, mastY] = to(up, size * 0.75);
  return (
    <g>
      <line
        x1={tailX}
        y1={tailY}
        x2={noseX}
        y2={noseY}
        stroke={tokens.ink}
        strokeWidth={strong ? 4 : 3}
        strokeLinecap="butt"
      />
      <line x1={x} y1={y} x2={mastX} y2={mastY} stroke={tokens.shoal} strokeWidth="2" />
      <circle cx={noseX} cy={noseY} r={strong ? 4.5 : 3.2} fill={tokens.buoy} />
    </g>
  );
}

/** A zigzag: the picture is cut off here. */
function breakLine(y: number): string {
  const teeth = 24;
  const width = (WIDTH - PAD.left - PAD.right) / teeth;
  const points = Array.from({ length: teeth + 1 }, (_, i) => `${PAD.left + i * width} ${y + (i % 2 ? -3 : 3)}`);
  return `M${points.join("L")}`;
}
