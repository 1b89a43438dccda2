"use client";

import { Box } from "@/ui/layout/box";
import { adviceWords, capital, chancePercent, markWords } from "@/words";
import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { TELLING_IMBALANCE, weighEvidence } from "@/core";
import type { LoggedAttempt, TallyPilot, TallyStep } from "@/contract";
import { directionNames, type FlownStep } from "@/syllabus";
import { useSyllabus } from "@/ui/syllabus/use-syllabus";
import { useListener } from "@/ui/units/listener";
import { EvidenceLine } from "@/ui/evidence/evidence-line";
import { StateMark } from "@/ui/marks/marks";
import { adviceAt } from "./next-time";

const verdictWords = {
  begin: "Begin",
  advance: "Advance",
  stay: "Stay",
  "step-back": "Step back",
  rest: "Rest",
  settle: "Let it settle",
  confirm: "Confirm",
  stuck: "Stuck",
  "signed-off": "Keep it fresh",
} as const;

interface VerdictProps {
  readonly pilot: TallyPilot;
  /** The step with what was known of it before. */
  readonly known: TallyStep;
  readonly step: FlownStep;
  /** Attempts at it in this session. */
  readonly own: readonly LoggedAttempt[];
  /** Everything the pilot flew in this session. */
  readonly today: readonly LoggedAttempt[];
  readonly maySignOff: boolean;
  readonly onSignOff: () => void;
}

/** The verdict in a line, for where there is no room for its evidence. */
export function VerdictLine({ pilot, known, step, today }: Pick<VerdictProps, "pilot" | "known" | "step" | "today">) {
  const syllabus = useSyllabus();
  const listener = useListener();
  if (step.leftOut) return null;
  const advice = adviceAt(pilot, known, step, syllabus, today);
  return (
    <Typography
      title={adviceWords(advice, step.id, syllabus, listener)}
      sx={{
        fontSize: "0.95rem",
        lineHeight: 1.25,
        display: "-webkit-box",
        WebkitBoxOrient: "vertical",
        WebkitLineClamp: 2,
        overflow: "hidden",
      }}
    >
      <b>{verdictWords[advice.kind]}.</b> {adviceWords(advice, step.id, syllabus, listener)}
    </Typography>
  );
}

/** Evidence and advice for one pilot at one step with the attempts of this moment, and the sign-off. */
export function Verdict(props: VerdictProps) {
  if (!props.step.leftOut) return <Judged {...props} />;
  return (
    <Typography color="text.secondary">
      This step is in no syllabus any more: what was flown is kept, and there is no mark to judge it by.
    </Typography>
  );
}

function Judged({ pilot, known, step, own, today, maySignOff, onSignOff }: VerdictProps) {
  const names = directionNames(step);
  const syllabus = useSyllabus();
  const listener = useListener();
  const attempts = [...known.earlier, ...own];
  const evidence = weighEvidence(
    attempts,
    step.mark,
    step.directions.map(({ id }) => id),
    undefined,
    pilot.rules,
  );
  const advice = adviceAt(pilot, known, step, syllabus, today);
  const { imbalance } = evidence;
  return (
    <section aria-label={`Verdict for ${pilot.name}, ${step.name}`}>
      {known.unknownBefore && (
        <Typography sx={(theme) => ({ mb: 1, color: theme.tokens.ochreText, fontWeight: 600 })}>
          ▲ Added at the field. Earlier attempts will show once synced.
        </Typography>
      )}
      <Box
        aria-live="polite"
        sx={(theme) => ({
          borderLeft: `6px solid ${advice.kind === "advance" || advice.kind === "signed-off" ? theme.tokens.shoal : advice.kind === "rest" ? theme.tokens.buoy : theme.tokens.ochre}`,
          pl: 2,
          mb: 2,
        })}
      >
        <Typography sx={{ fontSize: "1.4rem", fontWeight: 700 }}>{verdictWords[advice.kind]}</Typography>
        <Typography>{adviceWords(advice, step.id, syllabus, listener)}</Typography>
      </Box>
      <Typography sx={{ fontSize: "0.9rem", color: "text.secondary" }}>
        Mark: {markWords(step.mark, listener.units)}. Clean: {step.clean}.
      </Typography>
      <Box sx={{ my: 1 }}>
        {evidence.directions.map((one) => (
          <EvidenceLine key={one.direction} name={names[one.direction]} one={one} mark={step.mark} />
        ))}
      </Box>
      {imbalance && imbalance.chance >= TELLING_IMBALANCE && (
        <Typography sx={{ fontSize: "0.9rem" }}>
          {capital(names[imbalance.better])} goes better, with <b className="num">{chancePercent(imbalance.chance)}</b>{" "}
          chance, by <span className="num">{Math.round(100 * imbalance.difference)}</span> points of clean rate.
        </Typography>
      )}
      <Box sx={{ mt: 1.5 }}>
        {pilot.signedOff.includes(step.id) ? (
          <Typography sx={(theme) => ({ color: theme.tokens.shoal, fontWeight: 650 })}>
            <StateMark state="signed-off" labelled={false} /> Signed off
          </Typography>
        ) : (
          attempts.length > 0 &&
          maySignOff && (
            <Button variant={advice.kind === "advance" ? "contained" : "outlined"} onClick={onSignOff}>
              Sign off {step.name.toLowerCase()}
              {!evidence.passes && ", mark not met"}
            </Button>
          )
        )}
      </Box>
    </section>
  );
}
