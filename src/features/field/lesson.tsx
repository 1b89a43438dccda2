import Typography from "@mui/material/Typography";
import { lessonOf, type LessonState } from "@/syllabus";
import { Box } from "@/ui/layout/box";
import { lessonWords } from "@/words";
import type { useFieldPlace } from "./use-field-place";
import type { FlownNow } from "./use-taps";

const marks: Readonly<Record<LessonState, string>> = { done: "✓", now: "▸", "to-come": "·" };
const stateNames: Readonly<Record<LessonState, string>> = { done: "done", now: "now", "to-come": "to come" };

interface LessonProps {
  readonly place: ReturnType<typeof useFieldPlace>;
  readonly now: FlownNow;
}

/** What the coach says and does with this pilot at this step, in order, and how far the taps say it has come. */
export function Lesson({ place: { pilot, block, blocks }, now: { taught, own } }: LessonProps) {
  if (!taught || taught.leftOut) return null;
  const parts = lessonOf(taught, {
    minutes: block.kind === "show" ? 0 : block.minutes,
    firstDirection: block.firstDirection,
    demonstrated: blocks.some(({ kind, stepId }) => kind === "show" && stepId === taught.id),
    flown: own,
  });
  return (
    <Box component="section" aria-label="Lesson" sx={{ mt: 2 }}>
      <Typography variant="h3" component="h2">
        Lesson: {taught.name.toLowerCase()}
      </Typography>
      <Box component="ol" sx={{ listStyle: "none", p: 0, m: 0 }}>
        {parts.map((part, i) => {
          const { head, says } = lessonWords(part, taught, pilot.name);
          return (
            <Box
              component="li"
              // The order never changes while it is shown.
              key={i}
              aria-current={part.state === "now" ? "step" : undefined}
              sx={(theme) => ({
                display: "grid",
                gridTemplateColumns: "1.2em 6.5em 1fr",
                py: 0.5,
                borderTop: `1px solid ${theme.tokens.rule}`,
                color: part.state === "done" ? "text.secondary" : "text.primary",
              })}
            >
              <span role="img" aria-label={stateNames[part.state]}>
                {marks[part.state]}
              </span>
              <Box component="span" sx={{ fontWeight: part.state === "now" ? 700 : 500 }}>
                {head}
              </Box>
              <span>{says}</span>
            </Box>
          );
        })}
      </Box>
    </Box>
  );
}
