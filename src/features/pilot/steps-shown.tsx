"use client";

import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { useState } from "react";
import { routeOf, type StepStanding } from "@/syllabus";
import { PickOne } from "@/ui/forms/pick-one";
import { Box } from "@/ui/layout/box";
import { StateMark, stateWords } from "@/ui/marks/marks";
import { useSyllabus } from "@/ui/syllabus/use-syllabus";
import { DepthChart } from "./depth-chart";
import { DepthStrip } from "./depth-strip";
import type { PilotData } from "./load";
import type { SoundedStep } from "./sounded";
import { StepList } from "./step-list";

const filters = [
  { id: "all", name: "all", shows: () => true },
  {
    id: "open",
    name: "open to learn",
    shows: ({ state, needsFirst }: SoundedStep) => state !== "signed-off" && needsFirst.length === 0,
  },
  { id: "learning", name: "learning", shows: ({ state }: SoundedStep) => state === "being-learnt" },
  { id: "due", name: "review due", shows: ({ reviewDue }: SoundedStep) => reviewDue },
  { id: "ready", name: "mark met", shows: ({ markMet }: SoundedStep) => markMet },
] as const;
type FilterId = (typeof filters)[number]["id"];

/** All steps as a depth chart or a list, those of one kind only where that is asked. */
export function StepsShown({
  data,
  selectedId,
  onTurn,
  onLook,
  onSign,
}: {
  data: PilotData;
  selectedId: string | null;
  /** From chart to list and back. */
  onTurn: () => void;
  onLook: (stepId: string) => void;
  onSign: (one: StepStanding) => void;
}) {
  const syllabus = useSyllabus();
  const [filterId, setFilter] = useState<FilterId>("all");
  const { shows } = filters.find(({ id }) => id === filterId) ?? filters[0];
  const route = routeOf(data.school);
  return (
    <>
      <Box sx={{ display: "flex", flexWrap: "wrap", alignItems: "center", columnGap: 2, rowGap: 1, mb: 0.5 }}>
        <Typography variant="h2">{data.listed ? "Steps" : "Depth chart"}</Typography>
        <PickOne
          label="Steps shown"
          value={filterId}
          options={filters.map(({ id, name }) => [id, name])}
          onPick={setFilter}
          buttonSx={{ px: 1, py: 0.5 }}
        />
        <Box sx={{ fontSize: "0.85rem", display: { xs: "none", md: "block" } }}>
          {(["signed-off", "being-learnt", "due", "not-begun"] as const).map((state) => (
            <Box component="span" key={state} sx={{ mr: 1.5, whiteSpace: "nowrap" }}>
              <StateMark state={state} size={12} labelled={false} /> {stateWords[state]}
            </Box>
          ))}
        </Box>
        <Box sx={{ flex: 1 }} />
        <Button size="small" variant="outlined" onClick={() => onTurn()}>
          {data.listed ? "As a chart" : "As a list"}
        </Button>
      </Box>
      {data.listed ? (
        <StepList
          data={data}
          steps={data.listed.filter((_, i) => shows(data.steps[i]))}
          onSign={data.coaches ? onSign : null}
        />
      ) : (
        <>
          <Box sx={{ display: { xs: "none", md: "block" } }}>
            <DepthChart
              syllabus={syllabus}
              steps={data.steps}
              route={route}
              selectedId={selectedId}
              shows={shows}
              onSelect={onLook}
            />
          </Box>
          <Box sx={{ display: { xs: "block", md: "none" } }}>
            <DepthStrip steps={data.steps.filter(shows)} selectedId={selectedId} onSelect={onLook} />
          </Box>
        </>
      )}
    </>
  );
}
