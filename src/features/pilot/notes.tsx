"use client";

import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { useRouter } from "next/navigation";
import { useUndoable } from "@/ui/actions/use-undoable";
import { choiceField } from "@/ui/forms/form-fields";
import { SendFormLater as SendForm } from "@/ui/forms/send-form-later";
import { Box } from "@/ui/layout/box";
import { Moment } from "@/ui/moment/moment";
import type { PilotData } from "./load";

/** What coaches noted. */
export function Notes({ data }: { data: PilotData }) {
  const router = useRouter();
  const undoable = useUndoable();
  return (
    <section aria-labelledby="notes">
      <Typography variant="h2" id="notes" sx={{ mb: 1 }}>
        Notes
      </Typography>
      {data.coaches && (
        <SendForm
          action="add-note"
          submit="Save note"
          fields={{
            text: {
              label: "New note",
              initial: "",
              lines: 1,
            },
            readBy: choiceField<"pilot" | "coaches">({
              label: "Read by",
              initial: "pilot",
              options: [
                ["pilot", `${data.pilot.name} too`],
                ["coaches", "coaches only"],
              ],
            }),
          }}
          input={({ text, readBy }, id) => ({ id, pilotId: data.pilot.id, text, forCoaches: readBy === "coaches" })}
          onDone={() => router.refresh()}
        />
      )}
      {!data.coaches && data.notes.length === 0 && <Typography color="text.secondary">None yet.</Typography>}
      {data.notes.map((note) => (
        <Box key={note.id} sx={(theme) => ({ py: 1, borderBottom: `1.5px solid ${theme.tokens.rule}` })}>
          <Box sx={{ whiteSpace: "pre-wrap", overflowWrap: "anywhere" }}>{note.text}</Box>
          <Box sx={{ display: "flex", fontSize: "0.82rem", color: "text.secondary", alignItems: "center" }}>
            <Moment atMs={note.writtenAtMs} />, {note.coachName}
            {note.forCoaches && ", coaches only"}
            <Box sx={{ flex: 1 }} />
            {data.coaches && (
              <Button
                size="small"
                sx={{ minHeight: 26, py: 0 }}
                onClick={() => undoable("remove-note", "restore-note", note.id, "Note removed")}
              >
                Remove
              </Button>
            )}
          </Box>
        </Box>
      ))}
    </section>
  );
}
