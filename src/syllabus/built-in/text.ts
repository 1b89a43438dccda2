import type { Skill, Step } from "../types";

/** The words of a built-in step; where it stands among the others is in chart.ts. */
export type StepText = Omit<
  Step,
  | "short"
  | "family"
  | "mark"
  | "flownAs"
  | "lookAt"
  | "settings"
  | "heightM"
  | "measures"
  | "needs"
  | "routes"
  | "simulatorFirst"
  | "optional"
  | "partOf"
> & {
  /** Recipe of each direction in the flight model, flown in the usual way; empty for what no model can judge. */
  readonly recipeFor: Readonly<Record<string, string>>;
  readonly lookAt?: readonly string[];
};

export type SkillText = Omit<Skill, "steps"> & { readonly steps: readonly StepText[] };
