"use client";

import { useTheme } from "@mui/material/styles";
import { scaleLinear } from "d3-scale";
import { line } from "d3-shape";
import {
  alongAndAcross,
  indexAt,
  turnedLevel,
  type Line,
  type LineFlight,
  type PlanPoint,
  type SitePlan,
} from "@/core";
import type { Site } from "@/contract";
import { SiteUnder } from "@/ui/site/site-under";
import { usePreferences } from "@/ui/theme/preferences";
import { quantityText } from "@/words";
import { trickNumbers } from "./numbered";
import { placingOf } from "./on-site";

const WIDTH = 420;
const HEIGHT = 230;
const PAD = 16;
/** A round length for the scale bar takes at most this share of the width. */
const BAR_SHARE = 0.3;

interface PlanViewProps {
  readonly line: Line;
  readonly flight: LineFlight;
  readonly site: Site | null;
  /** The site drawn to scale, in the place of a circle as wide as its clear ground. */
  readonly sitePlan: SitePlan | null;
  readonly windMps: number;
  readonly broken: ReadonlySet<number>;
  readonly cursor: number | null;
}

/** How metres along and across the line of entry land on the plan. */
interface Plan {
  readonly scale: number;
  readonly at: (along: number, across: number) => readonly [x: number, y: number];
  readonly middle: readonly [x: number, y: number];
}

function planOf({ line: flown, flight: { trace } }: PlanViewProps): Plan {
  const north = (along: number, across: number) => turnedLevel(flown.headingDeg, along, across);
  const reach = [
    ...trace.northM.map((along, i) => north(along, trace.eastM[i])),
    ...flown.anchors.map(({ obstacle }) => north(obstacle.alongM, obstacle.acrossM)),
  ];
  const [south, top] = spread(reach.map(([n]) => n));
  const [west, east] = spread(reach.map(([, e]) => e));
  const scale = Math.min((WIDTH - 2 * PAD) / (east - west), (HEIGHT - 2 * PAD) / (top - south));
  const middle = [0.5 * WIDTH, 0.5 * HEIGHT] as const;
  return {
    scale,
    middle,
    at: (along, across) => {
      const [n, e] = north(along, across);
      return [middle[0] + scale * (e - 0.5 * (west + east)), middle[1] - scale * (n - 0.5 * (south + top))];
    },
  };
}

const pathOf = (points: readonly (readonly [number, number])[]) =>
  line<readonly [number, number]>()
    .x(([x]) => x)
    .y(([, y]) => y)
    .digits(1)(points) ?? undefined;

/** The line from above, to scale, north up, on the plan of its site or in the middle of its clear ground; what it is flown at stands where it is. */
export function PlanView(props: PlanViewProps) {
  const { flight, site, sitePlan, windMps, cursor } = props;
  const { trace, measures } = flight;
  const { tokens } = useTheme();
  const { units } = usePreferences();
  const plan = planOf(props);
  const points = trace.northM.map((along, i) => plan.at(along, trace.eastM[i]));
  const [startX, startY] = points[0];
  const widestM = Math.max(measures.roomAlongM, measures.roomAcrossM);
  return (
    <svg
      viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
      width="100%"
      role="img"
      aria-label={`From above: ${quantityText(measures.roomAlongM, "length", units, 0)} along, ${quantityText(measures.roomAcrossM, "length", units, 0)} across${site ? `, at ${site.name}` : ""}`}
      style={{ display: "block", border: `1.5px solid ${tokens.ink}`, background: tokens.depths[0] }}
    >
      {sitePlan && <SiteUnder plan={sitePlan} at={onPicture(props, sitePlan, plan)} />}
      {site && !sitePlan && (
        <circle
          cx={plan.middle[0]}
          cy={plan.middle[1]}
          r={plan.scale * site.roomM}
          fill={tokens.paper}
          stroke={widestM > 2 * site.roomM ? tokens.buoyText : tokens.slate}
          strokeWidth="1.5"
          strokeDasharray="6 4"
        />
      )}
      <Anchors line={props.line} plan={plan} />
      <path d={pathOf(points)} fill="none" stroke={tokens.ink} strokeWidth="2.2" />
      <Tricks {...props} points={points} />
      <circle cx={startX} cy={startY} r="5" fill={tokens.shoal} stroke={tokens.paper} />
      {cursor !== null && (
        <circle cx={points[cursor][0]} cy={points[cursor][1]} r="6.5" fill={tokens.buoy} stroke={tokens.paper} />
      )}
      <Furniture scale={plan.scale} windMps={windMps} />
      {site && (
        <text x={10} y={HEIGHT - 10} fontSize="11.5" fontWeight="650" fill={tokens.ink}>
          {site.name}
          {sitePlan ? ", from the pilot stand" : `, ${quantityText(site.roomM, "length", units, 0)} clear all round`}
        </text>
      )}
    </svg>
  );
}

