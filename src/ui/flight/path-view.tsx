"use client";

import { useTheme } from "@mui/material/styles";
import { scaleLinear, type ScaleLinear } from "d3-scale";
import { line } from "d3-shape";
import { memo, useMemo } from "react";
import { toWorld, type Obstacle, type Trace, type WayOut } from "@/core";
import { usePreferences } from "../theme/preferences";
import { quantityText } from "@/words";

/** From the side: way along the line of entry and height. From above: way along it and beside it. */
export type Plane = "side" | "above";

interface PathViewProps {
  readonly plane: Plane;
  readonly trace: Trace;
  readonly obstacles: readonly Obstacle[];
  /** Another flight behind it. */
  readonly ghost: Trace | null;
  readonly cursor: number | null;
  readonly everyS: number;
  /** The way of who freezes, up to where the way out ends. */
  readonly wayOut: WayOut | null;
  readonly ceilingM: number | null;
  /** Size of the drawing; text keeps its size when it is shown as wide as this. */
  readonly width: number;
  readonly height: number;
}

const PAD = { left: 46, right: 16, top: 14, bottom: 22 };
/** Room that a figure along the bottom takes. */
const LABEL = 36;
/** What is drawn round a flight that hardly moves, m. */
const LEAST_SPAN_M = 3;

/** The path to scale, from the side or from above, with the aircraft at equal times. */
export function PathView({ cursor, ...drawing }: PathViewProps) {
  const { plane, trace, obstacles, ghost, ceilingM, width, height } = drawing;
  const frame = useMemo(
    () => frameOf({ plane, trace, obstacles, ghost, ceilingM, width, height }),
    [plane, trace, obstacles, ghost, ceilingM, width, height],
  );
  const { units } = usePreferences();
  const says =
    plane === "side"
      ? `Path from the side: highest point ${quantityText(max(trace.heightM), "length", units)}, lowest ${quantityText(min(trace.heightM), "length", units)}`
      : `Path from above: furthest beside the line ${quantityText(Math.max(max(trace.eastM), -min(trace.eastM)), "length", units)}`;
  return (
    <svg viewBox={`0 0 ${width} ${height}`} width="100%" role="img" aria-label={says} style={{ display: "block" }}>
      <Drawing {...drawing} frame={frame} />
      {cursor !== null && (
        <Glyph
          plane={plane}
          trace={trace}
          sample={cursor}
          x={frame.x(trace.northM[cursor])}
          y={frame.y(upward(plane, trace)[cursor])}
          strong
        />
      )}
    </svg>
  );
}

const upward = (plane: Plane, of: Trace) => (plane === "side" ? of.heightM : of.eastM);

/** How metres land on the drawing. */
interface Frame {
  /** Drawing units to a metre. */
  readonly scale: number;
  readonly x: ScaleLinear<number, number>;
  readonly y: ScaleLinear<number, number>;
  readonly near: readonly Obstacle[];
  /** The ceiling, when it is near enough to be drawn. */
  readonly ceiling: number | null;
}

