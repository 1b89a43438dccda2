"use client";

import { useTheme } from "@mui/material/styles";
import Typography from "@mui/material/Typography";
import { format } from "date-fns";
import { counted } from "@/words";
import type { Season } from "./load";

const WIDTH = 1080;
const LEFT = 132;
const TOP = 12;
const BAND = 30;
const DAY_MS = 86_400_000;

/** The season as a picture: stages downward, time to the right; each flying day as large as it was long and as full as it was clean, the depth signed off as a line. */
export function SeasonPicture({ season, stages }: { season: Season; stages: readonly string[] }) {
  const { tokens } = useTheme();
  const { sinceMs, nowMs, figures, setups, picture } = season;
  if (picture.days.length === 0) return null;
  // From shortly before the first flight: an empty half year says nothing.
  const fromMs = Math.max(sinceMs, picture.days[0].atMs - 7 * DAY_MS);
  const x = (atMs: number) =>
    LEFT + ((WIDTH - LEFT - 14) * (Math.max(fromMs, atMs) - fromMs)) / Math.max(DAY_MS, nowMs - fromMs);
  const y = (stage: number) => TOP + (stage + 0.5) * BAND;
  const bottom = TOP + stages.length * BAND;
  const months = monthsBetween(fromMs, nowMs);
  const line = picture.depth.map(({ atMs, stage }, i) => {
    const to = picture.depth.at(i + 1)?.atMs ?? nowMs;
    return `${i === 0 ? "M" : "L"}${x(atMs)} ${y(stage) + BAND / 2}H${x(to)}`;
  });
  const crashes = picture.days.reduce((sum, day) => sum + day.crashes, 0);
  return (
    <>
      <svg
        viewBox={`0 0 ${WIDTH} ${bottom + 40}`}
        width="100%"
        role="img"
        aria-label={`Depth over the season: ${counted(picture.signOffs.length, "sign-off")}, ${counted(setups.length, "setup")}, ${counted(figures.gaps.length, "gap")}, ${counted(crashes, "crash", "crashes")}`}
        style={{ display: "block", marginTop: 12 }}
      >
        {stages.map((name, stage) => (
          <g key={name}>
            <rect
              x={LEFT}
              y={TOP + stage * BAND}
              width={WIDTH - LEFT}
              height={BAND}
              fill={tokens.depths[Math.min(stage, tokens.depths.length - 1)]}
              fillOpacity={0.55}
            />
            <text x={0} y={y(stage) + 4} fontSize={11.5} fill={tokens.ink}>
              <tspan className="num" fill={tokens.inkSoft}>
                {stage}{" "}
              </tspan>
              {name}
            </text>
          </g>
        ))}
        {months.map((atMs) => (
          <g key={atMs}>
            <path
              d={`M${x(atMs)} ${TOP}V${bottom + 20}`}
              stroke={tokens.inkSoft}
              strokeWidth={0.6}
              strokeOpacity={0.5}
            />
            <text x={x(atMs) + 4} y={bottom + 34} fontSize={11} fill={tokens.inkSoft}>
              {format(atMs, "MMM yyyy")}
            </text>
          </g>
        ))}
        <defs>
          <pattern id="no-flight" width="7" height="7" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
            <path d="M0 0V7" stroke={tokens.ochreText} strokeWidth="1.6" />
          </pattern>
        </defs>
        <Gaps gaps={figures.gaps} x={x} bottom={bottom} />
        <path d={line.join("")} fill="none" stroke={tokens.ink} strokeWidth={2.5} />
        <Days days={picture.days} x={x} y={y} />
        {picture.signOffs
          .filter(({ atMs }) => atMs >= fromMs)
          .map(({ id, atMs, stage }) => (
            <rect key={id} x={x(atMs) - 4.5} y={y(stage) + 6} width={9} height={9} fill={tokens.ink} />
          ))}
        {setups.map(({ id, createdAtMs, number }) => (
          <g key={id}>
            <path d={`M${x(createdAtMs)} ${bottom}v8`} stroke={tokens.ink} strokeWidth={2} />
            <text
              x={x(createdAtMs)}
              y={bottom + 18}
              fontSize={10}
              textAnchor="middle"
              fill={tokens.ink}
              className="num"
            >
              {number}
            </text>
          </g>
        ))}
        <text x={0} y={bottom + 18} fontSize={11.5} fill={tokens.ink}>
          Setups
        </text>
      </svg>
      <Typography sx={{ fontSize: "0.85rem", color: "text.secondary" }}>
        Each ring is a flying day: larger with more attempts, filled by the share that was clean. ■ signed off, ✕
        crashed, hatched: no flying. The line is the deepest stage with a step signed off.
      </Typography>
    </>
  );
}

/** Each flying day of a stage. */
function Days({ days, x, y }: { days: Season["picture"]["days"]; x: Scale; y: Scale }) {
  const { tokens } = useTheme();
  const most = Math.max(...days.map(({ attempts }) => attempts));
  return days.map(({ atMs, stage, attempts, clean, crashes: hard }) => {
    const radius = 3 + 6 * Math.sqrt(attempts / most);
    const [cx, cy] = [x(atMs), y(stage)];
    return (
      <g key={`${atMs} ${stage}`}>
        <circle cx={cx} cy={cy} r={radius} fill={tokens.sheet} stroke={tokens.shoal} strokeWidth={1.5} />
        <circle cx={cx} cy={cy} r={radius * Math.sqrt(clean / attempts)} fill={tokens.shoal} />
        {hard > 0 && (
          <path
            d={`M${cx - 4} ${cy - radius - 8}l7 7m0 -7l-7 7`}
            stroke={tokens.buoyText}
            strokeWidth={2.4}
            fill="none"
          />
        )}
      </g>
    );
  });
}

/** Stretches without a flight, hatched. */
function Gaps({ gaps, x, bottom }: { gaps: Season["figures"]["gaps"]; x: Scale; bottom: number }) {
  const { tokens } = useTheme();
  return gaps.map(({ fromMs: gapMs, days }) => {
    const [left, right] = [x(gapMs + DAY_MS), x(gapMs + days * DAY_MS)];
    return (
      <g key={gapMs}>
        <rect
          x={left}
          y={TOP}
          width={Math.max(2, right - left)}
          height={bottom - TOP}
          fill="url(#no-flight)"
          opacity={0.55}
        />
        <text x={(left + right) / 2} y={TOP - 2} fontSize={10.5} textAnchor="middle" fill={tokens.ochreText}>
          {days} days
        </text>
      </g>
    );
  });
}

type Scale = (value: number) => number;

/** First days of the months between two moments. */
function monthsBetween(fromMs: number, toMs: number): readonly number[] {
  const first = new Date(fromMs);
  const months: number[] = [];
  for (let month = first.getMonth() + 1; ; month++) {
    const atMs = new Date(first.getFullYear(), month, 1).getTime();
    if (atMs > toMs) return months;
    months.push(atMs);
  }
}
