"use client";

import { useTheme } from "@mui/material/styles";
import { useEffect, useMemo, useRef, useState, type KeyboardEvent } from "react";
import { findStep, needsOf, opensOf, type Route, type Syllabus } from "@/syllabus";
import { Box } from "@/ui/layout/box";
import { stateWords } from "@/ui/marks/marks";
import { depthOf, inkOn } from "./depth-colours";
import { depthLayout, neighbour, type Sounding } from "./depth-layout";
import type { SoundedStep } from "./sounded";

export interface DepthChartProps {
  readonly syllabus: Syllabus;
  readonly steps: readonly SoundedStep[];
  readonly route: Route;
  readonly selectedId: string | null;
  /** Steps that are not dimmed. */
  readonly shows: (one: SoundedStep) => boolean;
  readonly onSelect: (stepId: string) => void;
}

const NARROWEST = 980;
const moves: Readonly<Record<string, readonly [dx: number, dy: number]>> = {
  ArrowRight: [1, 0],
  ArrowLeft: [-1, 0],
  ArrowDown: [0, 1],
  ArrowUp: [0, -1],
};

/** A pilot's record as a sounding chart: stages are depths, steps are soundings, the strong line is how deep they have gone. */
export function DepthChart({ syllabus, steps, route, selectedId, shows, onSelect }: DepthChartProps) {
  const { tokens } = useTheme();
  const frame = useRef<HTMLDivElement>(null);
  const [width, setWidth] = useState(1100);
  const [pointed, setPointed] = useState<string | null>(null);
  useEffect(() => {
    const fit = () => setWidth(Math.max(NARROWEST, frame.current?.clientWidth ?? 0));
    fit();
    window.addEventListener("resize", fit);
    return () => window.removeEventListener("resize", fit);
  }, []);
  const layout = useMemo(() => depthLayout(syllabus, steps, route, width), [syllabus, steps, route, width]);
  const { soundings } = layout;
  // One stop for the tab key; arrows move within.
  const entry = soundings.some(({ one }) => one.stepId === selectedId)
    ? selectedId
    : (soundings[0]?.one.stepId ?? null);
  const lit = pointed ?? selectedId;
  const linksOf = (drawn: (link: (typeof layout.links)[number]) => boolean) =>
    layout.links.flatMap((link) => (drawn(link) ? [link.path] : [])).join("");
  const move = (event: KeyboardEvent, from: Sounding) => {
    if (event.key === "Enter" || event.key === " ") {
      event.preventDefault();
      onSelect(from.one.stepId);
      return;
    }
    const way = moves[event.key];
    if (!way) return;
    event.preventDefault();
    const next = neighbour(soundings, from, ...way);
    if (next) frame.current?.querySelector<SVGGElement>(`[data-step="${next.one.stepId}"]`)?.focus();
  };
  return (
    <Box
      ref={frame}
      sx={{
        overflowX: "auto",
        "& .sounding": { cursor: "pointer", outline: "none" },
        "& .sounding:focus-visible .ring": { stroke: tokens.ink, strokeWidth: 2 },
        "& .sounding:hover text": { textDecoration: "underline" },
      }}
    >
      <svg
        width={layout.width}
        height={layout.height}
        viewBox={`0 0 ${layout.width} ${layout.height}`}
        role="group"
        aria-label="Depth chart: arrows move, Enter looks closer"
        style={{ display: "block" }}
      >
        {layout.columns.map(({ id, name, x, width: wide }) => (
          <text key={id} x={x + wide / 2} y={20} textAnchor="middle" fontSize={12.5} fontWeight={650} fill={tokens.ink}>
            {name}
          </text>
        ))}
        {layout.bands.map(({ stage, path }) => (
          <path key={stage} d={path} fill={depthOf(tokens, stage)} />
        ))}
        {layout.bands.map(({ stage, name, top, bottom }) => (
          <StageName key={stage} stage={stage} name={name} y={(top + bottom) / 2} />
        ))}
        <g fill="none" stroke={tokens.ink}>
          <path d={linksOf(({ from, to }) => from !== lit && to !== lit)} strokeOpacity={0.14} />
          <path d={linksOf(({ from }) => from === lit)} strokeWidth={2} strokeOpacity={0.9} />
          <path
            d={linksOf(({ from, to }) => from !== lit && to === lit)}
            strokeWidth={2}
            strokeDasharray="5 3"
            strokeOpacity={0.9}
          />
        </g>
        <path d={layout.contour} fill="none" stroke={tokens.paper} strokeWidth={6} strokeOpacity={0.75} />
        <path d={layout.contour} fill="none" stroke={tokens.ink} strokeWidth={3} />
        {soundings.map((sounding) => (
          <Mark
            key={sounding.one.stepId}
            sounding={sounding}
            says={words(syllabus, sounding, route)}
            selected={sounding.one.stepId === selectedId}
            entry={sounding.one.stepId === entry}
            dim={!shows(sounding.one)}
            onPoint={setPointed}
            onSelect={onSelect}
            onKey={(event) => move(event, sounding)}
          />
        ))}
      </svg>
    </Box>
  );
}

