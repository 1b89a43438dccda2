"use client";

import Typography from "@mui/material/Typography";
import type { Site, TallyPilot } from "@/contract";
import type { BriefData } from "@/features/brief/client";
import { recipeOf, type Step } from "@/syllabus";
import { Box } from "@/ui/layout/box";
import { LightLeft } from "@/ui/light/light-left";
import { usePreferences } from "@/ui/theme/preferences";
import { Num } from "@/ui/units/figure";
import { quantityText } from "@/words";

/** Who flies what, in which turn, from where and up to where. */
export function TallyHead({
  pilot,
  packAt,
  step,
  brief,
  direction,
  site,
  name,
  children,
}: {
  pilot: TallyPilot;
  /** The how-manieth pack of the pilot, from 0. */
  packAt: number;
  step: Step | null;
  brief: BriefData | undefined;
  direction: string;
  site: Site | null;
  /** Whose turn it is, as a heading. */
  name: React.ReactNode;
  /** The pack clock. */
  children: React.ReactNode;
}) {
  return (
    <Box sx={{ display: "flex", justifyContent: "space-between" }}>
      <Box sx={{ minWidth: 0, flex: 1 }}>
        {name}
        <Typography sx={{ fontSize: "0.95rem" }}>
          {step?.name ?? "Free flying"}
          {pilot.turns.length > 0 && (
            <>
              , turn{" "}
              <span className="num">
                {packAt + 1}/{pilot.turns.length}
              </span>
            </>
          )}
          {step && brief && <StartAt brief={brief} step={step} direction={direction} />}
          {site?.ceilingM != null && (
            <Box component="span" sx={{ color: "error.main", fontWeight: 650, ml: 1, whiteSpace: "nowrap" }}>
              not above <Num value={site.ceilingM} quantity="length" digits={0} />
            </Box>
          )}
          {site?.place && (
            <Box component="span" sx={{ ml: 1, whiteSpace: "nowrap" }}>
              <LightLeft place={site.place} />
            </Box>
          )}
        </Typography>
      </Box>
      {children}
    </Box>
  );
}

/** From which height the step is begun, as it was worked out before. */
function StartAt({ brief, step, direction }: { brief: BriefData; step: Step; direction: string }) {
  const { units } = usePreferences();
  const recipe = recipeOf(step, direction, brief);
  if (!recipe || recipe.entryHeightM !== undefined) return null;
  // A packet that an older version of the program kept knows of none.
  const kept = brief.startHeights?.[direction];
  return (
    <Box component="span" sx={{ ml: 1, whiteSpace: "nowrap", fontWeight: 650 }}>
      {kept ? (
        <>
          from <span className="num">{quantityText(kept.heightM, "length", units)}</span> up
        </>
      ) : (
        "start height not worked out"
      )}
    </Box>
  );
}
