"use client";

import Typography from "@mui/material/Typography";
import { useRouter } from "next/navigation";
import { directionNames, type Step, type StepStanding } from "@/syllabus";
import { EvidenceLine } from "@/ui/evidence/evidence-line";
import { SendFormLater as SendForm } from "@/ui/forms/send-form-later";
import { Box } from "@/ui/layout/box";
import { tell } from "@/ui/messages/messages";
import { useListener } from "@/ui/units/listener";
import { useSyllabus } from "@/ui/syllabus/use-syllabus";
import { adviceWords } from "@/words";
import type { PilotData } from "./load";

/** The evidence once more, a note, and the sign-off. */
export function SignOff({
  one,
  step,
  data,
  onDone,
}: {
  one: StepStanding;
  step: Step;
  data: PilotData;
  onDone: () => void;
}) {
  const router = useRouter();
  const syllabus = useSyllabus();
  const listener = useListener();
  const names = directionNames(step);
  return (
    <Box sx={{ display: "grid", gap: 1.5 }}>
      <Typography>{adviceWords(one.advice, one.stepId, syllabus, listener)}</Typography>
      <div>
        {one.evidence.directions.map((direction) => (
          <EvidenceLine key={direction.direction} name={names[direction.direction]} one={direction} mark={step.mark} />
        ))}
      </div>
      {(data.loggedAlone[step.id] ?? 0) > 0 && (
        <Typography>
          <b className="num">{data.loggedAlone[step.id]}</b> of the <b className="num">{one.attempts}</b> attempts were
          logged by {data.pilot.name}, practising alone.
        </Typography>
      )}
      {!one.evidence.passes && (
        <Typography color="error.main">
          ▲ The mark is not met. You decide; the counts above are kept with the sign-off.
        </Typography>
      )}
      <SendForm
        action="sign-off"
        submit="Sign off"
        fields={{ note: { label: "Note (optional)", initial: "", lines: 2 } }}
        input={({ note }, id) => ({ id, pilotId: data.pilot.id, stepId: step.id, note })}
        onDone={() => {
          tell(`${step.name} signed off for ${data.pilot.name}`, { kind: "done" });
          onDone();
          router.refresh();
        }}
      />
    </Box>
  );
}
