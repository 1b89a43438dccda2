import { stickModes, type StickAxis } from "./modes";

export type Side = "left" | "right";
export type Way = "up" | "down" | "out-left" | "out-right";

/** Something the aircraft does, and how its axis is pushed for it. */
interface Movement {
  readonly says: string;
  readonly axis: StickAxis;
  readonly positive: boolean;
}

/** Eight movements, roll right, pitch back and yaw right positive (common practice, no source). */
const movements: readonly Movement[] = [
  { says: "climb", axis: "throttle", positive: true },
  { says: "sink", axis: "throttle", positive: false },
  { says: "nose up", axis: "pitch", positive: true },
  { says: "nose down", axis: "pitch", positive: false },
  { says: "right wing down", axis: "roll", positive: true },
  { says: "left wing down", axis: "roll", positive: false },
  { says: "turn the nose right", axis: "yaw", positive: true },
  { says: "turn the nose left", axis: "yaw", positive: false },
];

export type QuizQuestion =
  | { readonly kind: "push"; readonly asks: string; readonly side: Side; readonly way: Way }
  | {
      readonly kind: "choose";
      readonly asks: string;
      readonly answers: readonly string[];
      readonly right: number;
      readonly because: string;
    };

const inWords: readonly QuizQuestion[] = [
  {
    kind: "choose",
    asks: "Self-level is on and the right stick is held half out. What stays the same?",
    answers: ["the angle of bank", "the speed of turning over"],
    right: 0,
    because: "With self-level a held stick is an angle.",
  },
  {
    kind: "choose",
    asks: "Rate mode, the stick held half out. What stays the same?",
    answers: ["the angle of bank", "the speed of turning over"],
    right: 1,
    because: "In rate mode a held stick is a turning speed.",
  },
  {
    kind: "choose",
    asks: "Rate mode, banked to the right, and you centre the stick. What does it do?",
    answers: ["it stays banked", "it levels itself"],
    right: 0,
    because: "Centring stops the turning. Levelling is a movement of its own.",
  },
];

/** Where the stick goes for a movement in a stick mode. */
export function pushFor(
  stickMode: number,
  { axis, positive }: Pick<Movement, "axis" | "positive">,
): { side: Side; way: Way } {
  const { left } = stickModes[stickMode];
  const side: Side = left.sideways === axis || left.upright === axis ? "left" : "right";
  if (axis === "roll" || axis === "yaw") return { side, way: positive ? "out-right" : "out-left" };
  // Pitch back is a stick pulled down.
  return { side, way: (axis === "throttle") === positive ? "up" : "down" };
}

/** All questions for a stick mode, movements first, each part in an order drawn with `random`, 0 to 1. */
export function quizQuestions(stickMode: number, random: () => number): QuizQuestion[] {
  const pushes = movements.map((movement): QuizQuestion => ({
    kind: "push",
    asks: movement.says,
    ...pushFor(stickMode, movement),
  }));
  return [...shuffled(pushes, random), ...shuffled(inWords, random)];
}

function shuffled<T>(list: readonly T[], random: () => number): T[] {
  const drawn = [...list];
  for (let i = drawn.length - 1; i > 0; i--) {
    const other = Math.floor(random() * (i + 1));
    [drawn[i], drawn[other]] = [drawn[other], drawn[i]];
  }
  return drawn;
}
