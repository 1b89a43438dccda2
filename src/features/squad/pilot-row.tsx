"use client";

import Button from "@mui/material/Button";
import { GAP_DAYS, windowOf } from "@/core";
import { directionNames, stepName, type Step } from "@/syllabus";
import { Link } from "@/ui/actions/link";
import { Box } from "@/ui/layout/box";
import { LastOutcomes, RateBar, StateMark } from "@/ui/marks/marks";
import { daysAgo } from "@/ui/moment/moment";
import { capital, percent, percentRange } from "@/words";
import { Depths } from "./depths";
import { pressing } from "./needs-coach";
import { LAST_SHOWN, type ShownEvidence, type ShownRow } from "./shown";
import { useRow } from "./use-row";

export const roomyColumns = {
  xs: "1fr",
  lg: "minmax(140px,0.9fr) minmax(180px,1.1fr) minmax(286px,1.5fr) minmax(250px,1.9fr) 80px",
};

/** A pilot with all that a coach asks first, in a few lines. */
export function PilotRow({ row }: { row: ShownRow }) {
  const { glance } = row;
  const { syllabus, current, step, advice, next, to } = useRow(row);
  const { idleDays } = glance;
  return (
    <Box
      role="row"
      sx={(theme) => ({
        display: "grid",
        gridTemplateColumns: roomyColumns,
        columnGap: 2,
        rowGap: 1,
        py: 1.5,
        borderTop: `1.5px solid ${theme.tokens.rule}`,
        alignItems: "start",
      })}
    >
      <Box role="cell">
        <Box component={Link} href={to("/pilot")} sx={{ fontWeight: 700, fontSize: "1.05rem" }}>
          {row.name}
        </Box>
        <Box sx={{ fontSize: "0.85rem", color: "text.secondary" }}>
          {row.aircraftName
            ? `${row.aircraftName}${row.setupNumber ? ` · setup ${row.setupNumber}` : " · no setup"}`
            : "no aircraft yet"}
        </Box>
        <Box
          sx={(theme) => ({
            fontSize: "0.85rem",
            color: idleDays !== null && idleDays > GAP_DAYS ? theme.tokens.ochreText : theme.tokens.inkSoft,
            fontWeight: idleDays !== null && idleDays > GAP_DAYS ? 650 : 400,
          })}
        >
          {idleDays === null ? "not flown yet" : `flew ${daysAgo(idleDays)}`}
        </Box>
      </Box>
      <Box role="cell">
        {current ? (
          <>
            <StateMark state={current.state} /> <b>{stepName(syllabus, current.stepId)}</b>
            <Box sx={{ my: 0.5 }}>
              <Depths depths={glance.depths} stages={syllabus.stages} />
            </Box>
            <Box sx={{ fontSize: "0.85rem", color: "text.secondary" }}>
              <span className="num">{glance.signedOff}</span> of <span className="num">{glance.steps}</span> signed off
            </Box>
          </>
        ) : (
          <>
            <StateMark state="signed-off" /> <b>All steps signed off</b>
          </>
        )}
      </Box>
      <Box role="cell" sx={{ display: "grid", gap: 0.5 }}>
        {step && current && <EvidenceGlance step={step} directions={current.directions} />}
      </Box>
      <Box role="cell">
        {row.reasons.map(({ kind, text }) => (
          <Box
            key={kind}
            sx={(theme) => ({
              fontSize: "0.92rem",
              fontWeight: 600,
              color: pressing.has(kind) ? theme.tokens.buoyText : theme.tokens.ink,
            })}
          >
            {pressing.has(kind) && "▲ "}
            {capital(text)}
          </Box>
        ))}
        <Box sx={{ fontSize: "0.88rem", color: row.reasons.length > 0 ? "text.secondary" : "text.primary" }}>
          {advice}
        </Box>
      </Box>
      <Box role="cell" sx={{ textAlign: { lg: "right" } }}>
        <Button component={Link} size="small" variant="outlined" href={to(next.path)}>
          {next.says}
        </Button>
      </Box>
    </Box>
  );
}

/** A line a direction: the last tries, the clean rate, how many. */
function EvidenceGlance({ step, directions }: { step: Step; directions: readonly ShownEvidence[] }) {
  const names = directionNames(step);
  const window = windowOf(step.mark);
  return directions.map((one) => (
    <Box
      key={one.direction}
      sx={{
        display: "grid",
        gridTemplateColumns: "72px 84px 1fr 40px",
        gap: 1,
        alignItems: "center",
        fontSize: "0.85rem",
      }}
    >
      <span>{names[one.direction]}</span>
      <LastOutcomes outcomes={one.lastOutcomes} window={Math.min(LAST_SHOWN, window.attempts)} />
      {one.attempts > 0 ? (
        <RateBar
          mean={one.posterior.mean}
          low={one.posterior.low}
          high={one.posterior.high}
          mark={window.share}
          label={`clean rate ${percent(one.posterior.mean)}, 90\u202f% interval ${percentRange(one.posterior)}`}
        />
      ) : (
        <Box component="span" sx={{ color: "text.secondary", whiteSpace: "nowrap" }}>
          not flown
        </Box>
      )}
      <span className="num" style={{ textAlign: "right" }}>
        {one.attempts}×
      </span>
    </Box>
  ));
}
