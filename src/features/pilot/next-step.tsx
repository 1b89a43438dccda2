"use client";

import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { stepName, type Step, type StepStanding } from "@/syllabus";
import { Link } from "@/ui/actions/link";
import { Box } from "@/ui/layout/box";
import { useAtHand } from "@/ui/shell/at-hand";
import { useListener } from "@/ui/units/listener";
import { useSyllabus } from "@/ui/syllabus/use-syllabus";
import { adviceWords } from "@/words";
import type { PilotData } from "./load";
import { AskSignOff } from "./requests";

/** What to do next about the step looked at, and the ways on. */
export function NextStep({
  data,
  one,
  step,
  onSign,
}: {
  data: PilotData;
  one: StepStanding;
  step: Step;
  onSign: (one: StepStanding) => void;
}) {
  const syllabus = useSyllabus();
  const listener = useListener();
  const { hrefFor } = useAtHand();
  return (
    <Box
      sx={(theme) => ({
        display: "flex",
        flexWrap: "wrap",
        gap: 2,
        alignItems: "center",
        my: 1.5,
        py: 1,
        px: 2,
        borderLeft: `6px solid ${theme.tokens.ochre}`,
        bgcolor: theme.tokens.sheet,
      })}
    >
      <Box sx={{ flex: 1, minWidth: 260 }}>
        <Typography component="span" sx={{ fontSize: "1.02rem", fontWeight: 600 }}>
          <b>{step.name}.</b> {adviceWords(one.advice, one.stepId, syllabus, listener)}
        </Typography>
        {one.needsFirst.length > 0 && (
          <Box sx={{ fontSize: "0.88rem" }}>
            First: {one.needsFirst.map((id) => stepName(syllabus, id)).join(", ")}.
          </Box>
        )}
        {one.simulatorFirst && <Box sx={{ fontSize: "0.88rem" }}>Sim first (this pilot’s choice).</Box>}
      </Box>
      <Button
        variant={one.advice.kind === "advance" ? "outlined" : "contained"}
        component={Link}
        href={hrefFor("/brief", { step: step.id })}
      >
        Brief of this step
      </Button>
      {one.state !== "signed-off" &&
        (data.coaches ? (
          <Button variant={one.advice.kind === "advance" ? "contained" : "outlined"} onClick={() => onSign(one)}>
            Sign off {step.name.toLowerCase()}
          </Button>
        ) : (
          <AskSignOff data={data} step={step} />
        ))}
    </Box>
  );
}
