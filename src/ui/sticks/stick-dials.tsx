"use client";

import Typography from "@mui/material/Typography";
import { useTheme } from "@mui/material/styles";
import type { Trace } from "@/core";
import { Box } from "../layout/box";
import { handName, onDial, stickModes, type Hand } from "./modes";

/** A phase of the trick as it is numbered along the sticks and in the text. */
export interface NumberedPhase {
  readonly number: number;
  /** Index of the trace's sample at which the stick has come where this phase wants it. */
  readonly sample: number;
}

type StickTrace = Pick<Trace, "stickRoll" | "stickPitch" | "stickYaw" | "stickThrottle">;

interface StickDialsProps {
  readonly trace: StickTrace;
  readonly stickMode: number;
  readonly phases: readonly NumberedPhase[];
  /** Sample shown as the present position; null shows the whole path only. */
  readonly cursor: number | null;
}

const RADIUS = 92;
const CENTRE = 110;

/** Both sticks of one stick mode over time: a dial a hand, the trail fading towards the past, phase numbers along it. */
export function StickDials({ trace, stickMode, phases, cursor }: StickDialsProps) {
  const mode = stickModes[stickMode];
  return (
    <Box sx={{ display: "flex", gap: 1, justifyContent: "space-between" }}>
      {(["left", "right"] as const).map((side) => (
        <Dial key={side} side={side} hand={mode[side]} trace={trace} phases={phases} cursor={cursor} />
      ))}
    </Box>
  );
}

function Dial({
  side,
  hand,
  trace,
  phases,
  cursor,
}: {
  side: string;
  hand: Hand;
  trace: StickTrace;
  phases: readonly NumberedPhase[];
  cursor: number | null;
}) {
  const { tokens } = useTheme();
  const at = (i: number) => {
    const { x, y } = onDial(hand, {
      roll: trace.stickRoll[i],
      pitch: trace.stickPitch[i],
      yaw: trace.stickYaw[i],
      throttle: trace.stickThrottle[i],
    });
    return { x: CENTRE + x * (RADIUS - 14), y: CENTRE - y * (RADIUS - 14) };
  };
  const last = cursor ?? trace.stickRoll.length - 1;
  const stops = phases.map((phase) => ({ number: phase.number, ...at(phase.sample) }));
  // A number stands where this hand's stick went, not where it merely stayed.
  const numbers = apart(stops.filter((stop, i) => distance(stop, i === 0 ? at(0) : stops[i - 1]) > 6));
  const now = at(last);
  return (
    <Box sx={{ flex: 1, minWidth: 0, textAlign: "center" }}>
      <svg
        viewBox="0 0 220 220"
        width="100%"
        style={{ maxHeight: 205 }}
        role="img"
        aria-label={`${side} hand, ${handName(hand)}: path of the stick through the trick`}
      >
        <circle cx={CENTRE} cy={CENTRE} r={RADIUS} fill={tokens.sheet} stroke={tokens.ink} strokeWidth="1.5" />
        {Array.from({ length: 24 }, (_, i) => {
          const angle = (i * Math.PI) / 12;
          const inner = i % 6 === 0 ? RADIUS - 10 : RADIUS - 5;
          return (
            <line
              key={i}
              x1={CENTRE + inner * Math.cos(angle)}
              y1={CENTRE + inner * Math.sin(angle)}
              x2={CENTRE + RADIUS * Math.cos(angle)}
              y2={CENTRE + RADIUS * Math.sin(angle)}
              stroke={tokens.ink}
              strokeWidth={i % 6 === 0 ? 1.5 : 1}
            />
          );
        })}
        <path
          d={`M${CENTRE - RADIUS + 14} ${CENTRE}H${CENTRE + RADIUS - 14}M${CENTRE} ${CENTRE - RADIUS + 14}V${CENTRE + RADIUS - 14}`}
          stroke={tokens.rule}
          strokeWidth="1.5"
        />
        {trail(last).map(([from, to], k, all) => {
          const a = at(from);
          const b = at(to);
          return (
            <line
              key={from}
              x1={a.x}
              y1={a.y}
              x2={b.x}
              y2={b.y}
              stroke={tokens.shoal}
              strokeLinecap="round"
              strokeWidth={3 + (3 * k) / all.length}
              strokeOpacity={cursor === null ? 0.55 : 0.12 + (0.7 * k) / all.length}
            />
          );
        })}
        {numbers.map(({ number, x, y, fromX, fromY }) => (
          <g key={number}>
            <line x1={fromX} y1={fromY} x2={x} y2={y} stroke={tokens.ink} strokeWidth="1" />
            <circle cx={x} cy={y} r="10" fill={tokens.ink} />
            <text x={x} y={y + 4.2} textAnchor="middle" fontSize="12" fontWeight="700" fill={tokens.paper}>
              {number}
            </text>
          </g>
        ))}
        {cursor !== null && <circle cx={now.x} cy={now.y} r="13" fill="none" stroke={tokens.buoy} strokeWidth="4" />}
      </svg>
      <Typography sx={{ fontSize: "0.85rem", fontWeight: 650 }}>{handName(hand)}</Typography>
    </Box>
  );
}

function distance(a: { x: number; y: number }, b: { x: number; y: number }): number {
  return Math.hypot(a.x - b.x, a.y - b.y);
}

/** Pieces of the trail up to a sample. */
function trail(last: number): [number, number][] {
  const stride = Math.max(1, Math.floor(last / 120));
  const pieces: [number, number][] = [];
  for (let i = 0; i < last; i += stride) pieces.push([i, Math.min(last, i + stride)]);
  return pieces;
}

/** Moves number marks that would cover one another to the side, alternately right and left. */
function apart(marks: readonly { number: number; x: number; y: number }[]) {
  const placed: { number: number; x: number; y: number; fromX: number; fromY: number }[] = [];
  for (const mark of marks) {
    let { x } = mark;
    for (let tries = 1; placed.some((other) => Math.hypot(other.x - x, other.y - mark.y) < 21) && tries < 9; tries++) {
      x = mark.x + (tries % 2 ? 1 : -1) * 23 * Math.ceil(tries / 2);
    }
    placed.push({ number: mark.number, x, y: mark.y, fromX: mark.x, fromY: mark.y });
  }
  return placed;
}
