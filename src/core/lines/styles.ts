import type { FlightEvent } from "../recipes";
import type { FlownItem } from "./flown-item";
import type { LineMeasures } from "./line-measures";

export const lineStyles = ["never-stops", "float", "stop-and-return"] as const;
/** A set of limits that a whole line is held to. */
export type LineStyle = (typeof lineStyles)[number];

/** Limits of the styles. Ours. */
export const styleLimits = { floorMps: 2, gainM: 8, floatMps: 13, returnM: 6, stoppedMps: 1 } as const;
const { floorMps, gainM, floatMps, returnM, stoppedMps } = styleLimits;

/** Where a line leaves its style: the item, if it is one's, and the figure with its limit. */
export type StyleFault =
  | { readonly kind: "too-slow"; readonly item: number; readonly mps: number; readonly limitMps: number }
  | { readonly kind: "gains-too-much"; readonly item: number; readonly m: number; readonly limitM: number }
  | { readonly kind: "throttle-closed"; readonly item: number }
  | { readonly kind: "too-fast"; readonly item: number; readonly mps: number; readonly limitMps: number }
  | { readonly kind: "no-hang" }
  | { readonly kind: "ends-away"; readonly m: number; readonly limitM: number }
  | { readonly kind: "ends-moving"; readonly mps: number };

type Flown = {
  readonly items: readonly FlownItem[];
  readonly events: readonly FlightEvent[];
  readonly measures: LineMeasures;
};

/** Where a flown line leaves the style it is to have; nothing where it keeps to it. */
export function styleFaults({ items, events, measures }: Flown, style: LineStyle): readonly StyleFault[] {
  switch (style) {
    case "never-stops":
      return items.flatMap((flown, item): StyleFault[] => {
        const { fromS, toS } = flown;
        const [mps, m] = [measures.slowestByItemMps[item], measures.gainedM[item]];
        const closed = events.some(({ kind, timeS }) => kind === "throttle-closed" && timeS >= fromS && timeS < toS);
        return [
          ...(mps < floorMps ? ([{ kind: "too-slow", item, mps, limitMps: floorMps }] as const) : []),
          ...(m > gainM ? ([{ kind: "gains-too-much", item, m, limitM: gainM }] as const) : []),
          ...(closed ? ([{ kind: "throttle-closed", item }] as const) : []),
        ];
      });
    case "float":
      return [
        ...items.flatMap((_, item): StyleFault[] => {
          const mps = measures.fastestByItemMps[item];
          return mps > floatMps ? [{ kind: "too-fast", item, mps, limitMps: floatMps }] : [];
        }),
        ...(measures.upsideDownShare > 0 ? [] : ([{ kind: "no-hang" }] as const)),
      ];
    case "stop-and-return": {
      const { exit } = items[items.length - 1];
      return [
        ...(measures.endsOffM <= returnM
          ? []
          : ([{ kind: "ends-away", m: measures.endsOffM, limitM: returnM }] as const)),
        ...(exit.speedMps < stoppedMps ? [] : ([{ kind: "ends-moving", mps: exit.speedMps }] as const)),
      ];
    }
  }
}
