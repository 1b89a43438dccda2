"use client";

import { rounded } from "@/core";
import { numeral } from "@/words";
import { useTheme } from "@mui/material/styles";
import { useId, type SVGProps } from "react";
import type { FigurePlace, Handle, PhaseSpan, Recipe, Trace } from "@/core";
import { handsFor, stickModes } from "@/ui/sticks/modes";
import {
  laneColumns,
  laneNames,
  laneWays,
  LEFT,
  RIGHT,
  STRIP,
  ticksOf,
  WIDTH,
  type Lane,
  type Scale,
} from "./timeline-scale";
import { stickWords, throttleChoice, throttleWords } from "./words";

/** Room for a finger or a pointer. */
const HOLD = 24;

/** Time, lanes and whose hand moves them; `shown` stands out. */
export function Ground({ scale, stickMode, shown }: { scale: Scale; stickMode: number; shown: PhaseSpan | null }) {
  const { tokens } = useTheme();
  const { x, y, bottom } = scale;
  const hands = handsFor(stickMode);
  const handOf = (lane: Lane) =>
    lane === "roll" || lane === "yaw" ? hands[lane] : stickModes[stickMode].left.upright === lane ? "left" : "right";
  const small = { fontSize: 10, textAnchor: "end", fill: tokens.inkSoft } as const;
  return (
    <>
      {ticksOf(scale.domainS).map((s) => (
        <g key={s}>
          <line x1={x(s)} x2={x(s)} y1={STRIP} y2={bottom} stroke={tokens.rule} strokeWidth={1} />
          <text x={x(s)} y={bottom + 15} fontSize={11} textAnchor="middle" className="num" fill={tokens.inkSoft}>
            {numeral(s, s % 1 === 0 ? 0 : 1)} s
          </text>
        </g>
      ))}
      {scale.lanes.map(({ lane, top, height }) => (
        <rect
          key={lane}
          x={LEFT}
          y={top}
          width={WIDTH - LEFT - RIGHT}
          height={height}
          fill={tokens.sheet}
          stroke={tokens.rule}
        />
      ))}
      {shown && (
        <rect
          x={x(shown.startS)}
          y={STRIP}
          width={Math.max(1, x(shown.endS) - x(shown.startS))}
          height={bottom - STRIP}
          fill={tokens.depths[2]}
          fillOpacity={0.45}
        />
      )}
      {scale.lanes.map(({ lane, top, height, quiet }) => (
        <g key={lane}>
          <text x={0} y={top + height / 2 + (quiet ? 4 : 0)} fontSize={13} fontWeight={650} fill={tokens.ink}>
            {laneNames[lane]}
          </text>
          {quiet ? (
            <text x={LEFT + 8} y={top + 16} fontSize={11} fill={tokens.inkSoft}>
              {lane === "throttle" ? "shut throughout" : "at rest throughout"}
            </text>
          ) : (
            <>
              <text x={0} y={top + height / 2 + 15} fontSize={10.5} fill={tokens.inkSoft}>
                {handOf(lane)} hand
              </text>
              <text x={LEFT - 6} y={top + 12} {...small}>
                {laneWays[lane][0]}
              </text>
              <text x={LEFT - 6} y={top + height - 4} {...small}>
                {laneWays[lane][1]}
              </text>
              {lane !== "throttle" && (
                <line
                  x1={LEFT}
                  x2={WIDTH - RIGHT}
                  y1={y(lane, 0)}
                  y2={y(lane, 0)}
                  stroke={tokens.rule}
                  strokeDasharray="2 4"
                />
              )}
            </>
          )}
        </g>
      ))}
    </>
  );
}

/** What the sticks did. */
export function FlownSticks({ scale, trace }: { scale: Scale; trace: Trace }) {
  const { tokens } = useTheme();
  return scale.lanes.map(({ lane, quiet }) =>
    quiet ? null : (
      <polyline
        key={lane}
        points={trace.timeS
          .map((s, n) => `${scale.x(s).toFixed(1)},${scale.y(lane, trace[laneColumns[lane]][n]).toFixed(1)}`)
          .join(" ")}
        fill="none"
        stroke={tokens.ink}
        strokeWidth={1.8}
      />
    ),
  );
}

/** A moment as a line down the lanes. */
export function Moment({ scale, atS, dashed }: { scale: Scale; atS: number | null; dashed?: boolean }) {
  const { tokens } = useTheme();
  if (atS === null) return null;
  const x = scale.x(atS);
  return (
    <line
      x1={x}
      x2={x}
      y1={0}
      y2={scale.bottom}
      stroke={dashed ? tokens.buoy : tokens.shoal}
      strokeWidth={dashed ? 1.5 : 2}
      strokeDasharray={dashed ? "4 3" : undefined}
      pointerEvents="none"
    />
  );
}

