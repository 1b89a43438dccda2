import { asArray } from "ol/color";
import type { ColorLike, PatternDescriptor } from "ol/colorlike";
import { Circle, Fill, Icon, RegularShape, Stroke, Style, Text } from "ol/style";
import type { PlanFeature, PlanKind } from "@/core";
import { numberFont, wordFont, type Tokens } from "@/ui/theme/tokens";

type Paint = ColorLike | PatternDescriptor;

/** A fill of short waves, or of slanted strokes. */
export function pattern(kind: "waves" | "slants", colour: string, ground: string | null): Paint {
  const canvas = document.createElement("canvas");
  canvas.width = canvas.height = 14;
  const context = canvas.getContext("2d");
  if (!context) return colour;
  if (ground !== null) {
    context.fillStyle = ground;
    context.fillRect(0, 0, 14, 14);
  }
  context.strokeStyle = colour;
  context.lineWidth = 1.2;
  context.beginPath();
  if (kind === "waves") {
    context.moveTo(0, 7);
    context.bezierCurveTo(3.5, 2, 3.5, 2, 7, 7);
    context.bezierCurveTo(10.5, 12, 10.5, 12, 14, 7);
  } else
    for (const x of [-14, 0, 14]) {
      context.moveTo(x, 14);
      context.lineTo(x + 14, 0);
    }
  context.stroke();
  return context.createPattern(canvas, "repeat") ?? colour;
}

export const faded = (colour: string, opacity: number) => [...asArray(colour).slice(0, 3), opacity];

/** A line in ink, whole or dashed. */
const inkOf = (tokens: Tokens) => (width: number, lineDash?: number[]) =>
  new Stroke({ color: tokens.ink, width, lineDash });

/** A name beside or in a thing; nothing for one without. */
const labelOf =
  (tokens: Tokens) =>
  (text: string, offsetY = 0) =>
    text === ""
      ? undefined
      : new Text({
          text,
          font: `600 12px ${wordFont}`,
          offsetY,
          fill: new Fill({ color: tokens.ink }),
          stroke: new Stroke({ color: tokens.paper, width: 3 }),
          overflow: true,
        });

/** A peg: a full square with its name. */
export const pegLook = (tokens: Tokens) => (name: string) =>
  new Style({
    image: new RegularShape({
      ...{ points: 4, radius: 8, angle: Math.PI / 4 },
      fill: new Fill({ color: tokens.ochre }),
      stroke: inkOf(tokens)(1.2),
    }),
    text: labelOf(tokens)(name, 17),
    zIndex: 7,
  });

/** A numbered pole; full where it stands already. */
export const poleLook = (tokens: Tokens) => (name: string, stands: boolean) =>
  new Style({
    image: new Circle({
      radius: 10,
      fill: new Fill({ color: stands ? tokens.shoal : tokens.sheet }),
      stroke: inkOf(tokens)(1.8),
    }),
    text: new Text({
      text: name,
      font: `700 ${name.length > 2 ? 9 : 11}px ${numberFont}`,
      fill: new Fill({ color: stands ? tokens.shoalInk : tokens.ink }),
    }),
    zIndex: 8,
  });

type Look = (feature: PlanFeature) => Style;

/** How areas are drawn. */
function areaLooks(tokens: Tokens): Record<"boundary" | "no-go" | "ground" | "building", Look> {
  const [ink, label] = [inkOf(tokens), labelOf(tokens)];
  const closed = pattern("slants", tokens.buoyText, null);
  const grounds: Record<NonNullable<PlanFeature["ground"]>, Paint | ReturnType<typeof faded>> = {
    grass: faded(tokens.shoal, 0.1),
    hard: faded(tokens.slate, 0.16),
    water: pattern("waves", tokens.depths[5], tokens.depths[2]),
    trees: faded(tokens.shoal, 0.26),
    ruins: pattern("slants", tokens.rule, null),
  };
  return {
    boundary: () =>
      new Style({ stroke: ink(2, [9, 6]), fill: new Fill({ color: faded(tokens.sheet, 0.8) }), zIndex: 1 }),
    "no-go": ({ name }) =>
      new Style({
        stroke: new Stroke({ color: tokens.buoyText, width: 1.5 }),
        fill: new Fill({ color: closed as ColorLike }),
        text: label(name),
        zIndex: 2,
      }),
    ground: ({ ground, name }) =>
      new Style({
        stroke: new Stroke({ color: tokens.rule, width: 1 }),
        fill: new Fill({ color: grounds[ground ?? "grass"] as ColorLike }),
        text: label(name),
        zIndex: 0,
      }),
    building: ({ name }) =>
      new Style({ stroke: ink(1.5), fill: new Fill({ color: tokens.rule }), text: label(name), zIndex: 3 }),
  };
}

