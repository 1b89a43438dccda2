import { copyEvidence, lookAgainDue } from "@/core";
import { copyTries, type GivenLine, type LoggedAttempt } from "@/contract";
import { Box } from "@/ui/layout/box";
import { counted } from "@/words";
import { Chips } from "./tally-parts";

/** Of a copied line: what was held at the last try, and after so many tries what is lost, with a word to look at the original again. */
export function HeldParts({
  line,
  today,
  last,
  onSet,
}: {
  line: GivenLine;
  /** What the pilot flew in this session. */
  today: readonly LoggedAttempt[];
  last: LoggedAttempt | undefined;
  onSet: (attemptId: string, held: readonly string[]) => void;
}) {
  const { parts = [], lookAfter = 0 } = line;
  if (parts.length === 0) return null;
  const tries = today.filter((one) => one.line?.id === line.id && !one.undone);
  const lastTry = last?.line?.id === line.id ? last.line : undefined;
  const held = lastTry?.held ?? [];
  const toggle = (id: string) => onSet(last!.id, held.includes(id) ? held.filter((one) => one !== id) : [...held, id]);
  return (
    <Box sx={{ display: "grid", gap: 1 }}>
      {lookAgainDue(tries.length, lookAfter) && <LookAgain line={line} tries={tries} />}
      <Box component="span" aria-hidden sx={{ fontWeight: 600, mb: -0.5 }}>
        Parts held on the last try:
      </Box>
      <Chips
        options={(lastTry?.parts ?? parts).map(({ id, name }) => ({ id, short: name }))}
        chosen={held}
        disabled={!lastTry?.parts}
        label="Parts held on the last try"
        onToggle={toggle}
      />
    </Box>
  );
}

function LookAgain({ line, tries }: { line: GivenLine; tries: readonly LoggedAttempt[] }) {
  const { parts = [], lookAfter = 0 } = line;
  const evidence = copyEvidence(
    copyTries(tries),
    parts.map(({ id }) => id),
    lookAfter,
  );
  const lost = evidence.lost.map((id) => {
    const { count, of } = evidence.parts.find((part) => part.id === id)!.lately;
    return `${parts.find((part) => part.id === id)!.name} (${count} of ${of})`;
  });
  return (
    <Box
      role="status"
      aria-label="Look at the original again"
      sx={(theme) => ({ borderLeft: `6px solid ${theme.tokens.ochre}`, pl: 1.5, fontSize: "1.1rem", lineHeight: 1.3 })}
    >
      <b>{counted(tries.length, "try", "tries")}: look at the original again.</b>{" "}
      {lost.length > 0 && `Lost: ${lost.join(", ")}.`}
    </Box>
  );
}
