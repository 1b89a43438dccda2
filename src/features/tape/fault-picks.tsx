"use client";

import ToggleButton from "@mui/material/ToggleButton";
import Typography from "@mui/material/Typography";
import { useRouter } from "next/navigation";
import { useState } from "react";
import type { FoundTrick, Pack } from "@/core";
import type { LoggedAttempt } from "@/contract";
import { cueFor, findStep } from "@/syllabus";
import { useSend } from "@/ui/actions/use-send";
import { Box } from "@/ui/layout/box";
import type { Matching } from "./use-match";

/** The faults of the step at hand, picked while its second in the film is looked at: they go to the attempt that was tapped. */
export function FaultPicks(props: { pack: Pack; trick: FoundTrick | undefined; matching: Matching }) {
  const { pack, trick, matching } = props;
  const { session, match, syllabus } = matching;
  const at = trick ? pack.tricks.indexOf(trick) : -1;
  const tapId = match?.pairs.find((pair) => pair.trick === at)?.tapId;
  const attempt = session?.attempts.find(({ id }) => id === tapId);
  const step = attempt && findStep(syllabus, attempt.stepId);
  if (!attempt || !step || step.faults.length === 0)
    return (
      <Typography sx={{ mt: 1, fontSize: "0.9rem", color: "text.secondary" }}>
        Faults are picked for a trick that meets a tap of its session.
      </Typography>
    );
  return <Picks key={attempt.id} attempt={attempt} step={step} />;
}

function Picks({ attempt, step }: { attempt: LoggedAttempt; step: NonNullable<ReturnType<typeof findStep>> }) {
  const { sendAction, pending } = useSend();
  const router = useRouter();
  const [faults, setFaults] = useState(attempt.faults);
  const flip = async (id: string) => {
    const next = faults.includes(id) ? faults.filter((one) => one !== id) : [...faults, id];
    setFaults(next);
    const { ok } = await sendAction("set-faults", { id: attempt.id, faults: next });
    if (ok) router.refresh();
    else setFaults(faults);
  };
  const last = step.faults.find(({ id }) => id === faults.at(-1));
  return (
    <Box role="group" aria-label={`Faults of this ${step.name.toLowerCase()}`} sx={{ mt: 1 }}>
      <Typography sx={{ fontWeight: 650 }}>What goes wrong here? ({step.name})</Typography>
      <Box sx={{ display: "flex", flexWrap: "wrap", gap: 1, my: 0.5 }}>
        {step.faults.map(({ id, short, sees }) => (
          <ToggleButton
            key={id}
            value={id}
            size="small"
            selected={faults.includes(id)}
            disabled={pending}
            title={sees}
            onChange={() => void flip(id)}
          >
            {short}
          </ToggleButton>
        ))}
      </Box>
      {last && <Typography sx={{ fontSize: "0.9rem" }}>Cue: {cueFor(last, attempt.direction)}</Typography>}
    </Box>
  );
}
