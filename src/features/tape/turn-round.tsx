"use client";

import Typography from "@mui/material/Typography";
import { useTheme } from "@mui/material/styles";
import { endsRound, type FoundTrick, type TrickPicture } from "@/core";
import { Box } from "@/ui/layout/box";
import { foundTrickName, numeral } from "@/words";
import type { LaidOver } from "./lay-over";

const CENTRE = 160;
const RIM = 132;
const RADIUS = 116;
const RING_DPS = 200;
const OPEN = 0.06;
/** A wedge narrower than this is no more than a line. */
const LEAST_DEG = 2;

const tenths = (x: number) => Math.round(10 * x) / 10;
const at = (deg: number, radius: number) => {
  const angle = ((deg - 90) * Math.PI) / 180;
  return `${tenths(CENTRE + radius * Math.cos(angle))} ${tenths(CENTRE + radius * Math.sin(angle))}`;
};

/** A turn drawn round: round the circle the degrees turned, outward the rate, the rim where the throttle was open, the stop error as an open wedge. */
export function TurnRound({
  trick,
  picture,
  cursor,
  over = null,
}: {
  trick: FoundTrick;
  picture: TrickPicture;
  cursor: number | null;
  /** Another way of the same turn, dashed. */
  over?: LaidOver | null;
}) {
  const { tokens } = useTheme();
  const { stopErrorDeg, peakDps, turnedDeg } = trick.measures;
  const turns = endsRound(trick);
  const most = Math.ceil(Math.max(RING_DPS, peakDps, over?.trick.measures.peakDps ?? 0) / RING_DPS) * RING_DPS;
  const radius = (dps: number) => (RADIUS * Math.max(0, dps)) / most;
  const last = lastOf(picture, turnedDeg);
  const wayOf = ({ turnedDeg: angles, rateDps }: LaidOver["picture"], end: number) =>
    angles
      .slice(0, end + 1)
      .map((deg, i) => at(deg, radius(rateDps[i])))
      .join("L");
  const rings = Array.from({ length: most / RING_DPS }, (_, i) => (i + 1) * RING_DPS);
  const past = stopErrorDeg > 0;
  const said = `${numeral(Math.abs(stopErrorDeg), 0)}° ${past ? "past" : "short"}`;
  return (
    <Box>
      <svg
        viewBox="0 0 320 320"
        width="100%"
        style={{ maxHeight: 340 }}
        role="img"
        aria-label={`${foundTrickName(trick)} drawn round: ${numeral(peakDps, 0)}°/s at most${turns ? `, ${said}` : ""}`}
      >
        <circle cx={CENTRE} cy={CENTRE} r={RIM} fill={tokens.sheet} stroke={tokens.rule} />
        {turns && Math.abs(stopErrorDeg) >= LEAST_DEG && (
          <path
            d={`M${CENTRE} ${CENTRE}L${at(Math.min(0, stopErrorDeg), RIM)}A${RIM} ${RIM} 0 0 1 ${at(Math.max(0, stopErrorDeg), RIM)}Z`}
            fill={tokens.buoy}
            fillOpacity={0.28}
          />
        )}
        {rings.map((dps) => (
          <g key={dps}>
            <circle cx={CENTRE} cy={CENTRE} r={radius(dps)} fill="none" stroke={tokens.rule} strokeDasharray="4 5" />
            <text x={CENTRE + 4} y={CENTRE + radius(dps) - 3} fontSize="11" className="num" fill={tokens.ink}>
              {numeral(dps, 0)}
            </text>
          </g>
        ))}
        {openArcs(picture, last).map(([from, to]) => (
          <path
            key={from}
            d={`M${at(from, RIM + 5)}A${RIM + 5} ${RIM + 5} 0 ${to - from > 180 ? 1 : 0} 1 ${at(to, RIM + 5)}`}
            fill="none"
            stroke={tokens.buoy}
            strokeWidth="8"
          />
        ))}
        <line x1={CENTRE} y1={CENTRE} x2={CENTRE} y2={CENTRE - RIM} stroke={tokens.ink} strokeWidth="2" />
        <path
          d={`M${wayOf(picture, last)}`}
          fill="none"
          stroke={tokens.shoal}
          strokeWidth="3.5"
          strokeLinejoin="round"
        />
        {over && (
          <path
            d={`M${wayOf(over.picture, lastOf(over.picture, over.trick.measures.turnedDeg))}`}
            fill="none"
            stroke={tokens.ink}
            strokeWidth="2"
            strokeDasharray="7 5"
            strokeLinejoin="round"
          />
        )}
        {cursor !== null && cursor <= last && (
          <circle
            {...dot(picture.turnedDeg[cursor], radius(picture.rateDps[cursor]))}
            r="7"
            fill={tokens.buoy}
            stroke={tokens.sheet}
            strokeWidth="2"
          />
        )}
      </svg>
      {turns && (
        <Typography align="center" sx={{ fontWeight: 700 }}>
          <span className="num">{said}</span>
        </Typography>
      )}
      <Typography sx={{ fontSize: "0.88rem", color: "text.secondary" }}>
        Round the circle: degrees turned, from the top. Outward: the rate, °/s. Rim: throttle open.
        {over && ` Dashed: ${over.name}.`}
      </Typography>
    </Box>
  );
}

/** Where a turn has come to its stop. */
function lastOf({ turnedDeg: angles }: LaidOver["picture"], turnedDeg: number): number {
  const stop = angles.findIndex((deg) => deg >= turnedDeg - 1);
  return stop < 0 ? angles.length - 1 : stop;
}

function dot(deg: number, radius: number) {
  const [cx, cy] = at(deg, radius).split(" ").map(Number);
  return { cx, cy };
}

/** Angles between which the throttle was open, of the last time round. */
function openArcs({ turnedDeg, stickThrottle }: TrickPicture, last: number): readonly (readonly [number, number])[] {
  const arcs: (readonly [number, number])[] = [];
  let from: number | null = null;
  for (let i = 0; i <= last; i++) {
    const open = stickThrottle[i] > OPEN && turnedDeg[i] > 0;
    if (open && from === null) from = turnedDeg[i];
    if ((!open || i === last) && from !== null) {
      if (turnedDeg[i] - from > 1) arcs.push([from, Math.min(from + 359, turnedDeg[i])]);
      from = null;
    }
  }
  return arcs;
}
