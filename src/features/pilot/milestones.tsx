"use client";

import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { stepName } from "@/syllabus";
import { useUndoable } from "@/ui/actions/use-undoable";
import { Box } from "@/ui/layout/box";
import { StateMark } from "@/ui/marks/marks";
import { Moment } from "@/ui/moment/moment";
import { useListener } from "@/ui/units/listener";
import { useSyllabus } from "@/ui/syllabus/use-syllabus";
import { useState } from "react";
import { evidenceWords, judgedByWords } from "@/words";
import type { PilotData } from "./load";

const SHOWN = 5;

/** What was signed off, by whom, when and on what evidence. */
export function Milestones({ data }: { data: PilotData }) {
  const [all, setAll] = useState(false);
  const shown = all ? data.milestones : data.milestones.slice(0, SHOWN);
  const undoable = useUndoable();
  const syllabus = useSyllabus();
  const listener = useListener();
  return (
    <section aria-labelledby="milestones">
      <Typography variant="h2" id="milestones">
        Milestones
      </Typography>
      {data.milestones.length === 0 && (
        <Typography color="text.secondary">
          {data.coaches
            ? "None yet. A sign-off makes one, with its evidence."
            : "None yet. Your coach signs steps off."}
        </Typography>
      )}
      {shown.map((milestone) => (
        <Box key={milestone.id} sx={(theme) => ({ py: 1, borderBottom: `1.5px solid ${theme.tokens.rule}` })}>
          <Box sx={{ display: "flex", gap: 1, alignItems: "baseline" }}>
            <StateMark state="signed-off" size={13} labelled={false} />
            <b>{stepName(syllabus, milestone.stepId)}</b>
            <Box sx={{ flex: 1 }} />
            {data.coaches && (
              <Button
                size="small"
                sx={{ minHeight: 26, py: 0 }}
                onClick={() => undoable("withdraw-sign-off", "restore-sign-off", milestone.id, "Sign-off withdrawn")}
              >
                Undo sign-off
              </Button>
            )}
          </Box>
          <Box sx={{ fontSize: "0.85rem" }}>
            <Moment atMs={milestone.signedAtMs} />, {milestone.coachName}
            {milestone.broughtIn && " (imported)"}
          </Box>
          <Box sx={{ fontSize: "0.85rem", color: "text.secondary" }}>
            {evidenceWords(milestone.evidence, milestone.stepId, syllabus, listener)}
            {milestone.evidence.judgedBy && (
              <>
                {" "}
                Mark: {judgedByWords(milestone.evidence.judgedBy, listener.units)} (syllabus{" "}
                <span className="num">{milestone.evidence.judgedBy.syllabus}</span>).
              </>
            )}
          </Box>
          {milestone.note && (
            <Box sx={{ fontSize: "0.9rem", whiteSpace: "pre-wrap", overflowWrap: "anywhere" }}>{milestone.note}</Box>
          )}
        </Box>
      ))}
      {data.milestones.length > SHOWN && (
        <Button size="small" onClick={() => setAll((now) => !now)}>
          {all ? "Newest only" : `All ${data.milestones.length}`}
        </Button>
      )}
    </section>
  );
}
