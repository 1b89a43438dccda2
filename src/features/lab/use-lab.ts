import { useCallback, useDeferredValue, useEffect, useMemo, useRef, useState } from "react";
import {
  begunAtM,
  freezeMargins,
  USUAL_STOP_DEG,
  usualErrors,
  withParameters,
  type FlownTrick,
  type FreezeMargins,
  type TrickRequest,
} from "@/core";
import type { Aircraft, Setup } from "@/contract";
import { findStep, trickOf } from "@/syllabus";
import { useFlown } from "@/ui/flight/use-flown";
import { differencesInWords } from "@/ui/settings/differences";
import { useSetupDraft } from "@/ui/settings/use-setup-draft";
import { useAtHand } from "@/ui/shell/at-hand";
import { useStartHeight } from "@/ui/start-height/use-start-height";
import { useSyllabus } from "@/ui/syllabus/use-syllabus";
import { askedBeside, otherOf } from "./beside";
import type { LabData } from "./load";
import { environmentOf, surroundingsOn, type Surroundings } from "./surroundings";
import { waysOf } from "./ways";

type Figures = Readonly<Record<string, number>>;

/** What is flown in the lab, what it is flown beside, and every way to change it. */
export function useLab(data: LabData, aircraft: Aircraft, setup: Setup) {
  const trick = trickOf(data.trickId);
  const syllabus = useSyllabus();
  const ways = useMemo(() => waysOf(trick, data.own, data.set, data.manner), [trick, data.own, data.set, data.manner]);
  const [variantId, setVariant] = useState(data.variantId);
  const variant = ways.find(({ id }) => id === variantId) ?? ways[0];
  const [wantedDirection, setDirection] = useState(data.direction ?? Object.keys(variant.recipes)[0]);
  const direction = variant.recipes[wantedDirection] ? wantedDirection : Object.keys(variant.recipes)[0];
  const [values, setValues] = useState<Figures | null>(null);
  // Moved while the rest is worked out.
  const [moved, setMoved] = useState<Figures>({});
  const [surroundings, setSurroundings] = useState<Surroundings>(() => surroundingsOn(data.day.air));
  const settingsDraft = useSettingsDraft(aircraft, setup);
  const { settings, drafted } = settingsDraft;
  const [chosenOther, setOther] = useState<string | null>(null);
  // A draft is held against what is saved until something else is chosen.
  const otherKey = chosenOther ?? (drafted ? `setup:${setup.id}` : "none");
  const other = useMemo(() => otherOf(otherKey), [otherKey]);
  const request = useMemo(
    (): TrickRequest => ({
      recipe: withParameters(variant.recipes[direction], moved),
      values,
      entryHeightM: surroundings.entryHeightM,
      airframe: aircraft.airframe,
      settings,
      environment: environmentOf(surroundings),
    }),
    [variant, direction, values, moved, surroundings, aircraft, settings],
  );
  const { pinned: kept, pin } = usePinned(request);
  const otherRequest = useMemo(
    () => (other ? askedBeside(other, request, { ways, variant, direction, setups: data.setups, kept }) : null),
    [other, request, ways, variant, direction, data.setups, kept],
  );
  const usualSurroundings = useMemo(() => surroundingsOn(data.day.air), [data.day]);
  const freeze = useMemo(() => freezeMargins(trick.stage, data.pilot.reactionS), [trick.stage, data.pilot.reactionS]);
  const height = useHeightOf(request, values, trick.stage, freeze);
  // Start height the minimum start height once that is known, where no height was set by hand.
  const startM = height.kind === "known" && height.startHeight ? begunAtM(height.startHeight) : null;
  const begun = useMemo(
    () => (request.entryHeightM === null && startM !== null ? { ...request, entryHeightM: startM } : request),
    [request, startM],
  );
  const { flown, pending } = useFlown(begun);
  const { flown: flownOther } = useFlown(otherRequest);
  const asFlown = useCallback(() => {
    setValues(null);
    setMoved({});
  }, []);
  // Another recipe has other parameters.
  const changeVariant = useCallback(
    (next: string) => {
      asFlown();
      setVariant(next);
    },
    [asFlown],
  );
  const changeDirection = useCallback(
    (next: string) => {
      asFlown();
      setDirection(next);
      keepInAddress(next);
    },
    [asFlown],
  );
  const keep = useCallback(() => {
    pin();
    setOther("kept:now");
  }, [pin]);
  // The old flight stays while the next is on its way, but never under another trick's name.
  const shown = flown?.kind === "flown" && flown.trick.recipe.id === request.recipe.id ? flown.trick : null;
  const ghost = useGhost(otherRequest, flownOther);
  const stopWithinDeg = request.recipe.turn ? (findStep(syllabus, trick.id)?.stopWithinDeg ?? USUAL_STOP_DEG) : null;
  return {
    trick,
    ways,
    variant,
    direction,
    setVariant: changeVariant,
    setDirection: changeDirection,
    ...settingsDraft,
    /** Set by hand, or moved while the rest is worked out. */
    byHand: values !== null,
    moved: Object.keys(moved).length > 0,
    setValues,
    move: (name: string, value: number) => setMoved((before) => ({ ...before, [name]: value })),
    asFlown,
    surroundings,
    usualSurroundings,
    setSurroundings,
    request,
    flown,
    pending,
    shown,
    /** Null while the drawings have not caught up. */
    drawn: useDrawn(shown),
    height,
    freeze,
    stopWithinDeg,
    other,
    otherKey,
    setOther,
    ghost,
    kept: kept !== null,
    /** As it is flown, worked-out figures and all. */
    keep,
  };
}

