"use client";

import Button from "@mui/material/Button";
import { useRouter } from "next/navigation";
import { useUndoable } from "@/ui/actions/use-undoable";
import type { PilotData } from "./load";

/** Puts the whole record into the bin, from where it comes back for 30 days. */
export function RemovePilot({ data: { pilot } }: { data: PilotData }) {
  const router = useRouter();
  const undoable = useUndoable();
  return (
    <Button
      onClick={async () => {
        const done = `${pilot.name} is in the bin for 30 days, with everything`;
        if (await undoable("remove-pilot", "restore-pilot", pilot.id, done)) router.push("/squad");
      }}
    >
      Delete
    </Button>
  );
}