function frameOf({
  plane,
  trace,
  obstacles,
  ghost,
  ceilingM,
  width,
  height,
}: Omit<PathViewProps, "cursor" | "everyS" | "wayOut">): Frame {
  const shownTraces = ghost ? [trace, ghost] : [trace];
  const alongs = shownTraces.flatMap(({ northM }) => [min(northM), max(northM)]);
  const ups = shownTraces.flatMap((one) => [min(upward(plane, one)), max(upward(plane, one))]);
  const near = obstacles.filter(({ alongM }) => alongM > min(alongs) - 30 && alongM < max(alongs) + 30);
  const halfDepth = ({ kind, widthM }: Obstacle) => (kind === "building" || kind === "tree" ? widthM / 2 : 0.3);
  const reach = near.flatMap((one): [number, number][] => [
    [one.alongM - halfDepth(one), plane === "side" ? 0 : one.acrossM - one.widthM / 2],
    [
      one.alongM + halfDepth(one),
      plane === "side" ? Math.min(one.heightM, max(ups) + 3) : one.acrossM + one.widthM / 2,
    ],
  ]);
  const [left, right] = spread([...alongs, ...reach.map(([along]) => along)]);
  const lows = [...ups, ...reach.map(([, value]) => value)];
  const grounded = plane === "side" && min(lows) < 0.8 * (max(ups) - min(ups)) + 3;
  const ceiling = plane === "side" && ceilingM !== null && ceilingM < max(ups) + 8 ? ceilingM : null;
  const [bottom, top] = spread([...lows, ...(grounded ? [0] : []), ...(ceiling === null ? [] : [ceiling])]);
  const scale = Math.min(
    (width - PAD.left - PAD.right) / (right - left),
    (height - PAD.top - PAD.bottom) / (top - bottom),
  );
  const middleX = 0.5 * (PAD.left + width - PAD.right);
  const middleY = 0.5 * (PAD.top + height - PAD.bottom);
  const [halfX, halfY] = [0.5 * (right - left) * scale, 0.5 * (top - bottom) * scale];
  const x = scaleLinear([left, right], [middleX - halfX, middleX + halfX]);
  // From above, right of the line of entry is drawn downward, as on a chart whose north is to the right.
  const y = scaleLinear(plane === "side" ? [top, bottom] : [bottom, top], [middleY - halfY, middleY + halfY]);
  return { scale, x, y, near, ceiling };
}

