"use client";

import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { useRouter } from "next/navigation";
import { useSnackbar } from "notistack";
import { useState } from "react";
import { v7 as newId } from "uuid";
import { advise, markWords, TELLING_IMBALANCE, weighEvidence } from "@/core";
import type { LoggedAttempt } from "@/server/repositories";
import { directionNames, skillOf, type Step } from "@/syllabus";
import { useSyllabus } from "@/ui/syllabus/use-syllabus";
import { useSend } from "@/ui/actions/use-send";
import { EvidenceLine } from "@/ui/evidence/evidence-line";
import { StateMark } from "@/ui/marks/marks";
import type { TallyPilot } from "./load";

const verdictWords = {
  begin: "Begin",
  advance: "Advance",
  stay: "Stay",
  "step-back": "Step back",
  rest: "Rest",
  settle: "Let it settle",
} as const;

/** Evidence and advice for one pilot at one step with the attempts of this moment, and the sign-off. */
export function Verdict({
  pilot,
  step,
  own,
  maySignOff,
}: {
  pilot: TallyPilot;
  step: Step;
  own: readonly LoggedAttempt[];
  maySignOff: boolean;
}) {
  const router = useRouter();
  const { sendAction, pending } = useSend();
  const { enqueueSnackbar } = useSnackbar();
  const [signId] = useState(() => newId());
  const names = directionNames(step);
  const earlier = skillOf(useSyllabus(), step).steps;
  const attempts = [...pilot.earlier, ...own];
  const evidence = weighEvidence(
    attempts,
    step.mark,
    step.directions.map(({ id }) => id),
  );
  const advice = advise({
    evidence,
    mark: step.mark,
    attempts,
    latestDay: own,
    setupId: pilot.setupId,
    previousStep: earlier[earlier.indexOf(step) - 1]?.name ?? null,
    directionNames: names,
  });
  const { imbalance } = evidence;
  const signOff = async () => {
    const result = await sendAction("sign-off", { id: signId, pilotId: pilot.id, stepId: step.id, note: "" });
    if (!result.ok) return;
    enqueueSnackbar(`${step.name} signed off for ${pilot.name}`, { variant: "success" });
    router.refresh();
  };
  return (
    <section aria-label={`Verdict for ${pilot.name}`}>
      <Box
        aria-live="polite"
        sx={(theme) => ({
          borderLeft: `6px solid ${advice.kind === "advance" ? theme.tokens.shoal : advice.kind === "rest" ? theme.tokens.buoy : theme.tokens.ochre}`,
          pl: 2,
          mb: 2,
        })}
      >
        <Typography sx={{ fontSize: "1.4rem", fontWeight: 700 }}>{verdictWords[advice.kind]}</Typography>
        <Typography>{advice.sentence}</Typography>
      </Box>
      <Typography sx={{ fontSize: "0.9rem", color: "text.secondary" }}>
        Mark: {markWords(step.mark)}. Clean: {step.clean}.
      </Typography>
      <Box sx={{ my: 1 }}>
        {evidence.directions.map((one) => (
          <EvidenceLine key={one.direction} name={names[one.direction]} one={one} mark={step.mark} />
        ))}
      </Box>
      {imbalance && imbalance.chance >= TELLING_IMBALANCE && (
        <Typography sx={{ fontSize: "0.9rem" }}>
          {names[imbalance.better].charAt(0).toUpperCase() + names[imbalance.better].slice(1)} is the better side with{" "}
          <b className="num">{Math.min(99, Math.round(100 * imbalance.chance))} %</b> chance, by{" "}
          <span className="num">{Math.round(100 * imbalance.difference)}</span> points of clean rate.
        </Typography>
      )}
      <Box sx={{ mt: 1.5 }}>
        {pilot.signedOff ? (
          <Typography sx={(theme) => ({ color: theme.tokens.shoal, fontWeight: 650 })}>
            <StateMark state="signed-off" labelled={false} /> Signed off
          </Typography>
        ) : (
          attempts.length > 0 &&
          maySignOff && (
            <Button variant={advice.kind === "advance" ? "contained" : "outlined"} disabled={pending} onClick={signOff}>
              Sign off {step.name.toLowerCase()}
              {advice.kind !== "advance" && ", mark not met"}
            </Button>
          )
        )}
      </Box>
    </section>
  );
}
