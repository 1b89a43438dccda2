import { typedNumber } from "@/contract";
import type { Aircraft, Setup } from "@/contract";
import { useState } from "react";
import {
  knobsOf,
  searchKnobs,
  triesOf,
  USUAL_STOP_DEG,
  type Environment,
  type Knob,
  type KnobId,
  type PilotErrors,
  type Recipe,
  type Settings,
} from "@/core";
import { findStep, recipeOf, type Hands, type Manner, type Trick } from "@/syllabus";
import { useComputed } from "@/ui/scatter/use-scatter";
import { useSyllabus } from "@/ui/syllabus/use-syllabus";
import type { Searched } from "./found";

const SEED = 1;
export const MOST_WEIGHT = 10;
/** Proposed bounds about what a knob stands at, as a share of its widest ones. Ours. */
const PROPOSED_SPAN = 0.25;

/** What may change of a knob, and between which figures as they were typed. */
export interface Bounds {
  readonly on: boolean;
  readonly min: string;
  readonly max: string;
}

/** What a search is asked about. */
export interface RecommendProps {
  /** As the library has it. */
  recipe: Recipe;
  trick: Trick;
  direction: string;
  /** In which the other tricks are flown. */
  manner: Manner;
  /** As flown: the setup, or a draft on it. */
  settings: Settings;
  /** What the result is saved upon. */
  setup: Setup;
  onSaved: () => void;
  aircraft: Aircraft;
  environment: Environment;
  errors: PilotErrors | null;
  stopWithinDeg: number | null;
  /** Whether the settings of the pilot are frozen. */
  frozen: boolean;
  hands: Hands;
}

/** What the coach lets change and weighs, and the search for what goes clean most often. */
export function useRecommend(props: RecommendProps) {
  const { recipe, trick, settings, errors } = props;
  const knobs = knobsOf(settings, recipe);
  const [bounds, setBounds] = useState<Readonly<Partial<Record<KnobId, Bounds>>>>(() => ({}));
  const [others, setOthers] = useState<readonly Trick[]>([]);
  const [weights, setWeights] = useState<Readonly<Record<string, string>>>({});
  const syllabus = useSyllabus();
  const weighed = [trick, ...others].map(({ id, name }) => {
    const text = weights[id] ?? "1";
    const weight = typedNumber(text);
    return { id, name, text, weight, wrong: !(weight >= 0 && weight <= MOST_WEIGHT) };
  });
  const weightsGood = !weighed.some(({ wrong: bad }) => bad) && weighed[0].weight > 0;
  const { state, start, cancel } = useComputed<Searched>();
  const boundsOf = (knob: Knob): Bounds => bounds[knob.id] ?? proposedBounds(knob);
  const chosen = knobs.filter((knob) => boundsOf(knob).on);
  const wrong = (knob: Knob) => {
    const { min, max } = read(boundsOf(knob));
    return !(min >= knob.min && max <= knob.max && min < max);
  };
  const ready = errors !== null && chosen.length > 0 && !chosen.some(wrong) && weightsGood;
  const search = () => {
    if (!errors) return;
    const plans = plansOf(props, errors, others, (id) => findStep(syllabus, id)?.stopWithinDeg ?? USUAL_STOP_DEG);
    const turned = chosen.map((knob) => ({ id: knob.id, value: knob.value, ...read(boundsOf(knob)) }));
    const all = triesOf(turned.length);
    const asked = { knobs: chosen, names: [trick.name, ...others.map(({ name }) => name)], recipe, settings };
    start(recipe.id, async (pool, onProgress) => {
      let tried = 0;
      const result = await searchKnobs(
        turned,
        weighed.map(({ weight }) => weight),
        (values, from, to) =>
          Promise.all(plans.map((plan) => pool.run((remote) => remote.tryTurned({ plan, values, from, to })))),
        () => onProgress(++tried / all),
      );
      const [before, after] = await Promise.all(
        [{}, result.values].map((values) => pool.run((remote) => remote.costOfTurned({ plan: plans[0], values }))),
      );
      return { ...asked, result, before, after };
    });
  };
  return {
    knobs,
    boundsOf,
    wrong,
    setBounds: (knob: Knob, part: Partial<Bounds>) =>
      setBounds((before) => ({ ...before, [knob.id]: { ...boundsOf(knob), ...part } })),
    others,
    setOthers,
    weighed,
    weigh: (id: string, text: string) => setWeights((before) => ({ ...before, [id]: text })),
    state,
    cancel,
    search: ready ? search : null,
  };
}

/** The trick and those weighed with it, each flown in the pilot's manner. */
function plansOf(
  { recipe, direction, manner, aircraft, settings, environment, stopWithinDeg }: RecommendProps,
  errors: PilotErrors,
  others: readonly Trick[],
  stopOf: (stepId: string) => number,
) {
  const common = {
    airframe: aircraft.airframe,
    settings,
    errors,
    seed: SEED,
    environment: { ...environment, ceilingM: null },
  };
  return [
    { ...common, recipe, stopWithinDeg },
    ...others.map((other) => {
      const ways = Object.keys(other.variants[0].recipes);
      const side = ways.includes(direction) ? direction : ways[0];
      const flown = recipeOf({ flownAs: { trick: other.id } }, side, manner)!;
      return { ...common, recipe: flown, stopWithinDeg: flown.turn ? stopOf(other.id) : null };
    }),
  ];
}

function proposedBounds({ value, min, max }: Knob): Bounds {
  const span = PROPOSED_SPAN * (max - min);
  const digits = max - min > 10 ? 1 : 100;
  const text = (bound: number) => String(Math.round(digits * bound) / digits);
  return { on: false, min: text(Math.max(min, value - span)), max: text(Math.min(max, value + span)) };
}

const read = ({ min, max }: Bounds) => ({ min: typedNumber(min), max: typedNumber(max) });