/** Everything that stays while the moment moves. */
const Drawing = memo(function Drawing({
  plane,
  trace,
  ghost,
  everyS,
  wayOut,
  width,
  height,
  frame,
}: Omit<PathViewProps, "cursor"> & { readonly frame: Frame }) {
  const { scale, x, y, near, ceiling } = frame;
  const { tokens } = useTheme();
  const { units } = usePreferences();
  const up = (of: Trace) => upward(plane, of);
  const frozen = (wayOut?.frozenPath ?? []).map(
    ([along, across, heightM]) => [x(along), y(plane === "side" ? heightM : across)] as const,
  );
  const [endX, endY] = frozen[frozen.length - 1] ?? [0, 0];
  const way = (of: Trace) =>
    line<number>(
      (along) => x(along),
      (_, i) => y(up(of)[i]),
    ).digits(1)(of.northM) ?? undefined;
  const stride = Math.max(1, Math.round(everyS / trace.sampleS));
  const perUnit = units === "metric" ? 1 : 0.3048;
  /** Round lengths in the unit shown, as far as the drawing reaches, which is farther than the flight. */
  const round = (low: number, high: number, length: number) =>
    scaleLinear([low / perUnit, high / perUnit], [0, 1])
      .ticks(length / (LABEL * 0.8))
      .map((tick) => tick * perUnit);
  const ways = round(x.invert(0), x.invert(width), width);
  const grid = ways.length > 1 ? ways[1] - ways[0] : 1;
  const ups = round(Math.min(y.invert(0), y.invert(height)), Math.max(y.invert(0), y.invert(height)), height).filter(
    (value) => Math.abs(value / grid - Math.round(value / grid)) < 1e-6,
  );
  return (
    <>
      <clipPath id={`frame-${plane}`}>
        <rect x={0} y={0} width={width} height={height} />
      </clipPath>
      <g clipPath={`url(#frame-${plane})`}>
        {ways.map((along) => (
          <g key={`x${along}`}>
            <line
              x1={x(along)}
              x2={x(along)}
              y1={0}
              y2={height - PAD.bottom + 4}
              stroke={tokens.rule}
              strokeWidth="0.6"
            />
          </g>
        ))}
        {ups.map(
          (value) =>
            (plane === "above" || value >= 0) && (
              <g key={`y${value}`}>
                <line x1={PAD.left - 4} x2={width} y1={y(value)} y2={y(value)} stroke={tokens.rule} strokeWidth="0.6" />
                <text
                  className="num"
                  x={PAD.left - 8}
                  y={y(value) + 3}
                  fontSize="10"
                  textAnchor="end"
                  fill={tokens.inkSoft}
                >
                  {quantityText(value, "length", units, 0)}
                </text>
              </g>
            ),
        )}
        {plane === "side" && y(0) < height && (
          <rect
            x={PAD.left - 4}
            y={y(0)}
            width={width}
            height={height}
            fill={tokens.depths[2]}
            stroke={tokens.ink}
            strokeWidth="1.5"
          />
        )}
        {ways
          .filter((along) => x(along) > PAD.left && x(along) < width - 12)
          // Every second one, or fewer, where they would run into one another.
          .filter((along) => Math.round(along / grid) % Math.ceil(LABEL / (grid * scale)) === 0)
          .map((along) => (
            <text
              className="num"
              key={along}
              x={x(along)}
              y={height - 6}
              fontSize="10"
              textAnchor="middle"
              fill={tokens.ink}
            >
              {quantityText(along, "length", units, 0)}
            </text>
          ))}
        {near.map((one, i) => (
          <ObstacleMark key={i} obstacle={one} plane={plane} x={x} y={y} scale={scale} />
        ))}
        {ceiling !== null && (
          <g>
            <line
              x1={PAD.left}
              x2={width}
              y1={y(ceiling)}
              y2={y(ceiling)}
              stroke={tokens.buoyText}
              strokeWidth="2"
              strokeDasharray="10 4"
            />
            <text
              x={width - 6}
              y={y(ceiling) - 4}
              fontSize="11"
              textAnchor="end"
              fontWeight="650"
              fill={tokens.buoyText}
            >
              local ceiling {quantityText(ceiling, "length", units)}
            </text>
          </g>
        )}
        {ghost && <path d={way(ghost)} fill="none" stroke={tokens.slate} strokeWidth="1.8" strokeDasharray="5 4" />}
        <path d={way(trace)} fill="none" stroke={tokens.shoal} strokeWidth="2" strokeOpacity="0.8" />
        {trace.timeS.map(
          (_, i) =>
            i % stride === 0 && (
              <Glyph key={i} plane={plane} trace={trace} sample={i} x={x(trace.northM[i])} y={y(up(trace)[i])} />
            ),
        )}
        {frozen.length > 0 && (
          <g>
            <polyline
              points={frozen.map((point) => point.join(",")).join(" ")}
              fill="none"
              stroke={tokens.buoyText}
              strokeWidth="2"
              strokeDasharray="2 3"
            />
            <path d={`M${endX - 8} ${endY - 8}h16v16h-16z`} fill="none" stroke={tokens.buoyText} strokeWidth="2.5" />
            <text
              x={endX + (endX > 0.6 * width ? -13 : 13)}
              y={endY + 4}
              textAnchor={endX > 0.6 * width ? "end" : "start"}
              fontSize="11"
              fontWeight="650"
              fill={tokens.buoyText}
            >
              last safe moment, if you freeze
            </text>
          </g>
        )}
      </g>
    </>
  );
});

/** The aircraft: a bar from tail to nose, the nose a dot, and a mast the way it pushes; from above a bar across in place of the mast. */
function Glyph(props: { plane: Plane; trace: Trace; sample: number; x: number; y: number; strong?: boolean }) {
  const { plane, trace, sample, x, y, strong = false } = props;
  const { tokens } = useTheme();
  const attitude = { w: trace.qw[sample], x: trace.qx[sample], y: trace.qy[sample], z: trace.qz[sample] };
  const onPlane = (v: { x: number; y: number; z: number }) => [v.x, plane === "side" ? v.z : v.y] as const;
  const nose = onPlane(toWorld(attitude, { x: 1, y: 0, z: 0 }));
  const other = onPlane(toWorld(attitude, plane === "side" ? { x: 0, y: 0, z: -1 } : { x: 0, y: 1, z: 0 }));
  const size = strong ? 16 : 9;
  const to = ([dx, dy]: readonly [number, number], length: number) => [x + dx * length, y + dy * length] as const;
  const [noseX, noseY] = to(nose, size);
  const [tailX, tailY] = to(nose, -size);
  const [endX, endY] = to(other, size * 0.75);
  const [startX, startY] = plane === "side" ? [x, y] : to(other, -size * 0.75);
  return (
    <g>
      <line x1={tailX} y1={tailY} x2={noseX} y2={noseY} stroke={tokens.ink} strokeWidth={strong ? 4 : 2.6} />
      <line x1={startX} y1={startY} x2={endX} y2={endY} stroke={tokens.shoal} strokeWidth="2" />
      <circle cx={noseX} cy={noseY} r={strong ? 4.5 : 2.8} fill={tokens.buoy} />
    </g>
  );
}

