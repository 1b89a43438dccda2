"use client";

import Typography from "@mui/material/Typography";
import { useMemo } from "react";
import { Link } from "@/ui/actions/link";
import { Box } from "@/ui/layout/box";
import { chancePercent, markWords, percent, percentRange, placeWords } from "@/words";
import { wilsonInterval, type LearningCurve, type Tallied, DAY_MS, Z90 } from "@/core";
import { directionNames, findStep, needsOf, opensOf, partsOf, routeOf, type Step, type Syllabus } from "@/syllabus";
import { LineChart } from "@/ui/charts/chart";
import { BailCreditLine } from "@/ui/evidence/bail-credit";
import { EvidenceLine } from "@/ui/evidence/evidence-line";
import { FavouredSide } from "@/ui/evidence/favoured-side";
import { StateMark } from "@/ui/marks/marks";
import { dayAndMonth, Moment } from "@/ui/moment/moment";
import { useAtHand } from "@/ui/shell/at-hand";
import { useListener } from "@/ui/units/listener";
import { useSyllabus } from "@/ui/syllabus/use-syllabus";
import type { LookedAt, PilotData } from "./load";
import type { SoundedStep } from "./sounded";

/** One step looked at closely: what it needs and opens, the evidence per direction, raw counts by place, and how it went over the days. */
export function StepPanel({ data, looked }: { data: PilotData; looked: LookedAt }) {
  const syllabus = useSyllabus();
  const listener = useListener();
  const step = findStep(syllabus, looked.one.stepId);
  if (!step) return null;
  const { one, tallies } = looked;
  const names = directionNames(step);
  return (
    <section aria-labelledby="looked-at">
      <Typography variant="h2" id="looked-at">
        <StateMark state={one.reviewDue ? "due" : one.state} size={16} /> {step.name}
      </Typography>
      <Typography sx={{ color: "text.secondary" }}>{step.aim}</Typography>
      <Typography sx={{ mt: 0.5, fontSize: "0.92rem" }}>
        <b>Mark:</b> {markWords(step.mark, listener.units)}. <b>Clean:</b> {step.clean}.
      </Typography>
      <Neighbours syllabus={syllabus} step={step} data={data} />
      <BailCreditLine credit={one.bailCredit} />
      {one.attempts === 0 ? (
        <Typography sx={{ mt: 1 }}>Not flown yet. The brief says what to do.</Typography>
      ) : (
        <>
          <Box sx={{ my: 1 }}>
            {one.evidence.directions.map((direction) => (
              <EvidenceLine
                key={direction.direction}
                name={names[direction.direction]}
                one={direction}
                mark={step.mark}
              />
            ))}
          </Box>
          <FavouredSide imbalance={one.evidence.imbalance} names={names} />
          {one.slipping && (
            <Typography sx={(theme) => ({ fontSize: "0.9rem", color: theme.tokens.ochreText, fontWeight: 600 })}>
              ▲ Slipping: <span className="num">{one.slipping.clean}</span> of{" "}
              <span className="num">{one.slipping.all}</span> clean on the last{" "}
              <span className="num">{one.slipping.days}</span> days flown.
            </Typography>
          )}
          {one.review && (
            <Typography sx={{ fontSize: "0.9rem" }}>
              {one.reviewDue ? "Review due since" : "Review due on"} <Moment atMs={one.review.dueMs} />; now about{" "}
              <span className="num">{percent(one.review.memory)}</span> remembered.
            </Typography>
          )}
          <Places tallies={tallies} names={names} />
          <Curve looked={looked} stepName={step.name} />
        </>
      )}
    </section>
  );
}

/** Steps before it, after it, and its parts. */
function Neighbours({ syllabus, step, data }: { syllabus: Syllabus; step: Step; data: PilotData }) {
  const { hrefFor } = useAtHand();
  const route = routeOf(data.school);
  const standing = new Map(data.steps.map((one) => [one.stepId, one]));
  const lines: readonly (readonly [string, readonly Step[]])[] = [
    ["Needs", needsOf(syllabus, step, route)],
    ["Opens", opensOf(syllabus, step, route)],
    ["Parts", partsOf(syllabus, step)],
  ];
  return (
    <Box sx={{ mt: 0.5, fontSize: "0.9rem" }}>
      {lines
        .filter(([, steps]) => steps.length > 0)
        .map(([word, steps]) => (
          <Box key={word} sx={{ display: "flex", flexWrap: "wrap", columnGap: 1.5 }}>
            <Box component="span" sx={{ width: 52, color: "text.secondary" }}>
              {word}
            </Box>
            {steps.map(({ id, name }) => (
              <Box key={id} component={Link} href={hrefFor("/pilot", { step: id })} scroll={false}>
                <StateMark state={stateOf(standing.get(id))} size={11} /> {name}
              </Box>
            ))}
          </Box>
        ))}
    </Box>
  );
}

const stateOf = (one: SoundedStep | undefined) => (one?.reviewDue ? "due" : (one?.state ?? "not-begun"));

