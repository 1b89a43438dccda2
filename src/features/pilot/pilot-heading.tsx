"use client";

import Button from "@mui/material/Button";
import DialogContent from "@mui/material/DialogContent";
import DialogTitle from "@mui/material/DialogTitle";
import Typography from "@mui/material/Typography";
import { useRouter } from "next/navigation";
import { useState } from "react";
import { pathOf, routeOf } from "@/syllabus";
import { pilotFields, pilotFrom } from "@/ui/forms/pilot-fields";
import { SendFormLater as SendForm } from "@/ui/forms/send-form-later";
import { Box } from "@/ui/layout/box";
import { Dialog } from "@/ui/layout/opened";
import { StateMark } from "@/ui/marks/marks";
import { daysAgo } from "@/ui/moment/moment";
import { useSyllabus } from "@/ui/syllabus/use-syllabus";
import type { PilotData } from "./load";
import { PlacePilot } from "./place-pilot";
import { RemovePilot } from "./remove-pilot";
import { usePreferences } from "@/ui/theme/preferences";

/** Who it is, how deep they have sounded, and what may be done with the record. */
export function PilotHeading({ data }: { data: PilotData }) {
  const { pilot, milestones, coaches, reviewsDue, idleDays } = data;
  const syllabus = useSyllabus();
  const router = useRouter();
  const [editing, setEditing] = useState(false);
  const { units } = usePreferences();
  const way = pathOf(syllabus, routeOf(data.school)).filter(({ optional }) => !optional);
  const signed = new Set(milestones.map(({ stepId }) => stepId));
  const deepest = Math.max(-1, ...milestones.map(({ stepId }) => syllabus.skillByStep.get(stepId)?.stage ?? -1));
  return (
    <>
      <Box sx={{ display: "flex", flexWrap: "wrap", alignItems: "baseline", columnGap: 3, rowGap: 1 }}>
        <Typography variant="h1">{pilot.name}</Typography>
        {deepest >= 0 && (
          <span>
            deepest stage <b className="num">{deepest}</b> of <b className="num">{syllabus.stages.length - 1}</b>
          </span>
        )}
        <span>
          signed off <b className="num">{way.filter(({ id }) => signed.has(id)).length}</b> of{" "}
          <b className="num">{way.length}</b>
        </span>
        {reviewsDue > 0 && (
          <Box component="span" sx={(theme) => ({ color: theme.tokens.ochreText, fontWeight: 600 })}>
            <StateMark state="due" size={13} labelled={false} /> review due <b className="num">{reviewsDue}</b>
          </Box>
        )}
        <span>{idleDays === null ? "not flown yet" : `flew ${daysAgo(idleDays)}`}</span>
        <span>
          mode <b className="num">{pilot.stickMode}</b>, {pilot.grip}
        </span>
        <Box sx={{ flex: 1 }} />
        {coaches ? (
          <>
            <PlacePilot data={data} />
            <Button onClick={() => setEditing(true)}>Change</Button>
            <RemovePilot data={data} />
          </>
        ) : (
          <Button component="a" href={`/records/${pilot.id}/record.json`} download>
            Download my record
          </Button>
        )}
      </Box>
      <Dialog open={editing} onClose={() => setEditing(false)} aria-labelledby="edit-pilot" fullWidth maxWidth="xs">
        <DialogTitle id="edit-pilot">Change {pilot.name}</DialogTitle>
        <DialogContent>
          <Box sx={{ pt: 1 }}>
            <SendForm
              action="edit-pilot"
              submit="Save"
              fields={pilotFields(pilot, data.squads, units)}
              input={(values) => ({ id: pilot.id, version: pilot.version, ...pilotFrom(values, units) })}
              onDone={() => {
                setEditing(false);
                router.refresh();
              }}
            />
          </Box>
        </DialogContent>
      </Dialog>
    </>
  );
}
