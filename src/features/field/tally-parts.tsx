"use client";

import { Box } from "@/ui/layout/box";
import { capital, lineTryWords } from "@/words";
import Button from "@mui/material/Button";
import ButtonBase from "@mui/material/ButtonBase";
import Typography from "@mui/material/Typography";
import { windowOf, type Attempt, type Outcome } from "@/core";
import { directionNames, type FlownStep, type Step } from "@/syllabus";
import type { LoggedAttempt } from "@/contract";
import { OutcomeMark, outcomeWords } from "@/ui/marks/marks";
import { Moment } from "@/ui/moment/moment";
import type { Tokens } from "@/ui/theme/tokens";

const targetColours: Readonly<Record<Outcome, readonly [background: keyof Tokens, ink: keyof Tokens]>> = {
  clean: ["shoal", "shoalInk"],
  rough: ["ochre", "ochreInk"],
  bailed: ["slate", "slateInk"],
  crashed: ["buoy", "buoyInk"],
};
/** Attempts in one direction before the other is called for. Common practice, no source. */
const SWITCH_EVERY = 3;

/** The direction to change to after several attempts in the same one; null while there is no need. */
function directionDue(step: Step, own: readonly LoggedAttempt[], direction: string): string | null {
  if (step.directions.length < 2) return null;
  const last = own.slice(-SWITCH_EVERY);
  if (last.length < SWITCH_EVERY || last.some((one) => one.direction !== direction)) return null;
  const ids = step.directions.map(({ id }) => id);
  return ids[(ids.indexOf(direction) + 1) % ids.length];
}

export function DirectionSwitch(props: {
  step: FlownStep;
  earlier: readonly Attempt[];
  own: readonly LoggedAttempt[];
  direction: string;
  onChange: (id: string) => void;
}) {
  const { step, earlier, own, direction, onChange } = props;
  const window = windowOf(step.mark).attempts;
  const due = directionDue(step, own, direction);
  return (
    <Box
      role="radiogroup"
      aria-label="Direction"
      sx={(theme) => ({
        display: "grid",
        gridAutoFlow: "column",
        gridAutoColumns: "1fr",
        border: `2px solid ${theme.tokens.ink}`,
        borderRadius: "3px",
      })}
    >
      {step.directions.map(({ id, name }) => {
        const all = [...earlier, ...own].filter((one) => one.direction === id);
        // Without a mark there are no last few to look at: all of them count.
        const counted = step.leftOut ? all : all.slice(-window);
        const clean = counted.filter((one) => one.outcome === "clean").length;
        const on = id === direction;
        return (
          <ButtonBase
            key={id}
            role="radio"
            aria-checked={on}
            onClick={() => onChange(id)}
            sx={(theme) => ({
              minHeight: 56,
              fontSize: "1.1rem",
              fontWeight: 650,
              columnGap: 1,
              flexWrap: "wrap",
              bgcolor: on ? theme.tokens.ink : "transparent",
              color: on ? theme.tokens.paper : theme.tokens.ink,
            })}
          >
            {capital(name)}
            <span className="num">
              {clean}/{step.leftOut ? counted.length : window}
            </span>
            {due === id && (
              <Box component="span" sx={(theme) => ({ fontSize: "0.85rem", color: theme.tokens.buoyText })}>
                ▲ switch to this side
              </Box>
            )}
          </ButtonBase>
        );
      })}
    </Box>
  );
}

