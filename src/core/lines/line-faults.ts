import type { Problem } from "../recipes";
import type { Failure } from "../scatter";
import { missedIn } from "./clean";
import type { LineFlight } from "./fly-line";
import type { LineFreezes } from "./line-start-height";
import { styleFaults, type LineStyle, type StyleFault } from "./styles";

/** Why a line does not hold, and at which item. */
export type LineFault =
  /** What it works out has no answer from where it begins. */
  | { readonly kind: "problem"; readonly item: number; readonly problem: Problem }
  /** It does not come to its end, or not upright; or nothing of it is flown because the line was over before. */
  | { readonly kind: "not-ended"; readonly item: number }
  | { readonly kind: "not-reached"; readonly item: number }
  | { readonly kind: "past-anchor"; readonly item: number }
  /** It ends, but not as a coach lets it count: its stop, or what is looked at in the field. */
  | { readonly kind: "not-clean"; readonly item: number; readonly missed: readonly Failure[] }
  /** Who freezes in it has less height than it takes. */
  | { readonly kind: "too-low"; readonly item: number; readonly wantsM: number; readonly hasM: number }
  | { readonly kind: "over-ceiling"; readonly item: number; readonly highestM: number; readonly ceilingM: number }
  /** It takes more room than the clear ground is wide. */
  | { readonly kind: "over-room"; readonly item: null; readonly takesM: number; readonly roomM: number }
  | { readonly kind: "style"; readonly item: number | null; readonly fault: StyleFault };

/** What a line is held to besides ending as planned. */
export interface LineLimits {
  readonly ceilingM?: number | null;
  /** Room that there is along and across, m. */
  readonly roomM?: number | null;
  readonly style?: LineStyle | null;
  /** Heights that each item wants where it begins, as far as they are known. */
  readonly wantsM?: LineFreezes["wantsM"] | null;
}

/** All at which a flown line does not hold, in the order in which it is flown. */
export function lineFaults(
  flight: LineFlight,
  asked: number,
  { ceilingM = null, roomM = null, style = null, wantsM: wants = null }: LineLimits,
): readonly LineFault[] {
  const { items, measures } = flight;
  const byItem = items.flatMap((flown, item): LineFault[] => {
    const wantsM = wants?.[item] ?? null;
    const hasM = flown.entry.heightM;
    const highestM = measures.highestByItemM[item];
    const ended = (): LineFault[] => {
      if (flown.problem) return [{ kind: "problem", item, problem: flown.problem }];
      if (flown.anchorKept === false) return [{ kind: "past-anchor", item }];
      if (!flown.complete) return [{ kind: "not-ended", item }];
      const missed = missedIn(flown.recipe, flown.measures);
      return missed.length === 0 ? [] : [{ kind: "not-clean", item, missed }];
    };
    return [
      ...ended(),
      ...(wantsM !== null && wantsM > hasM ? ([{ kind: "too-low", item, wantsM, hasM }] as const) : []),
      ...(ceilingM !== null && highestM > ceilingM
        ? ([{ kind: "over-ceiling", item, highestM, ceilingM }] as const)
        : []),
    ];
  });
  const reached: LineFault[] = items.length < asked ? [{ kind: "not-reached", item: items.length }] : [];
  const takesM = Math.max(measures.roomAlongM, measures.roomAcrossM);
  const room: LineFault[] = roomM !== null && takesM > roomM ? [{ kind: "over-room", item: null, takesM, roomM }] : [];
  const ofStyle = style ? styleFaults(flight, style) : [];
  return [
    ...byItem,
    ...reached,
    ...room,
    ...ofStyle.map((fault) => ({ kind: "style", item: "item" in fault ? fault.item : null, fault }) as const),
  ];
}