/** Raw counts by direction and place, each with the 90 % Wilson interval of its share. */
function Places({ tallies, names }: { tallies: readonly Tallied[]; names: Readonly<Record<string, string>> }) {
  const rows = tallies.map(({ direction, place, counts }) => {
    const all = Object.values(counts).reduce((sum, count) => sum + count, 0);
    return { direction, place, counts, all, interval: wilsonInterval(counts.clean, all, Z90) };
  });
  return (
    <Box sx={{ overflowX: "auto" }} tabIndex={0}>
      <Box
        component="table"
        aria-label="Attempts by direction and place"
        sx={(theme) => ({
          mt: 1.5,
          borderCollapse: "collapse",
          fontSize: "0.88rem",
          "& td, & th": { pr: 2, py: 0.5, textAlign: "left", borderBottom: `1px solid ${theme.tokens.rule}` },
          "& th": { fontWeight: 400, color: theme.tokens.inkSoft },
        })}
      >
        <thead>
          <tr>
            {["direction", "place", "clean", "of", "90\u202f% interval", "rough", "bailed", "crashed"].map((head) => (
              <th key={head} scope="col">
                {head}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {rows.map(({ direction, place, counts, all, interval }) => (
            <tr key={`${direction} ${place}`}>
              <td>{names[direction] ?? direction}</td>
              <td>{placeWords[place]}</td>
              <td className="num">{counts.clean}</td>
              <td className="num">{all}</td>
              <td className="num">{percentRange(interval)}</td>
              <td className="num">{counts.rough}</td>
              <td className="num">{counts.bailed}</td>
              <td className="num">{counts.crashed}</td>
            </tr>
          ))}
        </tbody>
      </Box>
    </Box>
  );
}

function Curve({ looked, stepName }: { looked: LookedAt; stepName: string }) {
  const { curve, setupNames } = looked;
  const drawn = useMemo(() => drawnCurve(curve, setupNames), [curve, setupNames]);
  if (curve.points.length < 2)
    return (
      <Typography sx={{ mt: 1.5, color: "text.secondary" }}>The graph appears after a second flying day.</Typography>
    );
  const { trend } = curve;
  return (
    <Box sx={{ mt: 2 }}>
      <Typography component="h3" sx={{ fontWeight: 700 }}>
        Clean rate over the days
      </Typography>
      <LineChart
        label={`${stepName}: clean rate at the end of each flying day with its 90\u202f% interval`}
        lines={drawn.lines}
        x={drawn.x}
        y={{ name: "clean, %", min: 0, max: 100 }}
        marks={drawn.marks}
        height={230}
        namesAtEnds={false}
        tickX={dayName}
        tickY={(value) => `${value}`}
        formatX={dayName}
        formatY={(value) => `${Math.round(value)}\u202f%`}
      />
      <Typography sx={{ fontSize: "0.88rem", color: "text.secondary" }}>
        Solid: the rate as far as the attempts tell; dotted: its 90&#8239;% interval.
        {trend && (
          <>
            {" "}
            Later half <span className="num">{trend.after.clean}</span> of{" "}
            <span className="num">{trend.after.attempts}</span> clean, earlier half{" "}
            <span className="num">{trend.before.clean}</span> of <span className="num">{trend.before.attempts}</span>:{" "}
            {trend.chanceBetter >= 0.5 ? "better" : "worse"} with{" "}
            <span className="num">{chancePercent(Math.max(trend.chanceBetter, 1 - trend.chanceBetter))}</span> chance.
          </>
        )}
        {curve.gaps.map(({ fromMs, days }) => (
          <span key={fromMs}>
            {" "}
            Gap of <span className="num">{days}</span> days from {dayName(fromMs / DAY_MS)}.
          </span>
        ))}
      </Typography>
    </Box>
  );
}

function dayName(day: number): string {
  const date = new Date(day * DAY_MS);
  return dayAndMonth(date.getUTCDate(), date.getUTCMonth());
}

function drawnCurve({ points, setupChanges, gaps }: LearningCurve, setupNames: Readonly<Record<string, string>>) {
  const line = (pick: (point: LearningCurve["points"][number]) => number) =>
    points.map((point) => [point.atMs / DAY_MS, 100 * pick(point)] as const);
  const from = Math.floor(points[0]?.atMs / DAY_MS) || 0;
  const to = Math.ceil((points.at(-1)?.atMs ?? 0) / DAY_MS);
  return {
    lines: [
      { name: "clean rate", points: line(({ mean }) => mean), look: "solid", colour: "shoal" },
      { name: "at least", points: line(({ low }) => low), look: "dotted", colour: "slate" },
      { name: "at most", points: line(({ high }) => high), look: "dotted", colour: "slate" },
    ] as const,
    x: { name: "", min: from, max: Math.max(to, from + 1) },
    marks: [
      ...setupChanges.map(({ atMs, setupId }) => ({
        at: atMs / DAY_MS,
        axis: "x" as const,
        text: setupNames[setupId ?? ""] ?? "no setup",
      })),
      ...gaps.map(({ toMs, days }) => ({ at: toMs / DAY_MS, axis: "x" as const, text: `after ${days} days` })),
    ],
  };
}