function StageName({ stage, name, y }: { stage: number; name: string; y: number }) {
  const { tokens } = useTheme();
  const lines = wrap(name, 11);
  return (
    <text x={0} y={y - (lines.length - 1) * 7 + 4} fontSize={12} fontWeight={600} fill={tokens.ink}>
      <tspan className="num" fill={tokens.inkSoft}>
        {stage}
      </tspan>
      {lines.map((line, i) => (
        <tspan key={line} x={14} dy={i === 0 ? 0 : 14}>
          {line}
        </tspan>
      ))}
    </text>
  );
}

function Mark(props: {
  sounding: Sounding;
  says: string;
  selected: boolean;
  entry: boolean;
  dim: boolean;
  onPoint: (id: string | null) => void;
  onSelect: (id: string) => void;
  onKey: (event: KeyboardEvent) => void;
}) {
  const { sounding, says, selected, entry, dim, onPoint, onSelect, onKey } = props;
  const { one, label, frameWidth, stage, x, y, parts } = sounding;
  const { tokens } = useTheme();
  const band = selected ? tokens.sheet : depthOf(tokens, stage);
  const ink = inkOn(depthOf(tokens, stage), tokens);
  const state = one.reviewDue ? "due" : one.state;
  return (
    <g
      className="sounding"
      data-step={one.stepId}
      role="button"
      tabIndex={entry ? 0 : -1}
      aria-pressed={selected}
      aria-label={says}
      onClick={() => onSelect(one.stepId)}
      onKeyDown={onKey}
      onMouseEnter={() => onPoint(one.stepId)}
      onMouseLeave={() => onPoint(null)}
      onFocus={() => onPoint(one.stepId)}
      onBlur={() => onPoint(null)}
      style={{ opacity: dim ? 0.28 : 1 }}
    >
      <rect
        className="ring"
        x={x - 10}
        y={y - 11}
        width={frameWidth}
        height={23}
        rx={2}
        fill={selected ? tokens.sheet : "transparent"}
        stroke={selected ? tokens.buoy : "transparent"}
        strokeWidth={2}
      />
      <StateShape state={state} x={x} y={y} stroke={selected ? tokens.ink : ink} band={band} />
      <text
        x={x + 11}
        y={y + (parts.length > 0 ? 1.5 : 4)}
        fontSize={11.3}
        fontWeight={state === "being-learnt" ? 650 : 500}
        fill={selected ? tokens.ink : ink}
        // The links pass behind the name, not through it.
        stroke={band}
        strokeWidth={5}
        strokeLinejoin="round"
        paintOrder="stroke"
      >
        {label}
      </text>
      {parts.map((part, i) => (
        <rect
          key={part.stepId}
          x={x + 11 + i * 9}
          y={y + 5}
          width={6.5}
          height={4}
          fill={
            part.state === "signed-off"
              ? selected
                ? tokens.ink
                : ink
              : part.state === "being-learnt"
                ? tokens.ochre
                : "none"
          }
          stroke={selected ? tokens.ink : ink}
          strokeWidth={1}
        />
      ))}
    </g>
  );
}

function StateShape(props: { state: keyof typeof stateWords; x: number; y: number; stroke: string; band: string }) {
  const { state, x, y, stroke, band } = props;
  const { tokens } = useTheme();
  if (state === "signed-off") return <rect x={x - 5.5} y={y - 5.5} width={11} height={11} fill={stroke} />;
  if (state === "due")
    return (
      <>
        <rect x={x - 5} y={y} width={10} height={5} fill={tokens.ochre} />
        <path d={`M${x - 5} ${y - 5}h10v10h-10ZM${x - 5} ${y}h10`} fill="none" stroke={stroke} strokeWidth={1.6} />
      </>
    );
  if (state === "not-begun") return <circle cx={x} cy={y} r={4.6} fill={band} stroke={stroke} strokeWidth={1.8} />;
  return (
    <path
      d={`M${x} ${y - 6.5}L${x + 7} ${y + 6}L${x - 7} ${y + 6}Z`}
      fill={tokens.ochre}
      stroke={stroke}
      strokeWidth={1.5}
      strokeLinejoin="round"
    />
  );
}

/** A sounding in words, for whoever does not see the chart. */
function words(syllabus: Syllabus, { one, parts }: Sounding, route: Route): string {
  const step = findStep(syllabus, one.stepId)!;
  const names = (steps: readonly { readonly name: string }[]) => steps.map(({ name }) => name).join(", ");
  const needs = needsOf(syllabus, step, route);
  const opens = opensOf(syllabus, step, route);
  return [
    `${step.name}: ${stateWords[one.reviewDue ? "due" : one.state]}`,
    one.attempts > 0 ? `${one.attempts} attempts` : "",
    parts.length > 0
      ? `${parts.filter(({ state }) => state === "signed-off").length} of ${parts.length} parts signed off`
      : "",
    needs.length > 0 ? `needs ${names(needs)}` : "",
    opens.length > 0 ? `opens ${names(opens)}` : "",
  ]
    .filter(Boolean)
    .join(". ");
}

function wrap(text: string, longest: number): string[] {
  const lines: string[] = [];
  for (const word of text.split(" ")) {
    const last = lines[lines.length - 1];
    if (last !== undefined && `${last} ${word}`.length <= longest) lines[lines.length - 1] = `${last} ${word}`;
    else lines.push(word);
  }
  return lines;
}
