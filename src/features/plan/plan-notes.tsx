"use client";

import Alert from "@mui/material/Alert";
import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { Box } from "@/ui/layout/box";
import { usePreferences } from "@/ui/theme/preferences";
import { refusedWords } from "@/words";
import type { Plan } from "./use-plan";

/** What stands against a plan, and what is still to be worked out for it. */
export function PlanNotes({
  plan: { refused, broken, outside, heights, flying },
  worksOut,
}: {
  plan: Plan;
  /** Start heights are worked out in this browser. */
  worksOut: boolean;
}) {
  const { units } = usePreferences();
  return (
    <>
      {[
        ["Not here today:", refused, "Pick another step, aircraft or site."] as const,
        ["Beyond the limits:", broken, "Remove something, or raise the limit above."] as const,
      ].map(
        ([title, lines, way]) =>
          lines.length > 0 && (
            <Alert key={title} severity="error" sx={{ mt: 2 }}>
              {title}
              {lines.map((line) => (
                <div key={line}>{line}</div>
              ))}
              {way}
            </Alert>
          ),
      )}
      {worksOut && outside && heights.missing > 0 && (
        <Box sx={{ display: "flex", alignItems: "center", gap: 1.5, mt: 1 }} role="status">
          {heights.working ? (
            <span>
              Working out minimum start heights, <span className="num">{heights.working.done}</span> of{" "}
              <span className="num">{heights.working.of}</span>
            </span>
          ) : (
            <>
              <span>
                <span className="num">{heights.missing}</span> minimum start{" "}
                {heights.missing === 1 ? "height is" : "heights are"} not worked out yet.
              </span>
              <Button size="small" variant="outlined" onClick={heights.workOutMissing}>
                Work {heights.missing === 1 ? "it" : "them"} out
              </Button>
            </>
          )}
          {heights.why && <Box sx={{ color: "error.main" }}>{refusedWords(heights.why, units)}</Box>}
        </Box>
      )}
      {flying && (
        <Typography role="status" sx={{ mt: 1, color: "text.secondary" }}>
          Flying the tricks in the model for their highest point, <span className="num">{flying.done}</span> of{" "}
          <span className="num">{flying.of}</span>
        </Typography>
      )}
    </>
  );
}
