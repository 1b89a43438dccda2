"use client";

import Typography from "@mui/material/Typography";
import { stepName } from "@/syllabus";
import { Link } from "@/ui/actions/link";
import { Box } from "@/ui/layout/box";
import { Moment } from "@/ui/moment/moment";
import { useAtHand } from "@/ui/shell/at-hand";
import { useSyllabus } from "@/ui/syllabus/use-syllabus";
import { homeworkWords } from "@/words";
import type { PilotData } from "./load";

/** Homework of the pilot and how far it has come; nothing where none is set. */
export function Practised({ data: { homework, nowMs } }: { data: PilotData }) {
  const syllabus = useSyllabus();
  const { hrefFor } = useAtHand();
  if (homework.length === 0) return null;
  return (
    <section aria-labelledby="homework">
      <Typography variant="h2" id="homework">
        Homework
      </Typography>
      {homework.map((one) => {
        const { mark, says } = homeworkWords(one, nowMs);
        return (
          <Box key={one.id} sx={{ py: 0.5 }}>
            {mark} <Link href={hrefFor("/practice", { step: one.stepId })}>{stepName(syllabus, one.stepId)}</Link>:{" "}
            {says}, due <Moment atMs={one.dueAtMs} />
          </Box>
        );
      })}
    </section>
  );
}
