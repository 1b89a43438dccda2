"use client";

import { useRef, useState, type KeyboardEvent, type PointerEvent, type SVGProps } from "react";
import type { Flight, FlightContext, Recipe } from "@/core";
import { WIDTH, type Scale } from "./timeline-scale";

/** The recipe and the flight from which something is moved: as they were when it was taken hold of. */
export interface Base {
  readonly recipe: Recipe;
  readonly flight: Flight;
  readonly context: FlightContext;
}

/** How something on the timeline is moved: to where a pointer is, or by so many presses of a key. */
export interface Moves {
  readonly orientation: "horizontal" | "vertical";
  readonly to: (base: Base, at: { readonly s: number; readonly y: number }) => Recipe;
  readonly by: (base: Base, steps: number) => Recipe;
}

interface Held extends Base {
  readonly gesture: string;
  readonly scale: Scale;
  readonly moves: Moves;
}
/** Keys pressed faster than it is flown add up from one base. */
interface Pressed extends Base {
  readonly steps: number;
  readonly emitted: Recipe;
}

const KEYS: Readonly<Record<string, number>> = { ArrowRight: 1, ArrowUp: 1, ArrowLeft: -1, ArrowDown: -1 };

/** Takes hold of ends and stick targets by pointer and by key. All changes of one hold go under one gesture; `onHold`: by pointer. */
export function useGrips(onChange: (recipe: Recipe, gesture: string) => void, onHold: (held: boolean) => void) {
  const held = useRef<Held | null>(null);
  const pressed = useRef<Pressed | null>(null);
  const gestures = useRef(0);
  const [frozenS, setFrozen] = useState<number | null>(null);
  const [askedS, setAsked] = useState<number | null>(null);
  const letGo = () => {
    held.current = null;
    onHold(false);
    setFrozen(null);
    setAsked(null);
  };
  const drag = (event: PointerEvent<SVGGElement>) => {
    const now = held.current;
    const box = event.currentTarget.ownerSVGElement?.getBoundingClientRect();
    if (!now || !box) return;
    const scale = WIDTH / Math.max(1, box.width);
    const s = now.scale.sAt((event.clientX - box.left) * scale);
    onChange(now.moves.to(now, { s, y: (event.clientY - box.top) * scale }), now.gesture);
    if (now.moves.orientation === "horizontal") setAsked(s);
  };
  /** What makes a group of the drawing something to take hold of. `pending`: the flight is a moment behind the recipe. */
  const gripFor =
    (base: Base, scale: Scale, pending: boolean) =>
    (moves: Moves): SVGProps<SVGGElement> => ({
      role: "slider",
      tabIndex: 0,
      "aria-orientation": moves.orientation,
      style: { touchAction: "none", cursor: moves.orientation === "horizontal" ? "ew-resize" : "ns-resize" },
      onPointerDown: (event) => {
        event.preventDefault();
        event.stopPropagation();
        event.currentTarget.focus();
        event.currentTarget.setPointerCapture?.(event.pointerId);
        gestures.current++;
        held.current = { ...base, scale, moves, gesture: `drag ${gestures.current}` };
        onHold(true);
        setFrozen(scale.domainS);
      },
      onPointerMove: drag,
      onPointerUp: letGo,
      onPointerCancel: letGo,
      onFocus: () => {
        gestures.current++;
        pressed.current = null;
      },
      onKeyDown: (event: KeyboardEvent) => {
        const by = KEYS[event.key];
        if (by === undefined) return;
        event.preventDefault();
        event.stopPropagation();
        const before = pending && pressed.current?.emitted === base.recipe ? pressed.current : null;
        const steps = (before?.steps ?? 0) + (event.shiftKey ? 10 : 1) * by;
        const from: Base = before ?? base;
        const emitted = moves.by(from, steps);
        pressed.current = { ...from, steps, emitted };
        onChange(emitted, `keys ${gestures.current}`);
      },
    });
  return {
    /** The length of the timeline while something is held: it stays. */
    frozenS,
    /** Where an end is held that is not flown there yet. */
    askedS,
    gripFor,
  };
}
