import type { ColorLike } from "ol/colorlike";
import { Circle, Fill, Icon, Stroke, Style, Text } from "ol/style";
import type { PlanFeature, PlanPicture } from "@/core";
import { numberFont, type Tokens } from "@/ui/theme/tokens";
import { faded, flightLook, pattern, pegLook, poleLook, thingLooks } from "./thing-looks";

/** A line with its length written along it. */
const lengthLine = (tokens: Tokens, text: string, stroke: Stroke, zIndex: number) =>
  new Style({
    stroke,
    text: new Text({
      text,
      font: `700 12px ${numberFont}`,
      placement: "line",
      textBaseline: "bottom",
      fill: new Fill({ color: stroke.getColor() ?? tokens.ink }),
      stroke: new Stroke({ color: tokens.paper, width: 3 }),
      overflow: true,
    }),
    zIndex,
  });

/** How everything on the plan is drawn in the look of the theme. */
export function planLooks(tokens: Tokens) {
  const things = thingLooks(tokens);
  const thrown = pattern("slants", tokens.buoy, null);
  return {
    of: (feature: PlanFeature) => things[feature.kind](feature),
    pole: poleLook(tokens),
    peg: pegLook(tokens),
    way: new Style({ stroke: new Stroke({ color: tokens.shoal, width: 2 }), zIndex: 6 }),
    baseline: (text: string) => lengthLine(tokens, text, new Stroke({ color: tokens.ochreText, width: 3 }), 6),
    tape: (text: string) =>
      lengthLine(tokens, text, new Stroke({ color: tokens.buoyText, width: 1.8, lineDash: [5, 4] }), 9),
    /** As far as a dead aircraft is thrown, to both sides of a line. */
    thrown: (throwM: number, resolution: number) =>
      new Style({
        stroke: new Stroke({ color: thrown as ColorLike, width: (2 * throwM) / resolution, lineCap: "butt" }),
        zIndex: 1,
      }),
    flown: [
      new Style({ stroke: new Stroke({ color: tokens.paper, width: 6 }), zIndex: 7 }),
      new Style({ stroke: new Stroke({ color: tokens.ink, width: 3 }), zIndex: 7 }),
    ],
    /** Where it may not be: told by its breadth and its dashes as well. */
    amiss: [
      new Style({ stroke: new Stroke({ color: tokens.paper, width: 8 }), zIndex: 8 }),
      new Style({ stroke: new Stroke({ color: tokens.buoyText, width: 5, lineDash: [10, 4] }), zIndex: 8 }),
    ],
    strayed: new Style({ stroke: new Stroke({ color: faded(tokens.ink, 0.22), width: 1 }), zIndex: 5 }),
    flight: (name: string, headingDeg: number) => flightLook(tokens, name, headingDeg),
    picture: ({ widthM, widthPx, turnedDeg, strength }: PlanPicture, src: string) => {
      const icon = new Icon({ src, opacity: strength, rotation: (turnedDeg * Math.PI) / 180 });
      const style = new Style({ image: icon });
      return (_: unknown, resolution: number) => {
        icon.setScale(widthM / (widthPx * resolution));
        return style;
      };
    },
    chosen: new Style({ stroke: new Stroke({ color: tokens.buoy, width: 3 }), zIndex: 20 }),
    chosenPoint: new Style({
      image: new Circle({ radius: 14, stroke: new Stroke({ color: tokens.buoy, width: 3 }) }),
      zIndex: 20,
    }),
    drawing: new Style({
      stroke: new Stroke({ color: tokens.buoy, width: 2, lineDash: [6, 4] }),
      fill: new Fill({ color: faded(tokens.buoy, 0.1) }),
      image: new Circle({ radius: 5, fill: new Fill({ color: tokens.buoy }) }),
    }),
  };
}

export type PlanLooks = ReturnType<typeof planLooks>;
