import type { Skill, Step } from "./types";

/** What a site gives. */
export interface SiteLimits {
  readonly name: string;
  /** Clear ground round the working area, m. */
  readonly roomM: number;
  /** Local height limit above the ground, m; null where none is known. */
  readonly ceilingM: number | null;
}

/** Why a step is not flown at a site. Steps and sites go by their name. */
export type SiteRefusal = { readonly step: string; readonly site: string } & (
  | { readonly kind: "too-little-room"; readonly wantsM: number; readonly hasM: number }
  /** The highest point of the trick with the pilot's own aircraft. */
  | { readonly kind: "goes-too-high"; readonly peakM: number; readonly limitM: number }
  | { readonly kind: "begun-too-high"; readonly heightM: number; readonly limitM: number }
);

/** Why a step is not flown by somebody here today. */
export type StepRefusal =
  | SiteRefusal
  | { readonly kind: "simulator-first"; readonly step: string }
  /** New, and there is more wind than anything new is begun in. */
  | { readonly kind: "new-in-wind"; readonly step: string; readonly mostMps: number; readonly windMps: number }
  /** The wind is more than a third of the aircraft's top speed. */
  | {
      readonly kind: "too-much-wind";
      readonly step: string;
      readonly windMps: number;
      readonly topMps: number;
      readonly aircraft: string;
    };

/** Why something that could be flown is not in a plan; `step` is null for flying freely. */
export type LeftOut =
  | StepRefusal
  | { readonly kind: "no-time" | "no-pack"; readonly step: string | null }
  | { readonly kind: "new-steps"; readonly step: string | null; readonly most: number }
  /** Flying as one likes, in a wind in which steps are refused. */
  | { readonly kind: "free-in-wind"; readonly windMps: number };

/** A limit that a plan changed by hand breaks. */
export type BrokenLimit =
  | { readonly kind: "new-steps"; readonly pilot: string; readonly steps: readonly string[]; readonly most: number }
  | { readonly kind: "packs"; readonly pilot: string; readonly wanted: number; readonly charged: number }
  | { readonly kind: "turns"; readonly turns: number; readonly fit: number }
  | { readonly kind: "at-once"; readonly most: number }
  | { readonly kind: "twice-in-a-turn" };

/**
 * Why a step is not to be flown at a site, or null. `peakM` is the highest point of the trick as the flight model flies
 * it with the pilot's own aircraft; without it only the height the step is begun at is held against the limit.
 */
export function siteRefusal(
  { name: step, heightM }: Step,
  skill: Skill,
  { name: site, roomM, ceilingM }: SiteLimits,
  peakM: number | null = null,
): SiteRefusal | null {
  if (skill.roomM > roomM) return { kind: "too-little-room", step, site, wantsM: skill.roomM, hasM: roomM };
  if (ceilingM === null) return null;
  if (peakM !== null && peakM > ceilingM) return { kind: "goes-too-high", step, site, peakM, limitM: ceilingM };
  if (heightM !== null && heightM > ceilingM) return { kind: "begun-too-high", step, site, heightM, limitM: ceilingM };
  return null;
}