function ObstacleMark(props: {
  obstacle: Obstacle;
  plane: Plane;
  x: (along: number) => number;
  y: (value: number) => number;
  scale: number;
}) {
  const { obstacle, plane, x, y, scale } = props;
  const { tokens } = useTheme();
  const { kind, alongM, acrossM, heightM, widthM } = obstacle;
  const look = { fill: tokens.depths[4], stroke: tokens.ink, strokeWidth: 1.2 };
  const thin = Math.max(2.5, 0.2 * scale);
  const title = <title>{kind}</title>;
  if (plane === "side") {
    if (kind === "tree") {
      const crown = Math.min(widthM / 2, heightM / 2);
      return (
        <g>
          {title}
          <rect
            x={x(alongM) - thin / 2}
            y={y(heightM - crown)}
            width={thin}
            height={y(0) - y(heightM - crown)}
            {...look}
          />
          <circle cx={x(alongM)} cy={y(heightM - crown)} r={crown * scale} {...look} />
        </g>
      );
    }
    if (kind === "bar" || kind === "gap") {
      // Seen from the end: a beam, and the post behind it.
      return (
        <g>
          {title}
          <line
            x1={x(alongM)}
            x2={x(alongM)}
            y1={y(0)}
            y2={y(heightM)}
            stroke={tokens.ink}
            strokeWidth="1"
            strokeDasharray="2 3"
          />
          <circle cx={x(alongM)} cy={y(heightM)} r={Math.max(4, 0.08 * scale)} {...look} />
        </g>
      );
    }
    const half =
      kind === "building" ? (widthM / 2) * scale : kind === "pole" ? Math.max(1.5, (widthM / 2) * scale) : thin;
    return (
      <rect x={x(alongM) - half} y={y(heightM)} width={2 * half} height={y(0) - y(heightM)} {...look}>
        {title}
      </rect>
    );
  }
  const halfAcross = (widthM / 2) * scale;
  if (kind === "tree" || kind === "pole") {
    return (
      <circle cx={x(alongM)} cy={y(acrossM)} r={Math.max(3, halfAcross)} {...look}>
        {title}
      </circle>
    );
  }
  const halfAlong = kind === "building" ? halfAcross : thin / 2;
  if (kind === "gap" || kind === "bar") {
    return (
      <g>
        {title}
        <line
          x1={x(alongM)}
          x2={x(alongM)}
          y1={y(acrossM) - halfAcross}
          y2={y(acrossM) + halfAcross}
          stroke={tokens.ink}
          strokeDasharray="3 3"
        />
        {[-1, 1].map((side) => (
          <rect key={side} x={x(alongM) - 3} y={y(acrossM) + side * halfAcross - 3} width={6} height={6} {...look} />
        ))}
      </g>
    );
  }
  return (
    <rect x={x(alongM) - halfAlong} y={y(acrossM) - halfAcross} width={2 * halfAlong} height={2 * halfAcross} {...look}>
      {title}
    </rect>
  );
}

const min = (values: readonly number[]) => values.reduce((least, value) => Math.min(least, value), Infinity);
const max = (values: readonly number[]) => values.reduce((most, value) => Math.max(most, value), -Infinity);

function spread(values: readonly number[]): [number, number] {
  const [low, high] = [min(values), max(values)];
  const missing = Math.max(0, LEAST_SPAN_M - (high - low)) / 2;
  const margin = 0.06 * (high - low) + missing;
  return [low - margin, high + margin];
}
