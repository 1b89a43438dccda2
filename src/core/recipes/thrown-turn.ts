import type { Aim, Recipe } from "./recipe";

/** The numbers of a turn that is thrown up by a punch and centred at an angle. */
export interface ThrownTurn {
  readonly punchS: number;
  /** Thrust of the punch, times that before it. */
  readonly punchTimes: number;
  readonly centreDeg: number;
}

/** The numbers of a thrown-up turn, by what each of its parameters is solved for; null for a recipe that is none. */
export function thrownTurn({ parameters, solveFor }: Recipe): ThrownTurn | null {
  const solved = (kind: Aim["kind"]) => solveFor.find(({ aim }) => aim.kind === kind);
  const [punch, centre] = [solved("return-to-entry-height"), solved("stop-on-mark")];
  if (!punch?.otherwise || !centre) return null;
  return {
    punchS: parameters[punch.param].value,
    punchTimes: parameters[punch.otherwise.param].value,
    centreDeg: parameters[centre.param].value,
  };
}
