"use client";

import Box from "@mui/material/Box";
import ToggleButton from "@mui/material/ToggleButton";
import Typography from "@mui/material/Typography";
import { useRouter } from "next/navigation";
import { useMemo, useState } from "react";
import type { FoundTrick, Pack } from "@/core";
import type { LoggedAttempt } from "@/contract";
import { cueFor, findStep } from "@/syllabus";
import { useSend } from "@/ui/actions/use-send";
import { useSyllabus } from "@/ui/syllabus/use-syllabus";
import type { TappedSession } from "./load";
import { matched, nearest } from "./match";

/** The attempt a trick of a recording was tapped as; null where it meets no tap of the session it was flown in. */
function useAttemptOf(
  pack: Pack,
  trick: FoundTrick | undefined,
  sessions: readonly TappedSession[],
  recordedAtMs: number | null,
): LoggedAttempt | null {
  const syllabus = useSyllabus();
  const session = nearest(sessions, recordedAtMs);
  const match = useMemo(() => session && matched(pack.tricks, session, syllabus), [pack, session, syllabus]);
  const at = trick ? pack.tricks.indexOf(trick) : -1;
  const tapId = match?.pairs.find((pair) => pair.trick === at)?.tapId;
  return session?.attempts.find(({ id }) => id === tapId) ?? null;
}

/** The faults of the step at hand, picked while its second in the film is looked at: they go to the attempt that was tapped. */
export function FaultPicks(props: {
  pack: Pack;
  trick: FoundTrick | undefined;
  sessions: readonly TappedSession[];
  recordedAtMs: number | null;
}) {
  const { pack, trick, sessions, recordedAtMs } = props;
  const attempt = useAttemptOf(pack, trick, sessions, recordedAtMs);
  const syllabus = useSyllabus();
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
      <Box sx={{ display: "flex", flexWrap: "wrap", gap: 0.75, my: 0.5 }}>
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