export function Target({
  outcome,
  name = outcomeWords[outcome],
  count,
  ready,
  onTap,
}: {
  outcome: Outcome;
  /** What it is called here. */
  name?: string;
  count: number;
  ready: boolean;
  onTap: () => void;
}) {
  const [background, ink] = targetColours[outcome];
  return (
    <ButtonBase
      disabled={!ready}
      onClick={() => {
        navigator.vibrate?.(30);
        onTap();
      }}
      aria-label={`${name}, ${count} so far`}
      sx={(theme) => ({
        display: "flex",
        flexDirection: "column",
        gap: 0.5,
        borderRadius: "3px",
        bgcolor: theme.tokens[background] as string,
        color: theme.tokens[ink] as string,
        border: `2px solid ${theme.tokens.ink}`,
        touchAction: "manipulation",
        opacity: ready ? 1 : 0.55,
        "&:active": { transform: "scale(0.98)" },
      })}
    >
      <OutcomeMark outcome={outcome} size={48} labelled={false} />
      <Box component="span" sx={{ fontSize: "1.5rem", fontWeight: 700 }}>
        {name}
      </Box>
      <span className="num" style={{ fontSize: "1.05rem" }}>
        {count}
      </span>
    </ButtonBase>
  );
}

/** What may be said of an attempt, each put on or off with a tap. */
export function Chips({
  options,
  chosen,
  disabled,
  label,
  onToggle,
}: {
  options: readonly { readonly id: string; readonly short: string }[];
  chosen: readonly string[];
  disabled: boolean;
  label: string;
  onToggle: (id: string) => void;
}) {
  return (
    <Box role="group" aria-label={label} sx={{ display: "flex", flexWrap: "wrap", gap: 1 }}>
      {options.map(({ id, short }) => {
        const on = chosen.includes(id);
        return (
          <ButtonBase
            key={id}
            disabled={disabled}
            aria-pressed={on}
            onClick={() => onToggle(id)}
            sx={(theme) => ({
              px: 1.5,
              minHeight: 56,
              fontSize: "0.95rem",
              fontWeight: 600,
              border: `2px solid ${disabled ? theme.tokens.rule : theme.tokens.ink}`,
              borderRadius: "3px",
              bgcolor: on ? theme.tokens.ink : "transparent",
              color: on ? theme.tokens.paper : disabled ? theme.tokens.inkSoft : theme.tokens.ink,
            })}
          >
            {on && "✓ "}
            {short}
          </ButtonBase>
        );
      })}
    </Box>
  );
}

/** What was tapped of a step in this session, newest first; any of it can be undone. */
export function TapList({
  step,
  own,
  onUndo,
}: {
  step: Step;
  own: readonly LoggedAttempt[];
  onUndo: (id: string) => void;
}) {
  const names = directionNames(step);
  const faultName = (id: string) => step.faults.find((fault) => fault.id === id)?.short ?? id;
  if (own.length === 0) return null;
  return (
    <Box component="section" aria-label="Attempts of this session" sx={{ mt: 2.5 }}>
      <Typography variant="h2">
        This session <span className="num">{own.length}</span>
      </Typography>
      <Box
        component="ol"
        reversed
        sx={{ listStyle: "none", p: 0, m: 0, maxHeight: 300, overflowY: "auto" }}
        tabIndex={0}
      >
        {[...own].reverse().map((attempt) => (
          <Box
            component="li"
            key={attempt.id}
            sx={(theme) => ({
              display: "flex",
              gap: 1.5,
              alignItems: "center",
              borderBottom: `1px solid ${theme.tokens.rule}`,
              fontSize: "0.9rem",
            })}
          >
            <span className="num">
              <Moment atMs={attempt.atMs} show="time" />
            </span>
            <OutcomeMark outcome={attempt.outcome} size={15} labelled={false} />
            <Box component="span" sx={{ flex: 1, minWidth: 0 }}>
              {outcomeWords[attempt.outcome].toLowerCase()},{" "}
              {attempt.line ? lineTryWords(attempt.line) : (names[attempt.direction] ?? attempt.direction)}
              {attempt.faults.length > 0 && `: ${attempt.faults.map(faultName).join(", ")}`}
            </Box>
            <Button size="small" onClick={() => onUndo(attempt.id)} sx={{ minHeight: 56 }}>
              Undo
            </Button>
          </Box>
        ))}
      </Box>
    </Box>
  );
}
