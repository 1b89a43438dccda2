"use client";

import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { pathOf, routeOf } from "@/syllabus";
import { Link } from "@/ui/actions/link";
import { Box } from "@/ui/layout/box";
import { useAtHand } from "@/ui/shell/at-hand";
import { useSyllabus } from "@/ui/syllabus/use-syllabus";
import type { PilotData } from "./load";

/** The season as a page and on paper, and the certificates of the stages that are signed off in full. */
export function Reports({ data }: { data: PilotData }) {
  const syllabus = useSyllabus();
  const { hrefFor } = useAtHand();
  const signed = new Set(data.milestones.map(({ stepId }) => stepId));
  const way = pathOf(syllabus, routeOf(data.school)).filter(({ optional }) => !optional);
  const done = syllabus.stages.flatMap((name, stage) => {
    const own = way.filter(({ id }) => syllabus.skillByStep.get(id)?.stage === stage);
    return own.length > 0 && own.every(({ id }) => signed.has(id)) ? [{ name, stage }] : [];
  });
  return (
    <section aria-labelledby="reports">
      <Typography variant="h2" id="reports">
        On paper
      </Typography>
      <Box sx={{ display: "flex", flexWrap: "wrap", gap: 0.5, ml: -1 }}>
        <Button component={Link} href={hrefFor("/season")}>
          Season
        </Button>
        {done.map(({ name, stage }) => (
          <Button key={stage} component="a" href={`/reports/${data.pilot.id}/stage-${stage}.pdf`} download>
            Certificate: {name}
          </Button>
        ))}
      </Box>
    </section>
  );
}