/** Puts places of the site's plan where they lie beside the line. */
function onPicture({ line: { headingDeg } }: PlanViewProps, sitePlan: SitePlan, { at }: Plan) {
  const placing = placingOf(sitePlan, headingDeg);
  return (point: PlanPoint) => {
    const { alongM, acrossM } = alongAndAcross(placing.at, placing.headingDeg, point);
    return at(alongM, acrossM);
  };
}

/** What the line is flown at, with its name and height. */
function Anchors({ line: flown, plan }: { line: Line; plan: Plan }) {
  const { tokens } = useTheme();
  const { units } = usePreferences();
  return flown.anchors.map(({ id, obstacle }) => {
    const { alongM, acrossM, widthM, kind, heightM, turnedDeg = 0 } = obstacle;
    const [x, y] = plan.at(alongM, acrossM);
    const half = Math.max(3, 0.5 * plan.scale * widthM);
    return (
      <g key={id}>
        {kind === "pole" || kind === "tree" ? (
          <circle cx={x} cy={y} r={half} fill={tokens.depths[4]} stroke={tokens.ink} />
        ) : (
          <line
            x1={x - half}
            x2={x + half}
            y1={y}
            y2={y}
            stroke={tokens.ink}
            strokeWidth="4"
            transform={`rotate(${flown.headingDeg + turnedDeg} ${x} ${y})`}
          />
        )}
        <text x={x + 6} y={y - 7} fontSize="11.5" fontWeight="650" fill={tokens.ink}>
          {id} {quantityText(heightM, "length", units)}
        </text>
      </g>
    );
  });
}

/** The tricks along the path, by number. */
function Tricks({
  line: { items: asked },
  flight: { trace, items },
  broken,
  points,
}: PlanViewProps & { points: readonly (readonly [number, number])[] }) {
  const { tokens } = useTheme();
  const numbers = trickNumbers(asked);
  return items.map(({ fromS, toS }, item) => {
    const number = numbers[item];
    if (number === null) return null;
    const [x, y] = points[indexAt(trace, 0.5 * (fromS + toS))];
    return (
      <g key={item}>
        <path
          d={pathOf(points.slice(indexAt(trace, fromS), indexAt(trace, toS) + 1))}
          fill="none"
          stroke={broken.has(item) ? tokens.buoyText : tokens.shoal}
          strokeWidth="4"
        />
        <circle cx={x} cy={y} r="8" fill={broken.has(item) ? tokens.buoyText : tokens.ink} />
        <text x={x} y={y + 3.8} fontSize="10.5" fontWeight="700" textAnchor="middle" fill={tokens.paper}>
          {number}
        </text>
      </g>
    );
  });
}

/** North, the wind and a length to measure by. */
function Furniture({ scale, windMps }: { scale: number; windMps: number }) {
  const { tokens } = useTheme();
  const { units } = usePreferences();
  const perUnit = units === "metric" ? 1 : 0.3048;
  const barM =
    (scaleLinear([0, (BAR_SHARE * WIDTH) / scale / perUnit], [0, 1])
      .ticks(2)
      .at(1) ?? 1) * perUnit;
  return (
    <>
      <g stroke={tokens.ink} strokeWidth="1.6" fill="none">
        <path d={`M20 44V18m-5 7l5 -7l5 7`} />
        <path d={`M${WIDTH - 14} ${HEIGHT - 14}h${-scale * barM}m0 -4v8m${scale * barM} -8v8`} />
      </g>
      <text x={20} y={57} fontSize="11.5" fontWeight="700" textAnchor="middle" fill={tokens.ink}>
        N
      </text>
      <text className="num" x={WIDTH - 14} y={HEIGHT - 22} fontSize="11.5" textAnchor="end" fill={tokens.ink}>
        {quantityText(barM, "length", units, 0)}
      </text>
      {windMps > 0 && (
        <g>
          <path d={`M${WIDTH - 30} 14v26m-5 -8l5 8l5 -8`} stroke={tokens.ochreText} strokeWidth="2" fill="none" />
          <text x={WIDTH - 40} y={24} fontSize="11.5" fontWeight="650" textAnchor="end" fill={tokens.ochreText}>
            wind {quantityText(windMps, "speed", units, 0)}
          </text>
        </g>
      )}
    </>
  );
}

/** What is drawn round something that hardly moves, m. */
const LEAST_SPAN_M = 12;

function spread(values: readonly number[]): [number, number] {
  const low = values.reduce((least, value) => Math.min(least, value), Infinity);
  const high = values.reduce((most, value) => Math.max(most, value), -Infinity);
  const missing = Math.max(0, LEAST_SPAN_M - (high - low)) / 2 + 2;
  return [low - missing, high + missing];
}
