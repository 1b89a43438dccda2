"use client";

import { Box } from "@/ui/layout/box";
import { adviceWords, capital, markWords } from "@/words";
import Typography from "@mui/material/Typography";
import { type ReactNode } from "react";
import { cueFor, directionNames, schoolQuestions, sideOf, skillOf, type Step } from "@/syllabus";
import { BailCreditLine } from "@/ui/evidence/bail-credit";
import { EvidenceLine } from "@/ui/evidence/evidence-line";
import { useListener } from "@/ui/units/listener";
import { useSyllabus } from "@/ui/syllabus/use-syllabus";
import { Num } from "@/ui/units/figure";
import type { BriefData } from "./load";
import { type BriefState } from "./use-brief";
import { useStep } from "./use-step";

/** A fault tapped this often lately is mended first. */
const OFTEN = 3;

/** The faults of a step, those seen often lately first. */
function faultsFirst(step: Step, counts: Readonly<Record<string, number>>): Step["faults"] {
  const often = (id: string) => ((counts[id] ?? 0) >= OFTEN ? counts[id] : 0);
  return [...step.faults].sort((a, b) => often(b.id) - often(a.id));
}

/** Where practitioners disagree about this step: the side that is flown here, and what it gains. */
function SchoolLines({ step, data }: { step: Step; data: BriefData }) {
  const asked = schoolQuestions.filter(({ steps }) => steps.includes(step.id));
  return asked.map((question) => {
    const side = sideOf(data.school, question.id);
    return (
      <Typography key={question.id} sx={{ mt: 1, fontSize: "0.9rem" }}>
        <b>
          {question.name}: {side.name}.
        </b>{" "}
        {side.gains}
      </Typography>
    );
  });
}

/** What to do, what may happen and how to get out of it, and when it passes. */
export function LowerThird(props: { data: BriefData; state: BriefState; readiness?: ReactNode }) {
  const { data, state, readiness = null } = props;
  const step = useStep(data);
  const brief = state.kind === "done" ? state.brief : null;
  return (
    <Box
      sx={(theme) => ({
        mt: 2,
        pt: 1.5,
        borderTop: `1.5px solid ${theme.tokens.ink}`,
        display: "grid",
        gridTemplateColumns: { xs: "minmax(0,1fr)", md: "1fr 1.15fr 1fr" },
        columnGap: 4,
        rowGap: 2.5,
      })}
    >
      <section aria-labelledby="do">
        <Typography variant="h2" id="do">
          Do
        </Typography>
        <Box component="ol" sx={{ pl: 2.5, my: 0.5, "& li": { mb: 0.5 } }}>
          {step.drill.map((line) => (
            <li key={line}>{line}</li>
          ))}
        </Box>
        <Typography variant="h2" sx={{ mt: 1.5 }}>
          Bail-out
        </Typography>
        <Typography sx={{ mt: 0.5 }}>
          {step.wayOut} {sideOf(data.school, "trouble").does}
        </Typography>
        <Typography sx={{ mt: 1 }}>
          <b>Settings.</b> {step.settings}
          {step.heightM !== null && (
            <>
              {" "}
              Begin <Num value={step.heightM} quantity="length" digits={1} /> up.
            </>
          )}
        </Typography>
        <SchoolLines step={step} data={data} />
        {brief?.wayOut && brief.problem === null && (
          <Typography sx={{ mt: 0.5 }}>
            Start height <Num value={brief.entryHeightM} quantity="length" /> it works up to{" "}
            {brief.wayOut.lastAfterCutS === null ? (
              <>
                <Num value={brief.wayOut.lastS} quantity="time" /> after the entry,{" "}
                <Num value={brief.wayOut.lastAlongM} quantity="length" /> along
              </>
            ) : (
              <>
                <Num value={brief.wayOut.lastAfterCutS} quantity="time" /> after closing the throttle, and down to{" "}
                <Num value={brief.wayOut.lastHeightM} quantity="length" />
              </>
            )}
            .
          </Typography>
        )}
      </section>
      <section aria-labelledby="faults">
        <Typography variant="h2" id="faults">
          Common faults
        </Typography>
        {faultsFirst(step, data.faultCounts).map((fault) => {
          const often = (data.faultCounts[fault.id] ?? 0) >= OFTEN;
          return (
            <Box
              key={fault.id}
              sx={(theme) => ({ mt: 1, ...(often && { borderLeft: `4px solid ${theme.tokens.buoy}`, pl: 1 }) })}
            >
              <b>{fault.sees}.</b> {cueFor(fault, data.direction)}
              {often && (
                <Box sx={(theme) => ({ fontSize: "0.85rem", color: theme.tokens.buoyText, fontWeight: 600 })}>
                  ▲ seen <span className="num">{data.faultCounts[fault.id]}</span> times lately: fix this first
                </Box>
              )}
            </Box>
          );
        })}
      </section>
      <PassesWhen data={data} step={step} readiness={readiness} />
    </Box>
  );
}

/** The mark, how far along it the pilot is, and the cautions. */
function PassesWhen({ data, step, readiness }: { data: BriefData; step: Step; readiness: ReactNode }) {
  const syllabus = useSyllabus();
  const listener = useListener();
  const skill = skillOf(syllabus, step);
  const names = directionNames(step);
  const { evidence } = data.standing;
  return (
    <section aria-labelledby="passes">
      <Typography variant="h2" id="passes">
        Pass mark
      </Typography>
      <Typography sx={{ mt: 0.5 }}>
        {capital(markWords(step.mark, listener.units))}. Clean: {step.clean}.
      </Typography>
      <Box sx={{ my: 1 }}>
        {evidence.directions.map((one) => (
          <EvidenceLine key={one.direction} name={names[one.direction]} one={one} mark={step.mark} />
        ))}
      </Box>
      <BailCreditLine credit={data.standing.bailCredit ?? null} />
      <Typography sx={{ fontWeight: 600 }}>{adviceWords(data.standing.advice, step.id, syllabus, listener)}</Typography>
      {readiness}
      <Box
        component="ul"
        sx={(theme) => ({ pl: 2, mt: 1.5, mb: 0, fontSize: "0.85rem", color: theme.tokens.buoyText })}
      >
        {skill.cautions.map((line) => (
          <li key={line}>{line}</li>
        ))}
        <li>
          Clear ground of <Num value={skill.roomM} quantity="length" digits={0} /> all round.
        </li>
      </Box>
    </section>
  );
}