/** The drawings follow a moving slider when there is time; null while they show another trick. */
function useDrawn(shown: FlownTrick | null): FlownTrick | null {
  const drawn = useDeferredValue(shown);
  return drawn?.recipe.id === shown?.recipe.id ? drawn : null;
}

/** A run that is pinned, to be held against what comes. */
function usePinned(request: TrickRequest) {
  const [pinned, setPinned] = useState<TrickRequest | null>(null);
  const newest = useRef(request);
  useEffect(() => {
    newest.current = request;
  }, [request]);
  const pin = useCallback(() => setPinned(newest.current), []);
  return { pinned, pin };
}

/** What is flown beside it, once it is flown, with its settings. */
function useGhost(request: TrickRequest | null, flown: ReturnType<typeof useFlown>["flown"]) {
  const trick = request && flown?.kind === "flown" ? flown.trick : null;
  const settings = request?.settings;
  return useMemo(() => (trick && settings ? { trick, settings } : null), [trick, settings]);
}

/** The settings flown: those of the setup, or a draft on it with what it has otherwise. */
function useSettingsDraft(aircraft: Aircraft, setup: Setup) {
  const draft = useSetupDraft(aircraft.id, setup.settings);
  const { settings } = draft.draft;
  const differences = useMemo(() => differencesInWords(setup.settings, settings), [setup, settings]);
  return { draft, settings, differences, drafted: differences.length > 0 };
}

/** A reload, and a setup saved from here, come back in the same direction. */
function keepInAddress(direction: string): void {
  const address = new URL(window.location.href);
  address.searchParams.set("direction", direction);
  window.history.replaceState(null, "", address);
}

/** The minimum start height of what is asked. */
function useHeightOf(request: TrickRequest, values: Figures | null, stage: number, freeze: FreezeMargins) {
  const { coaches } = useAtHand();
  return useStartHeight(
    useMemo(
      () => ({
        // What was set by hand is flown as it is.
        recipe: values === null ? request.recipe : { ...withParameters(request.recipe, values), solveFor: [] },
        airframe: request.airframe,
        settings: request.settings,
        environment: request.environment,
        hands: usualErrors(stage),
        freeze,
      }),
      [request, values, stage, freeze],
    ),
    { worksOut: coaches },
  );
}
