"use client";

import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { useRouter } from "next/navigation";
import { useState, type SyntheticEvent } from "react";
import { sideOf, type School } from "@/syllabus";
import { Box } from "@/ui/layout/box";
import { tell } from "@/ui/messages/messages";
import { SchoolChoices } from "@/ui/syllabus/school-choices";
import { useSend } from "@/ui/actions/use-send";
import type { PilotData } from "./load";

/** The sides a pilot takes where practitioners disagree, each with what it gains. What is not chosen follows the squad. */
export function SchoolPanel({ data }: { data: PilotData }) {
  const { pilot, squadSchool, coaches } = data;
  const router = useRouter();
  const { sendAction, pending } = useSend();
  const [open, setOpen] = useState(false);
  const [chosen, setChosen] = useState<School>(pilot.school);
  const changed = JSON.stringify(chosen) !== JSON.stringify(pilot.school);
  const save = async () => {
    const result = await sendAction("set-pilot-school", { id: pilot.id, school: chosen, version: pilot.version });
    if (!result.ok) return;
    tell("Choices saved: steps, briefs and recipes follow them", { kind: "done" });
    router.refresh();
  };
  return (
    <Box
      component="details"
      onToggle={(event: SyntheticEvent<HTMLDetailsElement>) => setOpen(event.currentTarget.open)}
      sx={(theme) => ({ borderTop: `1.5px solid ${theme.tokens.ink}` })}
    >
      <Box component="summary" sx={{ py: 1, cursor: "pointer", fontWeight: 700, fontSize: "1.1rem" }}>
        School{" "}
        <Box component="span" sx={{ fontWeight: 400, fontSize: "0.88rem", color: "text.secondary" }}>
          {sideOf(data.school, "route").name}
          {Object.keys(pilot.school).length > 0 && (
            <>
              , <span className="num">{Object.keys(pilot.school).length}</span> of their own
            </>
          )}
        </Box>
      </Box>
      <Typography sx={{ fontSize: "0.88rem", color: "text.secondary", mb: 1.5 }}>
        Where practitioners disagree. Steps, briefs and recipes follow the side taken; none is wrong.
      </Typography>
      {open && (
        <SchoolChoices
          chosen={chosen}
          under={squadSchool}
          otherwise="as the squad"
          disabled={!coaches}
          onChange={setChosen}
        />
      )}
      {coaches && (
        <Box sx={{ display: "flex", gap: 1, mt: 2 }}>
          <Button variant="contained" disabled={!changed || pending} onClick={save}>
            Save choices
          </Button>
          <Button disabled={!changed} onClick={() => setChosen(pilot.school)}>
            As it was
          </Button>
        </Box>
      )}
    </Box>
  );
}
