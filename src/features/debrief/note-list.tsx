"use client";

import type { TallyNote } from "@/contract";
import { Box } from "@/ui/layout/box";
import { Moment } from "@/ui/moment/moment";

/** Notes of a session, oldest first. */
export function NoteList({ notes }: { notes: readonly TallyNote[] }) {
  if (notes.length === 0) return null;
  return (
    <Box component="ul" aria-label="Notes of this session" sx={{ listStyle: "none", p: 0, my: 1 }}>
      {notes.map(({ id, text, writtenAtMs, forCoaches }) => (
        <Box component="li" key={id} sx={{ display: "flex", gap: 1.5, py: 0.5, fontSize: "0.95rem" }}>
          <span className="num">
            <Moment atMs={writtenAtMs} show="time" />
          </span>
          <Box component="span" sx={{ flex: 1, whiteSpace: "pre-wrap", overflowWrap: "anywhere" }}>
            {text}
            {forCoaches && <i> (coaches only)</i>}
          </Box>
        </Box>
      ))}
    </Box>
  );
}
