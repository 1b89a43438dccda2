"use client";

import { useTheme } from "@mui/material/styles";
import { planShapes, type PlanFeature, type PlanPoint, type SitePlan } from "@/core";

/** The site as it is drawn, under a line that is flown there. `at` puts a place of the plan on the picture, px. */
export function SiteUnder({ plan, at }: { plan: SitePlan; at: (point: PlanPoint) => readonly [x: number, y: number] }) {
  const { tokens } = useTheme();
  const outline = (points: readonly PlanPoint[]) =>
    points.map((point) => at(point).map(Math.round).join(",")).join(" ");
  const area = ({ kind, ground, points }: PlanFeature) => {
    const fills: Partial<Record<PlanFeature["kind"], string>> = {
      boundary: tokens.paper,
      building: tokens.rule,
      ground: ground === "water" ? tokens.depths[3] : "none",
    };
    return (
      <polygon
        points={outline(points)}
        fill={fills[kind] ?? "none"}
        stroke={kind === "no-go" ? tokens.buoyText : tokens.slate}
        strokeWidth="1.5"
        strokeDasharray={kind === "boundary" || kind === "no-go" ? "6 4" : undefined}
      />
    );
  };
  const place = ([point]: readonly PlanPoint[]) => {
    const [x, y] = at(point);
    return <circle cx={x} cy={y} r="3" fill={tokens.slate} />;
  };
  const draw = (feature: PlanFeature) => {
    switch (planShapes[feature.kind]) {
      case "area":
        return area(feature);
      case "line":
        return <polyline points={outline(feature.points)} fill="none" stroke={tokens.slate} strokeWidth="2.5" />;
      case "point":
        return place(feature.points);
    }
  };
  // What is stood on goes under what stands on it.
  const order: readonly PlanFeature["kind"][] = ["ground", "boundary"];
  const under = [...plan.features].sort((a, b) => rank(order, a) - rank(order, b));
  return (
    <>
      {under.map((feature) => (
        <g key={feature.id}>{draw(feature)}</g>
      ))}
      {plan.courses.flatMap(({ id, poles }) =>
        poles.map((pole) => {
          const [x, y] = at(pole);
          return <circle key={`${id} ${pole.id}`} cx={x} cy={y} r="2.5" fill="none" stroke={tokens.slate} />;
        }),
      )}
    </>
  );
}

const rank = (order: readonly PlanFeature["kind"][], { kind }: PlanFeature) =>
  order.includes(kind) ? order.indexOf(kind) : order.length;
