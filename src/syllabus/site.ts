import type { Skill, Step } from "./types";

/** What a site gives. */
export interface SiteLimits {
  readonly name: string;
  /** Clear ground round the working area, m. */
  readonly roomM: number;
  /** Local height limit above the ground, m; null where none is known. */
  readonly ceilingM: number | null;
}

/**
 * Why a step is not to be flown at a site, with the numbers, or null. `peakM` is the highest point of the trick as the flight model flies it with the
 * pilot's own aircraft; without it only the height the step is begun at is held against the limit.
 */
export function siteRefusal(step: Step, skill: Skill, site: SiteLimits, peakM: number | null = null): string | null {
  if (skill.roomM > site.roomM)
    return `${step.name} wants ${metres(skill.roomM)} of clear ground all round; ${site.name} has ${metres(site.roomM)}.`;
  if (site.ceilingM === null) return null;
  if (peakM !== null && peakM > site.ceilingM)
    return `${step.name} goes up to ${metres(peakM)} with this aircraft; the limit at ${site.name} is ${metres(site.ceilingM)}.`;
  if (step.heightM !== null && step.heightM > site.ceilingM)
    return `${step.name} is begun ${metres(step.heightM)} up; the limit at ${site.name} is ${metres(site.ceilingM)}.`;
  return null;
}

const metres = (value: number) => `${Math.round(10 * value) / 10} m`;
