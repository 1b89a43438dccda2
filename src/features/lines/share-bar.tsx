import type { CountedShare } from "@/core";
import { Box } from "@/ui/layout/box";
import { percent, percentRange } from "@/words";

/** A share as a bar, its interval as a line; one that is marked is hatched. */
export function ShareBar({
  share: { count, of, low, high },
  verb,
  marked,
}: {
  share: CountedShare;
  /** What was counted, as it is said. */
  verb: string;
  marked: boolean;
}) {
  if (of === 0) return <span />;
  return (
    <Box
      role="img"
      aria-label={`${verb} ${percent(count / of)}, ${percentRange({ low, high })}`}
      sx={(theme) => ({ position: "relative", height: 20, border: `1px solid ${theme.tokens.rule}` })}
    >
      <Box
        sx={(theme) => ({
          position: "absolute",
          inset: 0,
          width: `${(100 * count) / of}%`,
          background: marked
            ? `repeating-linear-gradient(70deg, ${theme.tokens.buoyText} 0 3px, ${theme.tokens.paper} 3px 7px)`
            : theme.tokens.depths[3],
        })}
      />
      <Box
        sx={(theme) => ({
          position: "absolute",
          top: 8,
          height: 3,
          left: `${100 * low}%`,
          width: `${100 * (high - low)}%`,
          bgcolor: theme.tokens.ink,
        })}
      />
    </Box>
  );
}
