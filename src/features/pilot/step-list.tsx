"use client";

import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { directionNames, findStep, pathOf, routeOf, skillOf, stepName, type StepStanding } from "@/syllabus";
import { Link } from "@/ui/actions/link";
import { EvidenceLine } from "@/ui/evidence/evidence-line";
import { FavouredSide } from "@/ui/evidence/favoured-side";
import { Box } from "@/ui/layout/box";
import { StateMark, stateWords } from "@/ui/marks/marks";
import { Moment } from "@/ui/moment/moment";
import { useAtHand } from "@/ui/shell/at-hand";
import { useSyllabus } from "@/ui/syllabus/use-syllabus";
import type { PilotData } from "./load";
import { percent } from "@/words";

/** The same as the depth chart, as a list with the evidence of each step. */
export function StepList({
  data,
  steps,
  onSign,
}: {
  data: PilotData;
  /** Those that are asked for. */
  steps: readonly StepStanding[];
  /** Null for whoever may not. */
  onSign: ((one: StepStanding) => void) | null;
}) {
  const syllabus = useSyllabus();
  return (
    <>
      {syllabus.stages.map((name, stage) => (
        <StageSteps
          key={name}
          name={name}
          own={steps.filter(({ stepId }) => syllabus.skillByStep.get(stepId)?.stage === stage)}
          data={data}
          onSign={onSign}
        />
      ))}
      {steps.length === 0 && (
        <Typography sx={{ py: 2 }}>No step is so just now. Show all to see the others.</Typography>
      )}
      <Box sx={{ mt: 1, fontSize: "0.85rem", color: "text.secondary" }}>
        {(["signed-off", "being-learnt", "due", "not-begun"] as const).map((state) => (
          <Box component="span" key={state} sx={{ mr: 2.5 }}>
            <StateMark state={state} size={13} labelled={false} /> {stateWords[state]}
          </Box>
        ))}
        dashed line: the mark · bar: 90&#8239;% interval
      </Box>
    </>
  );
}

/** The steps of a stage; a stage in which nothing has happened yet is folded away. */
function StageSteps({
  name,
  own,
  data,
  onSign,
}: {
  name: string;
  own: readonly StepStanding[];
  data: PilotData;
  /** Null for whoever may not. */
  onSign: ((one: StepStanding) => void) | null;
}) {
  const { milestones } = data;
  const syllabus = useSyllabus();
  if (own.length === 0) return null;
  // What lies beside the way counts nowhere.
  const way = new Set(pathOf(syllabus, routeOf(data.school)).flatMap(({ id, optional }) => (optional ? [] : [id])));
  const onWay = own.filter(({ stepId }) => way.has(stepId));
  const signed = onWay.filter(({ state }) => state === "signed-off").length;
  const happened = own.some(({ state, attempts }) => state !== "not-begun" || attempts > 0);
  return (
    <Box component="details" open={happened} sx={(theme) => ({ borderTop: `1.5px solid ${theme.tokens.ink}` })}>
      <Box component="summary" sx={{ py: 1, cursor: "pointer", fontWeight: 650 }}>
        {name}{" "}
        <Box component="span" sx={{ fontWeight: 400, fontSize: "0.88rem", color: "text.secondary" }}>
          <span className="num">{signed}</span> of <span className="num">{onWay.length}</span> signed off
        </Box>
      </Box>
      {own.map((one) => (
        <StepRow
          key={one.stepId}
          one={one}
          number={data.steps.findIndex(({ stepId }) => stepId === one.stepId) + 1}
          signedAtMs={milestones.find((m) => m.stepId === one.stepId)?.signedAtMs ?? null}
          onSign={onSign && (() => onSign(one))}
        />
      ))}
    </Box>
  );
}

function StepRow({
  one,
  number,
  signedAtMs,
  onSign,
}: {
  one: StepStanding;
  number: number;
  signedAtMs: number | null;
  /** Null for whoever may not. */
  onSign: (() => void) | null;
}) {
  const { hrefFor } = useAtHand();
  const syllabus = useSyllabus();
  const step = findStep(syllabus, one.stepId)!;
  const names = directionNames(step);
  return (
    <Box
      sx={(theme) => ({
        display: "grid",
        gridTemplateColumns: "28px 1fr",
        columnGap: 1,
        py: 1,
        borderTop: `1.5px solid ${theme.tokens.rule}`,
      })}
    >
      <Box sx={{ pt: 0.5 }}>
        <StateMark state={one.reviewDue ? "due" : one.state} size={18} />
      </Box>
      <Box sx={{ minWidth: 0 }}>
        <Box sx={{ display: "flex", flexWrap: "wrap", columnGap: 1.5, alignItems: "baseline" }}>
          <Box component={Link} href={hrefFor("/brief", { step: step.id })} sx={{ fontWeight: 700 }}>
            <span className="num">{number}</span> {step.name}
          </Box>
          <Box component="span" sx={{ fontSize: "0.85rem", color: "text.secondary" }}>
            {skillOf(syllabus, step).name}
          </Box>
          <Box sx={{ flex: 1 }} />
          {signedAtMs !== null ? (
            <Box component="span" sx={(theme) => ({ fontSize: "0.88rem", color: theme.tokens.shoal, fontWeight: 650 })}>
              signed off <Moment atMs={signedAtMs} />
            </Box>
          ) : (
            one.attempts > 0 &&
            onSign && (
              <Button size="small" onClick={onSign} sx={{ minHeight: 28, py: 0 }}>
                Sign off
              </Button>
            )
          )}
        </Box>
        <Typography sx={{ fontSize: "0.9rem", color: "text.secondary" }}>{step.aim}</Typography>
        {one.needsFirst.length > 0 && (
          <Typography sx={{ fontSize: "0.85rem", color: "text.secondary" }}>
            First: {one.needsFirst.map((id) => stepName(syllabus, id)).join(", ")}
          </Typography>
        )}
        {one.attempts > 0 && (
          <Box sx={{ mt: 0.5 }}>
            {one.evidence.directions.map((direction) => (
              <EvidenceLine
                key={direction.direction}
                name={names[direction.direction]}
                one={direction}
                mark={step.mark}
              />
            ))}
            <FavouredSide imbalance={one.evidence.imbalance} names={names} />
            {one.reviewDue && one.review && (
              <Typography sx={(theme) => ({ fontSize: "0.88rem", color: theme.tokens.ochreText, fontWeight: 600 })}>
                Review due since <Moment atMs={one.review.dueMs} />: about{" "}
                <span className="num">{percent(one.review.memory)}</span> remembered.
              </Typography>
            )}
          </Box>
        )}
      </Box>
    </Box>
  );
}
