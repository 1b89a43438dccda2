"use client";

import { memo } from "react";
import { GAP_DAYS, windowOf } from "@/core";
import { directionNames } from "@/syllabus";
import { Link } from "@/ui/actions/link";
import { Box } from "@/ui/layout/box";
import { RateBar, StateMark } from "@/ui/marks/marks";
import { daysAgo } from "@/ui/moment/moment";
import { capital, percent, percentRange } from "@/words";
import { Depths } from "./depths";
import { pressing } from "./needs-coach";
import type { ShownRow } from "./shown";
import { useRow } from "./use-row";

export const compactColumns = {
  xs: "minmax(0,1fr) 104px 92px",
  lg: "minmax(150px,1fr) 104px minmax(150px,1fr) 150px minmax(230px,2fr) 92px 92px",
};
/** Height of a line with its rule, px: a finger's on a phone. */
export const LINE_PX = { xs: 45, lg: 25 } as const;
/** Directions that have room for a rate each. */
const MOST_RATES = 2;

const wide = { display: { xs: "none", lg: "block" } } as const;
const clipped = { overflow: "hidden", textOverflow: "ellipsis", whiteSpace: "nowrap" } as const;

/** A pilot of a large squad in one line; on a phone the name, the depth and what comes next. */
export const CompactRow = memo(function CompactRow({ row }: { row: ShownRow }) {
  const { glance } = row;
  const { syllabus, current, step, advice, next, to } = useRow(row);
  const { idleDays } = glance;
  const [first] = row.reasons;
  const why = first ? capital(first.text) : advice;
  const names = step ? directionNames(step) : {};
  return (
    <Box
      role="row"
      sx={(theme) => ({
        display: "grid",
        gridTemplateColumns: compactColumns,
        columnGap: 1.5,
        alignItems: "center",
        height: { xs: LINE_PX.xs, lg: LINE_PX.lg },
        fontSize: "0.86rem",
        lineHeight: 1.2,
        borderTop: `1px solid ${theme.tokens.rule}`,
      })}
    >
      <Box role="cell" sx={clipped}>
        <Box component={Link} href={to("/pilot")} sx={{ fontWeight: 700 }}>
          {row.name}
        </Box>
        <Box component="span" sx={{ color: "text.secondary", fontSize: "0.78rem" }}>
          {" "}
          {row.aircraftName ?? "no aircraft"}
        </Box>
      </Box>
      <Box role="cell">
        <Depths depths={glance.depths} stages={syllabus.stages} />
      </Box>
      <Box role="cell" sx={{ ...wide, ...clipped }}>
        {step && current ? (
          <>
            <StateMark state={current.advice.kind === "advance" ? "ready" : current.state} size={13} /> {step.name}
          </>
        ) : (
          <>
            <StateMark state="signed-off" size={13} /> All signed off
          </>
        )}
      </Box>
      <Box role="cell" sx={{ display: { xs: "none", lg: "grid" }, gridTemplateColumns: "1fr 1fr", gap: 1 }}>
        {current?.directions
          .slice(0, MOST_RATES)
          .map(
            (one) =>
              one.attempts > 0 && (
                <RateBar
                  key={one.direction}
                  mean={one.posterior.mean}
                  low={one.posterior.low}
                  high={one.posterior.high}
                  mark={step ? windowOf(step.mark).share : 0}
                  label={`${names[one.direction]}: clean rate ${percent(one.posterior.mean)}, 90\u202f% interval ${percentRange(one.posterior)}`}
                />
              ),
          )}
      </Box>
      <Box role="cell" title={row.reasons.map(({ text }) => text).join("; ") || why} sx={{ ...wide, ...clipped }}>
        <Box
          component="span"
          sx={(theme) => ({
            fontWeight: first ? 600 : 400,
            color: !first ? theme.tokens.inkSoft : pressing.has(first.kind) ? theme.tokens.buoyText : theme.tokens.ink,
          })}
        >
          {first && pressing.has(first.kind) && "▲ "}
          {why}
        </Box>
        {row.reasons.length > 1 && ` +${row.reasons.length - 1}`}
      </Box>
      <Box
        role="cell"
        sx={(theme) => ({
          ...wide,
          color: idleDays !== null && idleDays > GAP_DAYS ? theme.tokens.ochreText : theme.tokens.inkSoft,
        })}
      >
        {idleDays === null ? "never" : daysAgo(idleDays)}
      </Box>
      <Box role="cell" sx={{ ...clipped, textAlign: "right" }}>
        <Box component={Link} href={to(next.path)} sx={{ fontWeight: 650 }}>
          {next.says}
        </Box>
      </Box>
    </Box>
  );
});