/** A phase on the strip, and what leads the sticks that have no target in it. */
export function PhaseBlock(props: {
  recipe: Recipe;
  at: number;
  span: PhaseSpan;
  scale: Scale;
  on: boolean;
  /** It keeps the trick from its end. */
  fatal: boolean;
  /** Something is said of it. */
  noted: boolean;
  onSelect: () => void;
}) {
  const { recipe, at, span, scale, on, fatal, noted, onSelect } = props;
  const { tokens } = useTheme();
  const clip = useId();
  const phase = recipe.phases[at];
  const [from, to] = [scale.x(span.startS), scale.x(span.endS)];
  return (
    <g>
      <clipPath id={clip}>
        <rect x={from} y={0} width={Math.max(2, to - from - 2)} height={STRIP} />
      </clipPath>
      <g
        role="button"
        tabIndex={0}
        aria-pressed={on}
        aria-label={`Phase ${at + 1}, ${phase.label}, ${numeral(span.endS - span.startS, 2)} s${fatal ? ", stops the trick" : ""}`}
        onClick={onSelect}
        onKeyDown={(event) => {
          if (event.key !== "Enter" && event.key !== " ") return;
          event.preventDefault();
          event.stopPropagation();
          onSelect();
        }}
        style={{ cursor: "pointer" }}
      >
        {/* For those that have no room for their name. */}
        <title>{phase.label}</title>
        <rect
          x={from}
          y={1}
          width={Math.max(3, to - from - 2)}
          height={STRIP - 3}
          rx={2}
          fill={fatal ? tokens.buoy : on ? tokens.ink : tokens.sheet}
          stroke={fatal ? tokens.buoyText : tokens.ink}
          strokeWidth={1.5}
        />
      </g>
      <g pointerEvents="none" clipPath={`url(#${clip})`} fill={fatal ? tokens.buoyInk : on ? tokens.paper : tokens.ink}>
        <text x={from + 6} y={17} fontSize={13} fontWeight={700} className="num">
          {at + 1}
          {noted ? " ▲" : ""}
        </text>
        {to - from > 6.3 * phase.label.length + 8 && (
          <text x={from + 6} y={34} fontSize={12}>
            {phase.label}
          </text>
        )}
      </g>
      {scale.lanes.map(({ lane, top, quiet }) => {
        const says = ledBy(recipe, at, lane);
        return says && !quiet && to - from > 5.4 * says.length ? (
          <text key={lane} x={from + 5} y={top + 12} fontSize={10.5} fontStyle="italic" fill={tokens.inkSoft}>
            {says}
          </text>
        ) : null;
      })}
    </g>
  );
}

/** What leads a stick that has no target of its own. */
function ledBy(recipe: Recipe, at: number, lane: Lane): string | null {
  const phase = recipe.phases[at];
  if (lane === "throttle") {
    const choice = throttleChoice(phase.throttle);
    return choice === "hold" || choice === "thrust" ? null : throttleWords[choice];
  }
  const plan = phase[lane];
  if (!plan || ["hold", "rate", "ramp", "ease"].includes(plan.kind)) return null;
  return plan.kind === "eye" ? `eye on the ${plan.see}` : stickWords[plan.kind];
}

/** The end of a phase, to be taken hold of anywhere along the lanes. */
export function EndGrip(props: { label: string; span: PhaseSpan; scale: Scale; grip: SVGProps<SVGGElement> }) {
  const { label, span, scale, grip } = props;
  const { tokens } = useTheme();
  const { bottom } = scale;
  const at = scale.x(span.endS);
  return (
    <g
      {...grip}
      aria-label={label}
      aria-valuemin={rounded(span.startS, 2)}
      aria-valuemax={rounded(scale.domainS, 2)}
      aria-valuenow={rounded(span.endS, 2)}
      aria-valuetext={`at ${numeral(span.endS, 2)} s`}
    >
      <rect x={at - HOLD / 2} y={STRIP - 4} width={HOLD} height={bottom - STRIP + 4} fill="transparent" />
      <line x1={at} x2={at} y1={STRIP - 3} y2={bottom} stroke={tokens.slate} strokeWidth={1.5} />
      <path
        d={`M ${at - 5} ${bottom + 3} h 10 M ${at} ${bottom + 3} v -10`}
        stroke={tokens.slate}
        strokeWidth={3}
        fill="none"
      />
    </g>
  );
}

/** A stick target: a line over what it holds for, and a round grip on it. A stick at rest has a small one, to be pulled out. */
export function Knob(props: {
  recipe: Recipe;
  handle: Handle;
  span: PhaseSpan;
  scale: Scale;
  on: boolean;
  grip: SVGProps<SVGGElement>;
}) {
  const { recipe, handle, span, scale, on, grip } = props;
  const { tokens } = useTheme();
  const { place, at, where, rests } = handle;
  const lane = place.part as Lane;
  const y = scale.y(lane, at);
  const [from, to] = [scale.x(span.startS), scale.x(span.endS)];
  const x = where === "middle" ? (from + to) / 2 : where === "start" ? Math.min(from + 7, to) : Math.max(to - 7, from);
  const percent = Math.round(100 * at);
  const way = lane === "throttle" || at === 0 ? "" : ` ${laneWays[lane][at > 0 ? 0 : 1]}`;
  return (
    <g
      {...grip}
      aria-label={labelOf(recipe, place, rests)}
      aria-valuemin={lane === "throttle" ? 0 : -100}
      aria-valuemax={100}
      aria-valuenow={percent}
      aria-valuetext={`${Math.abs(percent)}\u202f%${way}`}
    >
      {where === "middle" && !rests && (
        <line x1={from + 2} x2={to - 2} y1={y} y2={y} stroke={tokens.buoy} strokeWidth={on ? 2.5 : 1.5} />
      )}
      <rect x={x - HOLD / 2} y={y - HOLD / 2} width={HOLD} height={HOLD} fill="transparent" />
      <circle
        cx={x}
        cy={y}
        r={rests ? 3.5 : on ? 6.5 : 5}
        fill={tokens.paper}
        stroke={tokens.buoy}
        strokeWidth={rests ? 1.5 : 2.5}
      />
      {!rests && <circle cx={x} cy={y} r={1.6} fill={tokens.buoy} />}
    </g>
  );
}

const handleNames: Readonly<Record<string, string>> = {
  at: "held at",
  dps: "held for a rate",
  g: "held for a thrust",
  from: "from",
  to: "to",
};
const labelOf = ({ phases }: Recipe, { phase, part, name }: FigurePlace, rests: boolean) =>
  `${laneNames[part as Lane]} of phase ${phase + 1}, ${phases[phase].label}: ${rests ? "at rest" : handleNames[name]}`;
