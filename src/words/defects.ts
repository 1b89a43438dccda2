import type { CheckFindings, CheckPart, Defect } from "@/contract";

/** What a check flight asks, and its answers. */
export const checkQuestions: {
  readonly [Part in CheckPart]: {
    readonly asks: string;
    readonly answers: Readonly<Record<CheckFindings[Part], string>>;
  };
} = {
  sense: {
    asks: "Small nudges of each stick: it turns",
    answers: { right: "the right way", reversed: "the wrong way" },
  },
  drift: { asks: "Hover, sticks at rest, out of the wind: it", answers: { none: "stays", drifts: "drifts off" } },
  noise: { asks: "Motors and props sound", answers: { smooth: "smooth", rough: "rough or loud" } },
  heat: { asks: "Motors after landing", answers: { cool: "cool to warm", hot: "too hot to hold" } },
};

const kindWords: Readonly<Record<CheckPart, string>> = {
  sense: "A stick turns it the wrong way",
  drift: "Drifts off with the sticks at rest",
  noise: "Motors or props rough or loud",
  heat: "Motors too hot to hold after landing",
};

/** What is wrong with an aircraft. */
export function defectWords({ kind, what }: Pick<Defect, "kind" | "what">): string {
  if (kind === "other") return what;
  return what === "" ? kindWords[kind] : `${kindWords[kind]}: ${what}`;
}
