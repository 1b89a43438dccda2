"use client";

import { chancePercent, countWords, markWords, numeral, percent, percentRange } from "@/words";
import ButtonBase from "@mui/material/ButtonBase";
import { leavesOf, windowOf, type DirectionEvidence, type PassMark } from "@/core";
import { Box } from "../layout/box";
import { LastOutcomes, RateBar } from "../marks/marks";
import { usePreferences } from "../theme/preferences";
import { useWhy } from "../why/why";

/** Marks that look back over more are told in words. */
const MOST_SHOWN = 5;

interface EvidenceLineProps {
  readonly name: string;
  readonly one: DirectionEvidence;
  readonly mark: PassMark;
}

/** One direction: the attempts the mark looks at, the clean rate with its interval, and whether it passes. Opens the reason. */
export function EvidenceLine({ name, one, mark }: EvidenceLineProps) {
  const { openWhy } = useWhy();
  const { units } = usePreferences();
  const { posterior } = one;
  const window = windowOf(mark);
  const have = leavesOf(one.judged)
    .map(({ count }) => countWords(count, units))
    .join(", ");
  const range = percentRange(posterior);
  // Where nobody has flown there is no rate to speak of, only the even start.
  const flown = one.attempts > 0;
  return (
    <ButtonBase
      onClick={() =>
        openWhy({
          title: `Clean rate, ${name}`,
          result: flown ? `${percent(posterior.mean)}, 90\u202f% interval ${range}` : "not flown yet",
          how: `The clean rate now: it starts even, every attempt moves it, and it may rise or fall from one to the next. The interval holds the true rate with 90\u202f% chance. The rule for passing is separate: ${markWords(mark, units)}. Luck: a pilot who flies half of them clean comes to a stretch as clean as the last ones within as many attempts, with this chance.`,
          inputs: [
            ["attempts that count", String(one.attempts)],
            ["of them clean", String(one.cleanAttempts)],
            ["of the mark", have],
            ["chance of luck", one.luck === null ? "–" : chancePercent(one.luck)],
            ["Beta a, b", `${numeral(posterior.a, 1)}, ${numeral(posterior.b, 1)}`],
            [`chance above ${percent(window.share)}`, percent(posterior.chanceAboveMark)],
          ],
          source:
            "Bayesian filter of a rate that drifts, from a uniform start; how it drifts is this program's choice, and how often the interval holds is in its benchmark.",
          leftOut: "How hard each attempt was: wind, light, place and a tired pilot count alike.",
        })
      }
      sx={{
        display: "grid",
        gridTemplateColumns: { xs: "78px 88px 1fr", sm: "76px 88px minmax(60px,1fr) 74px 138px" },
        gridTemplateAreas: { xs: '"name last pass" "bar bar range"', sm: '"name last bar range pass"' },
        gap: 1,
        alignItems: "center",
        width: "100%",
        textAlign: "left",
        py: 0.5,
        minHeight: 28,
        fontSize: "0.9rem",
      }}
      aria-label={`${name}: ${flown ? `${have}, clean rate ${percent(posterior.mean)}, ${range}` : "not flown yet"}. Why this number`}
    >
      <Box component="span" sx={{ gridArea: "name" }}>
        {name}
      </Box>
      <Box component="span" sx={{ gridArea: "last" }}>
        <LastOutcomes outcomes={one.lastOutcomes.slice(-MOST_SHOWN)} window={Math.min(MOST_SHOWN, window.attempts)} />
      </Box>
      <Box component="span" sx={{ gridArea: "bar" }}>
        {flown && <RateBar mean={posterior.mean} low={posterior.low} high={posterior.high} mark={window.share} />}
      </Box>
      <span className="num" style={{ whiteSpace: "nowrap", gridArea: "range" }}>
        {flown && range}
      </span>
      <Box
        component="span"
        sx={(theme) => ({
          gridArea: "pass",
          fontWeight: 650,
          color: one.passes ? theme.tokens.shoal : theme.tokens.inkSoft,
        })}
      >
        {one.passes
          ? `■ passes${one.luck === null ? "" : `, ${chancePercent(one.luck)} luck`}`
          : one.attempts === 0
            ? "not flown"
            : have}
      </Box>
    </ButtonBase>
  );
}
