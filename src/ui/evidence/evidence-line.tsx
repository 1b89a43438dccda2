"use client";

import { numeral, countWords, markWords, percent, percentRange } from "@/words";
import Box from "@mui/material/Box";
import ButtonBase from "@mui/material/ButtonBase";
import { leavesOf, RECENCY_HALF_LIFE_ATTEMPTS, windowOf, type DirectionEvidence, type PassMark } from "@/core";
import { LastOutcomes, RateBar } from "../marks/marks";
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
  const { posterior } = one;
  const window = windowOf(mark);
  const have = leavesOf(one.judged)
    .map(({ count }) => countWords(count))
    .join(", ");
  const range = percentRange(posterior);
  // Where nobody has flown there is no rate to speak of, only the even start.
  const flown = one.attempts > 0;
  return (
    <ButtonBase
      onClick={() =>
        openWhy({
          title: `Clean rate, ${name}`,
          result: flown ? `${percent(posterior.mean)}, 90 % interval ${range}` : "not flown yet",
          how: `Beta distribution of the clean rate: it starts even, every attempt moves it, and an attempt ${RECENCY_HALF_LIFE_ATTEMPTS} attempts ago counts half. The interval holds the true rate with 90 % chance. The rule for passing is separate: ${markWords(mark)}.`,
          inputs: [
            ["attempts that count", String(one.attempts)],
            ["of them clean", String(one.cleanAttempts)],
            ["of the mark", have],
            ["Beta a, b", `${numeral(posterior.a, 1)}, ${numeral(posterior.b, 1)}`],
            [`chance above ${percent(window.share)}`, percent(posterior.chanceAboveMark)],
          ],
          source: "Bayes' rule with a uniform start (Beta 1, 1); recency half-life is this program's choice.",
        })
      }
      sx={{
        display: "grid",
        gridTemplateColumns: { xs: "78px 88px 1fr", sm: "76px 88px minmax(60px,1fr) 74px 112px" },
        gridTemplateAreas: { xs: '"name last pass" "bar bar range"', sm: '"name last bar range pass"' },
        gap: 1.2,
        alignItems: "center",
        width: "100%",
        textAlign: "left",
        py: 0.4,
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
        {one.passes ? "■ passes" : one.attempts === 0 ? "not flown" : have}
      </Box>
    </ButtonBase>
  );
}
