"use client";

import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import type { Outcome } from "@/core";
import { findStep, stepName, stepTitle } from "@/syllabus";
import { Link } from "@/ui/actions/link";
import { Box } from "@/ui/layout/box";
import { OutcomeMark } from "@/ui/marks/marks";
import { Moment } from "@/ui/moment/moment";
import { useSyllabus } from "@/ui/syllabus/use-syllabus";
import type { HistoryLine, PilotData } from "./load";

/** Sessions and setups, newest first. */
export function History({
  lines,
  shown,
  onTurn,
}: {
  lines: readonly HistoryLine[];
  shown: PilotData["historyShown"];
  /** From the newest lines to all and back. */
  onTurn: () => void;
}) {
  return (
    <section aria-labelledby="history">
      <Typography variant="h2" id="history">
        History
      </Typography>
      {lines.length === 0 && <Typography color="text.secondary">Nothing flown and nothing set up yet.</Typography>}
      {lines.map((line) => (
        <Box
          key={line.id}
          sx={(theme) => ({ py: 1, borderBottom: `1.5px solid ${theme.tokens.rule}`, fontSize: "0.88rem" })}
        >
          <Box sx={{ display: "flex", gap: 1 }}>
            <Box component="span" sx={{ width: 92, flexShrink: 0, color: "text.secondary" }}>
              <Moment atMs={line.atMs} />
            </Box>
            {line.kind === "setup" ? (
              <span>
                Setup <b className="num">{line.number}</b> by {line.coachName}: {line.reason}
              </span>
            ) : (
              <Box
                component={Link}
                href={`/session/${line.id}`}
                sx={{ textDecoration: "none", "&:hover": { textDecoration: "underline" } }}
              >
                {line.place === "simulator" && <b>Practice </b>}
                {line.steps.map((step) => (
                  <SessionSummary key={`${step.stepId} ${step.direction}`} {...step} />
                ))}
              </Box>
            )}
          </Box>
        </Box>
      ))}
      {shown !== "newest" && (
        <Button size="small" onClick={onTurn}>
          {shown === "all" ? "Newest only" : "Show older"}
        </Button>
      )}
    </section>
  );
}

function SessionSummary({
  stepId,
  direction,
  outcomes,
}: {
  stepId: string;
  direction: string;
  outcomes: Readonly<Record<Outcome, number>>;
}) {
  const syllabus = useSyllabus();
  const step = findStep(syllabus, stepId);
  return (
    <Box sx={{ display: "flex", flexWrap: "wrap", columnGap: 1 }}>
      <span>{step ? stepTitle(step, direction) : `${stepName(syllabus, stepId)}, ${direction}`}</span>
      {(Object.keys(outcomes) as Outcome[])
        .filter((outcome) => outcomes[outcome] > 0)
        .map((outcome) => (
          <span key={outcome} className="together">
            <OutcomeMark outcome={outcome} size={12} /> <span className="num">{outcomes[outcome]}</span>
          </span>
        ))}
    </Box>
  );
}
