"use client";

import Button from "@mui/material/Button";
import { useRouter } from "next/navigation";
import { dayText, tapeOfTrace, writeTape } from "@/core";
import { handOver } from "@/ui/recordings/handed-over";
import { counted } from "@/words";
import type { Judged } from "./use-judge";

/** The newest tries that go into one recording. */
const MOST_TRIES = 30;

/** The tries of this sitting at a drill as one recording, opened under Tape: measured there as any other, kept if wanted, its name saying where it is from. */
export function OpenAsRecording(props: { drillId: string; pilotId: string; tries: readonly Judged[] }) {
  const { drillId, pilotId, tries } = props;
  const router = useRouter();
  const open = () => {
    const newest = tries.slice(-MOST_TRIES);
    const text = writeTape(newest.map(({ flown }) => tapeOfTrace(flown.trace).tape));
    const name = `simulator ${drillId} ${dayText("UTC", Date.now())}.csv`;
    handOver({ file: new File([text], name, { type: "text/csv" }), onKept: () => undefined });
    router.push(`/tape?pilot=${pilotId}`);
  };
  return (
    <Button size="small" variant="outlined" sx={{ mt: 1 }} onClick={open}>
      Open {counted(tries.length, "try", "tries")} as a recording
    </Button>
  );
}
