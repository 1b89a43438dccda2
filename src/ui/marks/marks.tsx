import type { Outcome } from "@/core";
import type { StepState } from "@/syllabus";

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
  const ink = inherit ? "currentColor" : "var(--ink)";
  return (
    <>
      <svg className="mark" width={size} height={size} viewBox="0 0 16 16" aria-hidden focusable="false">
        {state === "signed-off" && <rect x="2" y="2" width="12" height="12" fill={ink} />}
        {state === "due" && <rect x="3" y="8" width="10" height="5" fill="var(--ochre)" />}
        {(state === "due" || state === "ready") && (
          <path
            d={state === "due" ? "M3 3H13V13H3ZM3 8H13" : "M3 3H13V13H3ZM5.2 8.2 7.3 10.4 10.8 5.8"}
            fill="none"
            stroke={ink}
            strokeWidth={1.8}
          />
        )}
        {state === "being-learnt" && (
          <path
            d="M8 1.5 15 14.5H1Z"
            fill="var(--ochre)"
            stroke="var(--ink)"
            strokeWidth={1.5}
            strokeLinejoin="round"
          />
        )}
        {state === "not-begun" && <circle cx="8" cy="8" r="5.5" fill="none" stroke={ink} strokeWidth={1.8} />}
      </svg>
      {labelled && <span className="unseen">{stateWords[state]}</span>}
    </>
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
    <>
      <svg className="outcome-mark" width={size} height={size} viewBox="0 0 24 24" aria-hidden focusable="false">
        <path
          d={outcomePaths[outcome]}
          fill={outcome === "clean" ? "currentColor" : "none"}
          stroke="currentColor"
          strokeWidth={outcome === "clean" ? 0 : 4}
        />
      </svg>
      {labelled && <span className="unseen">{outcomeWords[outcome]}</span>}
    </>
  );
}

/** The attempts a pass mark looks at, oldest first, with empty places for those still to come. */
export function LastOutcomes({ outcomes, window }: { outcomes: readonly Outcome[]; window: number }) {
  const empty = Math.max(0, window - outcomes.length);
  return (
    <span className="outcomes">
      {outcomes.map((outcome, i) => (
        <span key={i} title={outcomeWords[outcome]} style={{ color: outcomeColours[outcome], display: "inline-flex" }}>
          <OutcomeMark outcome={outcome} size={15} />
        </span>
      ))}
      {Array.from({ length: empty }, (_, i) => (
        <span key={`empty-${i}`} aria-hidden style={{ width: 13, height: 13, border: "1.5px dotted var(--inkSoft)" }} />
      ))}
    </span>
  );
}

const outcomeColours: Readonly<Record<Outcome, string>> = {
  clean: "var(--shoal)",
  rough: "var(--ochreText)",
  bailed: "var(--slate)",
  crashed: "var(--buoyText)",
};

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
    <svg
      viewBox="0 0 100 14"
      preserveAspectRatio="none"
      {...(label === undefined ? { "aria-hidden": true } : { role: "img", "aria-label": label })}
      style={{ width: "100%", height: 14, display: "block" }}
    >
      <rect x="0" y="6" width="100" height="2" fill="var(--rule)" />
      <rect x={x(low)} y="4" width={Math.max(1, x(high - low))} height="6" fill="var(--shoal)" fillOpacity={0.55} />
      <rect x={Math.min(98.4, Math.max(0, x(mean) - 0.8))} y="1" width="1.6" height="12" fill="var(--ink)" />
      <path
        d={`M${x(mark)} 0V14`}
        vectorEffect="non-scaling-stroke"
        stroke="var(--buoyText)"
        strokeWidth={1.5}
        strokeDasharray="2 2"
      />
    </svg>
  );
}
