"use client";

import {
  handlesOf,
  phaseSpans,
  withEndAt,
  withHandleAt,
  type Flight,
  type Handle,
  type FlightContext,
  type PhaseNote,
  type Recipe,
} from "@/core";
import { EndGrip, FlownSticks, Ground, Knob, Moment, PhaseBlock } from "./timeline-drawing";
import { laneColumns, lanes, scaleOf, WIDTH, type Lane, type Scale } from "./timeline-scale";
import { useGrips, type Moves } from "./use-grips";
import { isFatal } from "./words";

interface TimelineProps {
  /** As it is set down now. */
  readonly recipe: Recipe;
  /** How it was flown last: while it is flown again, a moment behind the recipe. */
  readonly flight: Flight;
  readonly pending: boolean;
  readonly context: FlightContext;
  readonly stickMode: number;
  readonly notes: readonly PhaseNote[];
  readonly selected: number;
  readonly cursorS: number | null;
  readonly onSelect: (phase: number) => void;
  /** Changes of one gesture belong together. */
  readonly onChange: (recipe: Recipe, gesture: string) => void;
  /** Something is held by the pointer, or let go of. */
  readonly onHold: (held: boolean) => void;
}

/** A stick that never leaves its middle further than this rests. */
const RESTS = 0.02;
/** How far a key moves an end, s, and a stick target. */
const KEY_S = 0.01;
const KEY_STICK = 0.02;

/** The phases of a flown trick over time, with what each stick does. Ends and stick targets are dragged, or moved by the arrow keys. */
export function Timeline(props: TimelineProps) {
  const { recipe, flight, pending, context, stickMode, notes, selected, cursorS, onSelect, onChange, onHold } = props;
  const { frozenS, askedS, gripFor } = useGrips(onChange, onHold);
  const spans = phaseSpans(recipe, flight);
  const handles = recipe.phases.flatMap((_, i) => (spans[i] ? handlesOf(recipe, i, context) : []));
  const quiet = lanes.filter((lane) => {
    const wanders = flight.trace[laneColumns[lane]].some((at) => Math.abs(at) > RESTS);
    return !wanders && !handles.some(({ place, rests }) => place.part === lane && !rests);
  });
  const { durationS } = flight.measures;
  // What is dragged past the end needs room.
  const scale = scaleOf(frozenS ?? Math.max(1.06 * durationS, durationS + 0.2), new Set(quiet));
  const grip = gripFor({ recipe, flight, context }, scale, pending);
  const fatal = new Set(notes.filter(isFatal).map(({ phase }) => phase));
  const noted = new Set(notes.map(({ phase }) => phase));
  const flown = recipe.phases.flatMap(({ id, label }, at) => {
    const span = spans[at];
    return span ? [{ id, label, at, span }] : [];
  });
  return (
    <svg
      viewBox={`0 0 ${WIDTH} ${scale.bottom + 20}`}
      width="100%"
      role="group"
      aria-label="Phases over time, with what each stick does"
      style={{ display: "block", minWidth: 760, userSelect: "none" }}
    >
      <Ground scale={scale} stickMode={stickMode} shown={spans[selected]} />
      {flown.map(({ id, at, span }) => (
        <PhaseBlock
          key={id}
          recipe={recipe}
          at={at}
          span={span}
          scale={scale}
          on={at === selected}
          fatal={fatal.has(at)}
          noted={noted.has(at)}
          onSelect={() => onSelect(at)}
        />
      ))}
      <FlownSticks scale={scale} trace={flight.trace} />
      <Moment scale={scale} atS={askedS} dashed />
      <Moment scale={scale} atS={cursorS} />
      {flown.map(({ id, label, at, span }) => (
        <EndGrip
          key={id}
          label={`End of phase ${at + 1}, ${label}`}
          span={span}
          scale={scale}
          grip={grip(endMoves(at))}
        />
      ))}
      {handles
        // A stick at rest is pulled out in the phase that is looked at, where there is room to.
        .filter(({ place, rests }) => !rests || (place.phase === selected && !quiet.includes(place.part as Lane)))
        .map((handle) => (
          <Knob
            key={`${handle.place.phase} ${handle.place.part} ${handle.place.name}`}
            recipe={recipe}
            handle={handle}
            span={spans[handle.place.phase]!}
            scale={scale}
            on={handle.place.phase === selected}
            grip={grip(knobMoves(handle, scale))}
          />
        ))}
    </svg>
  );
}

const endMoves = (at: number): Moves => ({
  orientation: "horizontal",
  to: (base, { s }) => withEndAt(base.recipe, at, base.flight, s, base.context.figures),
  by: (base, steps) => {
    const { endS } = phaseSpans(base.recipe, base.flight)[at]!;
    return withEndAt(base.recipe, at, base.flight, endS + steps * KEY_S, base.context.figures);
  },
});

const knobMoves = ({ place }: Handle, scale: Scale): Moves => ({
  orientation: "vertical",
  to: (base, { y }) => withHandleAt(base.recipe, place, scale.stickAt(place.part as Lane, y), base.context),
  by: (base, steps) => {
    const start = handlesOf(base.recipe, place.phase, base.context).find(
      (one) => one.place.part === place.part && one.place.name === place.name,
    )!;
    return withHandleAt(base.recipe, place, start.at + steps * KEY_STICK, base.context);
  },
});
