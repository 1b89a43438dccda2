"use client";

import { useTheme } from "@mui/material/styles";
import type { Glance } from "@/syllabus";

const COLUMN = 11;
const GAP = 2;
const HEIGHT = 14;

/** How deep a pilot has come, stage by stage: each column fills from the top with what is signed off. */
export function Depths({ depths, stages }: { depths: Glance["depths"]; stages: readonly string[] }) {
  const { tokens } = useTheme();
  const says = depths
    .flatMap(({ steps, signedOff }, stage) => (signedOff > 0 ? [`${stages[stage]} ${signedOff} of ${steps}`] : []))
    .join(", ");
  return (
    <svg
      width={depths.length * (COLUMN + GAP)}
      height={HEIGHT}
      role="img"
      aria-label={says === "" ? "Nothing signed off yet" : `Signed off: ${says}`}
      style={{ display: "block" }}
    >
      {depths.map(({ steps, signedOff }, stage) => {
        const x = stage * (COLUMN + GAP) + 0.75;
        const filled = steps === 0 ? 0 : ((HEIGHT - 1.5) * signedOff) / steps;
        return (
          <g key={stage}>
            <rect
              x={x}
              y={0.75}
              width={COLUMN - 1.5}
              height={HEIGHT - 1.5}
              fill={tokens.depths[Math.min(stage, tokens.depths.length - 1)]}
              stroke={tokens.rule}
            />
            <rect x={x} y={0.75} width={COLUMN - 1.5} height={filled} fill={tokens.ink} />
          </g>
        );
      })}
    </svg>
  );
}
