"use client";

import { useTheme } from "@mui/material/styles";
import { findStep } from "@/syllabus";
import { Box } from "@/ui/layout/box";
import { StateMark } from "@/ui/marks/marks";
import { useSyllabus } from "@/ui/syllabus/use-syllabus";
import { depthOf, inkOn } from "./depth-colours";
import type { SoundedStep } from "./sounded";

/** The depth chart of a phone: the stages one under the other, their steps as far as the line is wide. */
export function DepthStrip({
  steps,
  selectedId,
  onSelect,
}: {
  steps: readonly SoundedStep[];
  selectedId: string | null;
  onSelect: (stepId: string) => void;
}) {
  const syllabus = useSyllabus();
  const { tokens } = useTheme();
  return (
    <Box
      role="group"
      aria-label="Depth chart"
      sx={{
        "& button": { minHeight: 40, px: 1, gap: 0.5, fontSize: "0.9rem", borderRadius: "3px" },
        "& button[aria-pressed=true]": {
          color: tokens.ink,
          bgcolor: tokens.sheet,
          outline: `2px solid ${tokens.buoy}`,
        },
      }}
    >
      {syllabus.stages.map((name, stage) => {
        const own = steps.filter(({ stepId }) => syllabus.skillByStep.get(stepId)?.stage === stage);
        if (own.length === 0) return null;
        const ground = depthOf(tokens, stage);
        return (
          <Box key={name} sx={{ bgcolor: ground, color: inkOn(ground, tokens), px: 1, py: 1 }}>
            <Box sx={{ fontSize: "0.82rem", fontWeight: 650 }}>
              <span className="num">{stage}</span> {name}
            </Box>
            <Box sx={{ display: "flex", flexWrap: "wrap", columnGap: 0.5 }}>
              {own.map((one) => (
                <button
                  key={one.stepId}
                  className="plain-button"
                  aria-pressed={one.stepId === selectedId}
                  onClick={() => onSelect(one.stepId)}
                >
                  <StateMark state={one.reviewDue ? "due" : one.state} size={13} inherit />
                  {findStep(syllabus, one.stepId)?.short}
                </button>
              ))}
            </Box>
          </Box>
        );
      })}
    </Box>
  );
}
