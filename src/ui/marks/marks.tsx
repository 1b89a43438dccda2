import Box from "@mui/material/Box";
import type { Outcome } from "@/core";
import type { StepState } from "@/syllabus";
import { visuallyHidden } from "../layout/visually-hidden";

/** Word of each state, beside or behind its shape. */
export const stateWords: Readonly<Record<Marked, string>> = {
  "signed-off": "signed off",
  "being-learnt": "learning",
  due: "review due",
  ready: "ready for sign-off",
  "not-begun": "not started",
};

/** What a state is drawn as: a step's own, one whose review is due, one that is ready to be signed off. */
export type Marked = StepState | "due" | "ready";

/** State by shape: square signed off, one that drains review due, one with a tick ready, triangle learning, ring not started. */
export function StateMark({
  state,
  size = 16,
  labelled = true,
  inherit = false,
}: {
  state: Marked;
  size?: number;
  labelled?: boolean;
  /** In the colour of the text round it, on a ground of its own. */
  inherit?: boolean;
}) {
  return (
    <Box component="span" sx={{ display: "inline-flex", verticalAlign: "-2px" }}>
      <svg width={size} height={size} viewBox="0 0 16 16" aria-hidden focusable="false">
        {state === "signed-off" && (
          <Box
            component="rect"
            x="2"
            y="2"
            width="12"
            height="12"
            sx={(theme) => ({ fill: inherit ? "currentColor" : theme.tokens.ink })}
          />
        )}
        {(state === "due" || state === "ready") && (
          <>
            {state === "due" && (
              <Box component="rect" x="3" y="8" width="10" height="5" sx={(theme) => ({ fill: theme.tokens.ochre })} />
            )}
            <Box
              component="path"
              d={state === "due" ? "M3 3H13V13H3ZM3 8H13" : "M3 3H13V13H3ZM5.2 8.2 7.3 10.4 10.8 5.8"}
              sx={(theme) => ({
                fill: "none",
                stroke: inherit ? "currentColor" : theme.tokens.ink,
                strokeWidth: 1.8,
              })}
            />
          </>
        )}
        {state === "being-learnt" && (
          <Box
            component="path"
            d="M8 1.5 15 14.5H1Z"
            sx={(theme) => ({
              fill: theme.tokens.ochre,
              stroke: theme.tokens.ink,
              strokeWidth: 1.5,
              strokeLinejoin: "round",
            })}
          />
        )}
        {state === "not-begun" && (
          <Box
            component="circle"
            cx="8"
            cy="8"
            r="5.5"
            sx={(theme) => ({ fill: "none", stroke: inherit ? "currentColor" : theme.tokens.ink, strokeWidth: 1.8 })}
          />
        )}
      </svg>
      {labelled && (
        <Box component="span" sx={visuallyHidden}>
          {stateWords[state]}
        </Box>
      )}
    </Box>
  );
}

export const outcomeWords: Readonly<Record<Outcome, string>> = {
  clean: "Clean",
  rough: "Rough",
  bailed: "Bailed",
  crashed: "Crashed",
};

/** The shape of an outcome in a box of 24 by 24, filled where it is clean and drawn as a line where it is not. */
export const outcomePath = (outcome: Outcome): string => outcomePaths[outcome];

const outcomePaths: Readonly<Record<Outcome, string>> = {
  clean: "M3 3H21V21H3Z",
  rough: "M2 14 C5 5 9 5 12 12 S19 19 22 10",
  bailed: "M3 19 12 6 21 19",
  crashed: "M4 4 20 20 M20 4 4 20",
};

/** Outcome by shape: block clean, wave rough, chevron bailed, cross crashed. Takes the colour of the text round it. */
export function OutcomeMark({
  outcome,
  size = 24,
  labelled = true,
}: {
  outcome: Outcome;
  size?: number;
  labelled?: boolean;
}) {
  return (
    <Box component="span" sx={{ display: "inline-flex", verticalAlign: "middle" }}>
      <svg width={size} height={size} viewBox="0 0 24 24" aria-hidden focusable="false">
        <path
          d={outcomePaths[outcome]}
          fill={outcome === "clean" ? "currentColor" : "none"}
          stroke="currentColor"
          strokeWidth={outcome === "clean" ? 0 : 4}
        />
      </svg>
      {labelled && (
        <Box component="span" sx={visuallyHidden}>
          {outcomeWords[outcome]}
        </Box>
      )}
    </Box>
  );
}

/** The attempts a pass mark looks at, oldest first, with empty places for those still to come. */
export function LastOutcomes({ outcomes, window }: { outcomes: readonly Outcome[]; window: number }) {
  const empty = Math.max(0, window - outcomes.length);
  return (
    <Box component="span" sx={{ display: "inline-flex", gap: 0.5, alignItems: "center" }}>
      {outcomes.map((outcome, i) => (
        <Box
          key={i}
          component="span"
          title={outcomeWords[outcome]}
          sx={(theme) => ({
            display: "inline-flex",
            color: {
              clean: theme.tokens.shoal,
              rough: theme.tokens.ochreText,
              bailed: theme.tokens.slate,
              crashed: theme.tokens.buoyText,
            }[outcome],
          })}
        >
          <OutcomeMark outcome={outcome} size={15} />
        </Box>
      ))}
      {Array.from({ length: empty }, (_, i) => (
        <Box
          key={`empty-${i}`}
          component="span"
          aria-hidden
          sx={(theme) => ({ width: 13, height: 13, border: `1.5px dotted ${theme.tokens.inkSoft}` })}
        />
      ))}
    </Box>
  );
}

/** A clean rate with its 90 % interval against the pass mark, as one small bar. */
export function RateBar({
  mean,
  low,
  high,
  mark,
  label,
}: {
  mean: number;
  low: number;
  high: number;
  mark: number;
  /** Left out where the words beside it say the same. */
  label?: string;
}) {
  const x = (share: number) => 100 * share;
  return (
    <Box
      component="svg"
      viewBox="0 0 100 14"
      preserveAspectRatio="none"
      {...(label === undefined ? { "aria-hidden": true } : { role: "img", "aria-label": label })}
      sx={{ width: "100%", height: 14, display: "block" }}
    >
      <Box component="rect" x="0" y="6" width="100" height="2" sx={(theme) => ({ fill: theme.tokens.rule })} />
      <Box
        component="rect"
        x={x(low)}
        y="4"
        width={Math.max(1, x(high - low))}
        height="6"
        sx={(theme) => ({ fill: theme.tokens.shoal, fillOpacity: 0.55 })}
      />
      <Box
        component="rect"
        x={Math.min(98.4, Math.max(0, x(mean) - 0.8))}
        y="1"
        width="1.6"
        height="12"
        sx={(theme) => ({ fill: theme.tokens.ink })}
      />
      <Box
        component="path"
        d={`M${x(mark)} 0V14`}
        vectorEffect="non-scaling-stroke"
        sx={(theme) => ({ stroke: theme.tokens.buoyText, strokeWidth: 1.5, strokeDasharray: "2 2" })}
      />
    </Box>
  );
}