/** How lines are drawn. */
function lineLooks(tokens: Tokens): Record<"people" | "road" | "wall" | "bar" | "gap", Look> {
  const [ink, label] = [inkOf(tokens), labelOf(tokens)];
  const line =
    (stroke: Stroke): Look =>
    ({ name }) =>
      new Style({ stroke, text: label(name, 12), zIndex: 4 });
  const slate = (lineDash?: number[]) => new Stroke({ color: tokens.slate, width: 3, lineDash });
  return {
    people: line(ink(3)),
    road: line(ink(2, [2, 5])),
    wall: line(ink(4)),
    bar: line(slate()),
    gap: line(slate([4, 4])),
  };
}

/** Where a flight begins: a dart that points the way it goes. */
export const flightLook = (tokens: Tokens, name: string, headingDeg: number) =>
  new Style({
    image: new Icon({ ...dart(tokens), rotation: (headingDeg * Math.PI) / 180 }),
    text: labelOf(tokens)(name, 20),
    zIndex: 12,
  });

const DART_PX = 28;

/** Drawn twice as large as it is shown, for sharp screens. */
function dart(tokens: Tokens) {
  const canvas = document.createElement("canvas");
  canvas.width = canvas.height = 2 * DART_PX;
  const context = canvas.getContext("2d");
  if (context) {
    context.scale(2, 2);
    context.beginPath();
    for (const [x, y] of [
      [14, 2],
      [22, 24],
      [14, 19],
      [6, 24],
    ])
      context.lineTo(x, y);
    context.closePath();
    context.fillStyle = tokens.sheet;
    context.fill();
    context.lineWidth = 2.5;
    context.strokeStyle = tokens.ink;
    context.stroke();
  }
  return { img: canvas, scale: 0.5 };
}

/** How single places are drawn. */
function pointLooks(tokens: Tokens): Record<"post" | "tree" | "stand" | "landing" | "pole" | "flag" | "peg", Look> {
  const [ink, label] = [inkOf(tokens), labelOf(tokens)];
  const full = (color: string | number[]) => new Fill({ color });
  const triangle = (radius: number, colour: string, rotation = 0) =>
    new RegularShape({ points: 3, radius, rotation, fill: full(colour), stroke: ink(1.2) });
  const place =
    (image: Circle | RegularShape, usualName = ""): Look =>
    ({ name }) =>
      new Style({ image, text: label(name || usualName, 16), zIndex: 6 });
  const [peg, pole] = [pegLook(tokens), poleLook(tokens)];
  return {
    post: place(new Circle({ radius: 4, fill: full(tokens.ink) })),
    tree: place(new Circle({ radius: 7, fill: full(faded(tokens.shoal, 0.4)), stroke: ink(1.2) })),
    stand: place(triangle(9, tokens.shoal), "stand"),
    landing: place(new Circle({ radius: 8, fill: full(tokens.sheet), stroke: ink(2) }), "landing"),
    flag: place(triangle(6, tokens.buoy, Math.PI / 2)),
    pole: ({ name }) => pole(name, false),
    peg: ({ name }) => peg(name),
  };
}

/** How each kind of thing on a plan is drawn: shape and pattern say what colour says. */
export function thingLooks(tokens: Tokens): Record<PlanKind, Look> {
  return { ...areaLooks(tokens), ...lineLooks(tokens), ...pointLooks(tokens) };
}
