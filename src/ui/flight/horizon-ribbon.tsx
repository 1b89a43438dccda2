"use client";

import { useTheme } from "@mui/material/styles";
import { scaleLinear } from "d3-scale";
import { useMemo } from "react";
import { horizonInFrame, type Lens, type Trace } from "@/core";

interface HorizonRibbonProps {
  readonly trace: Trace;
  readonly tiltDeg: number;
  readonly lens: Lens;
  readonly cursor: number | null;
  /** First samples of the phases, drawn as notches. */
  readonly notches: readonly number[];
  readonly onPick: (sample: number) => void;
}

const WIDTH = 620;
const HEIGHT = 74;

/** What the camera's middle column sees over time: ground and sky in the height of the picture, the horizon between them. */
export function HorizonRibbon({ trace, tiltDeg, lens, cursor, notches, onPick }: HorizonRibbonProps) {
  const { tokens } = useTheme();
  const count = trace.timeS.length;
  const x = scaleLinear([0, Math.max(1, count - 1)], [0, WIDTH]);
  const ground = useMemo(() => groundPath(trace, tiltDeg, lens), [trace, tiltDeg, lens]);
  return (
    <svg
      viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
      width="100%"
      preserveAspectRatio="none"
      role="img"
      aria-label="The horizon in the picture over time"
      style={{ display: "block", border: `1.5px solid ${tokens.ink}`, cursor: "crosshair", height: HEIGHT }}
      onClick={(event) => {
        const box = event.currentTarget.getBoundingClientRect();
        onPick(Math.round(x.invert(((event.clientX - box.left) / box.width) * WIDTH)));
      }}
    >
      <rect width={WIDTH} height={HEIGHT} fill={tokens.depths[1]} />
      <path d={ground} fill={tokens.depths[4]} />
      <line
        x1={0}
        x2={WIDTH}
        y1={HEIGHT / 2}
        y2={HEIGHT / 2}
        stroke={tokens.ink}
        strokeWidth="0.8"
        strokeDasharray="3 5"
      />
      {notches.map((sample) => (
        <line key={sample} x1={x(sample)} x2={x(sample)} y1={0} y2={9} stroke={tokens.ink} strokeWidth="2" />
      ))}
      {cursor !== null && (
        <line x1={x(cursor)} x2={x(cursor)} y1={0} y2={HEIGHT} stroke={tokens.buoy} strokeWidth="3" />
      )}
    </svg>
  );
}

/** The ground in the middle column of the picture at so many moments, as one path. */
function groundPath(trace: Trace, tiltDeg: number, lens: Lens): string {
  const count = trace.timeS.length;
  const columns = Math.min(310, count);
  const width = WIDTH / columns;
  return Array.from({ length: columns }, (_, column) => {
    const i = Math.min(count - 1, Math.round((column / Math.max(1, columns - 1)) * (count - 1)));
    const attitude = { w: trace.qw[i], x: trace.qx[i], y: trace.qy[i], z: trace.qz[i] };
    const { centreHeight, slopeDeg, axisElevationDeg } = horizonInFrame(attitude, { tiltDeg, ...lens });
    const over = Math.abs(slopeDeg) > 90;
    const beyond = axisElevationDeg > 0 === over ? 1 : -1;
    const clipped = Math.max(-1, Math.min(1, centreHeight ?? beyond));
    const horizonY = HEIGHT * (0.5 - 0.5 * clipped);
    const [top, bottom] = over ? [0, horizonY] : [horizonY, HEIGHT];
    return `M${(column * width).toFixed(1)} ${top.toFixed(1)}h${(width + 0.5).toFixed(1)}V${bottom.toFixed(1)}h${(-width - 0.5).toFixed(1)}z`;
  }).join("");
}
