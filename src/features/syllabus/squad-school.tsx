"use client";

import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { useRouter } from "next/navigation";
import { useState } from "react";
import type { School } from "@/syllabus";
import { useSend } from "@/ui/actions/use-send";
import { SchoolChoices } from "@/ui/syllabus/school-choices";
import type { SyllabusData } from "./load";

/** The sides the squad takes where practitioners disagree. */
export function SquadSchool({ data }: { data: SyllabusData }) {
  const router = useRouter();
  const { sendAction, pending } = useSend();
  const [chosen, setChosen] = useState<School>(data.school);
  const changed = JSON.stringify(chosen) !== JSON.stringify(data.school);
  const save = async () => {
    const result = await sendAction("set-squad-school", {
      id: data.squadId,
      school: chosen,
      version: data.squadVersion,
    });
    if (result.ok) router.refresh();
  };
  return (
    <section aria-labelledby="school">
      <Typography variant="h2" id="school">
        School of the squad
      </Typography>
      <Typography sx={{ fontSize: "0.9rem", color: "text.secondary", mb: 1.5 }}>
        Where practitioners disagree. A pilot may take other sides, on their own page.
      </Typography>
      <SchoolChoices chosen={chosen} under={{}} otherwise="usual" disabled={false} onChange={setChosen} />
      <Button variant="contained" sx={{ mt: 2 }} disabled={!changed || pending} onClick={save}>
        Save choices
      </Button>
    </section>
  );
}
