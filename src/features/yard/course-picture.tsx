"use client";

import { useTheme } from "@mui/material/styles";
import { between, type PlannedCourse, type PlanPoint, type SitePlan } from "@/core";
import { SiteUnder } from "@/ui/site/site-under";
import { usePreferences } from "@/ui/theme/preferences";
import { courseNames, quantityText } from "@/words";

const WIDTH = 360;
const HEIGHT = 240;
const PAD = 26;

/** A course to scale with its pegs and the two tapes of the pole that comes next: what a phone shows without a network. */
export function CoursePicture(props: {
  plan: SitePlan;
  course: PlannedCourse;
  standing: readonly string[];
  next: string | null;
}) {
  const { plan, course, standing, next } = props;
  const { tokens } = useTheme();
  const { units } = usePreferences();
  const { poles, pegs } = course;
  const at = framed([...poles, ...(pegs ?? [])]);
  const pole = poles.find(({ id }) => id === next) ?? null;
  const mark = (point: PlanPoint, text: string, full: boolean) => {
    const [x, y] = at(point);
    return (
      <g key={text}>
        <circle cx={x} cy={y} r="10" fill={full ? tokens.shoal : tokens.paper} stroke={tokens.ink} strokeWidth="2" />
        <text
          x={x}
          y={y + 4}
          textAnchor="middle"
          fontSize="11.5"
          fontWeight="700"
          fill={full ? tokens.paper : tokens.ink}
        >
          {text}
        </text>
      </g>
    );
  };
  return (
    <svg
      viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
      width="100%"
      role="img"
      aria-label={`${course.name || courseNames[course.kind]}: ${poles.length} poles${pole ? `, next ${pole.id}` : ", all standing"}`}
      style={{ display: "block", border: `1.5px solid ${tokens.ink}`, background: tokens.depths[0], maxHeight: 340 }}
    >
      <SiteUnder plan={{ ...plan, courses: [] }} at={at} />
      <polyline
        points={course.order
          .flatMap((id) => poles.find((one) => one.id === id) ?? [])
          .map((one) => at(one).join(","))
          .join(" ")}
        fill="none"
        stroke={tokens.shoal}
        strokeWidth="2"
      />
      {pegs && pole && pegs.map((peg, i) => <Tape key={i} from={at(peg)} to={at(pole)} m={between(peg, pole)} />)}
      {pegs?.map((peg, i) => {
        const [x, y] = at(peg);
        return (
          <g key={i}>
            <rect
              x={x - 8}
              y={y - 8}
              width="16"
              height="16"
              fill={tokens.ochre}
              stroke={tokens.ink}
              strokeWidth="1.5"
            />
            <text
              {...{ x, y: y + 22, textAnchor: "middle", fontSize: 11.5, fontWeight: 700 }}
              fill={tokens.ink}
              stroke={tokens.paper}
              strokeWidth="3"
              paintOrder="stroke"
            >
              {i === 0 ? "A" : "B"}
            </text>
          </g>
        );
      })}
      {poles.map((one) => mark(one, one.id, standing.includes(one.id)))}
      <text x={10} y={HEIGHT - 8} fontSize="11" fill={tokens.ink}>
        {pegs && `A to B ${quantityText(between(...pegs), "length", units, 2)}`}
      </text>
    </svg>
  );
}

/** A tape with its length. */
function Tape({ from, to, m }: { from: readonly [number, number]; to: readonly [number, number]; m: number }) {
  const { tokens } = useTheme();
  const { units } = usePreferences();
  const [x, y] = [0.5 * (from[0] + to[0]), 0.5 * (from[1] + to[1])];
  return (
    <g>
      <line
        x1={from[0]}
        y1={from[1]}
        x2={to[0]}
        y2={to[1]}
        stroke={tokens.buoyText}
        strokeWidth="2"
        strokeDasharray="6 4"
      />
      <text
        className="num"
        {...{ x, y, textAnchor: "middle", fontSize: 12.5, fontWeight: 700 }}
        fill={tokens.buoyText}
        stroke={tokens.paper}
        strokeWidth="3"
        paintOrder="stroke"
      >
        {quantityText(m, "length", units, 2)}
      </text>
    </g>
  );
}

/** Puts what is set out into the picture, as large as it goes, up as on the plan. */
function framed(points: readonly PlanPoint[]) {
  const [east, north] = [points.map(({ eastM }) => eastM), points.map(({ northM }) => northM)];
  const [west, south] = [Math.min(...east), Math.min(...north)];
  const [wide, high] = [Math.max(4, Math.max(...east) - west), Math.max(4, Math.max(...north) - south)];
  const scale = Math.min((WIDTH - 2 * PAD) / wide, (HEIGHT - 2 * PAD) / high);
  return ({ eastM, northM }: PlanPoint): readonly [x: number, y: number] => [
    WIDTH / 2 + scale * (eastM - west - wide / 2),
    HEIGHT / 2 - scale * (northM - south - high / 2),
  ];
}
