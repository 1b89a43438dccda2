import { scaleLinear } from "d3-scale";
import { line } from "d3-shape";
import { numeral, quantityText, type UnitSystem, percent } from "@/words";
import type { Content } from "pdfmake/interfaces";
import type { Paper } from "@/server/files";
import {
  airOfDay,
  ownCruise,
  rounded,
  curveFeel,
  dayText,
  rateAtStick,
  coarseDay,
  type DayAir,
  stickForThrottleClamped,
  throttleAtStick,
  tiltError,
  type RateCurve,
  type Settings,
} from "@/core";
import type { Aircraft, Pilot, Setup } from "@/contract";
import { stickPairSvg } from "@/ui/sticks/stick-pair-svg";
import { tokens } from "@/ui/theme/tokens";
import { changeText, mixRows, stickText, TILT_ERRORS_DEG } from "./mix-rows";
import type { CardPaper } from "./papers";

const { ink, inkSoft, rule, shoal, buoyText, slate } = tokens.light;
const axes = ["roll", "pitch", "yaw"] as const;
const axisLooks = { roll: [ink, ""], pitch: [shoal, "5 3"], yaw: [buoyText, "1.5 2.5"] } as const;
/** Heights that there is room for. */
const MOST_HEIGHTS = 8;
const TURN_DPS = 90;
const SPIN_DPS = 300;
/** Sizes are laid out for the small card; the large one is the same, twice as big. */
const scales: Readonly<Record<CardPaper, number>> = { a6: 1, a4: 2 };

/** Minimum start heights of the tricks a pilot is at, and the air they hold in. */
export interface CardHeights {
  readonly day: DayAir;
  /** By the clocks of which dates are written. */
  readonly timeZone: string;
  readonly lines: readonly { readonly name: string; readonly heightM: number | null }[];
}

/** One page with all a pilot or a second coach needs of a setup at the field: curves, figures, mix, stick positions. */
export function cardContent(
  pilot: Pilot,
  aircraft: Aircraft,
  setup: Setup,
  paper: CardPaper,
  heights: CardHeights,
  units: UnitSystem = "metric",
): Paper {
  const k = scales[paper];
  const { settings } = setup;
  const small = 6.4 * k;
  const number = (text: string, bold = true): Content => ({ text, font: "Numbers", bold, fontSize: small });
  const heading = (text: string): Content => ({ text, bold: true, fontSize: 7 * k, margin: [0, 4 * k, 0, 1.5 * k] });
  const table = (
    head: readonly string[],
    rows: readonly (readonly Content[])[],
    widths: readonly string[],
  ): Content => ({
    layout: "ruled",
    table: {
      widths: [...widths],
      body: [head.map((text) => ({ text, fontSize: 5.6 * k, color: inkSoft })), ...rows.map((row) => [...row])],
    },
  });
  const words = (text: string): Content => ({ text, fontSize: small });
  const { tiltDeg } = settings;
  const level = ownCruise(aircraft.airframe, { tiltDeg, cruiseMps: pilot.cruiseMps }, airOfDay(heights.day));
  const leanDeg = rounded(level?.leanDeg ?? tiltDeg, 0);
  const { throttle, modes } = settings;
  const limit =
    throttle.limit.kind === "off" ? "no limit" : `${throttle.limit.kind} to ${percent(throttle.limit.fraction)}`;
  return {
    pageSize: paper === "a6" ? "A6" : "A4",
    pageMargins: 12 * k,
    info: { title: `${aircraft.name}, setup ${setup.number}`, creator: "Bathygon" },
    defaultStyle: { color: ink, fontSize: 6 * k },
    ruled: { ruled: { colour: rule, widthPt: 0.5, paddingPt: [k, 2, k, 2] } },
    content: [
      {
        columns: [
          { text: `${aircraft.name}, setup ${setup.number}`, bold: true, fontSize: 12 * k },
          { text: `${pilot.name}\nmode ${pilot.stickMode}, ${pilot.grip}`, alignment: "right", fontSize: small },
        ],
      },
      {
        text: `${dayText(heights.timeZone, setup.createdAtMs)}, ${setup.coachName}: ${setup.reason}`,
        fontSize: small,
        color: inkSoft,
      },
      {
        columns: [
          { svg: ratesSvg(settings), width: 128 * k },
          { svg: throttleSvg(settings, level?.throttle ?? null), width: 128 * k },
        ],
        columnGap: 10 * k,
        margin: [0, 4 * k, 0, 2 * k],
      },
      table(
        ["axis", "curve", "centre °/s", "half °/s", "end °/s", "360° in"],
        axes.map((axis) => {
          const feel = curveFeel(settings.rates[axis]);
          return [
            { text: axis, fontSize: small, bold: true, color: axisLooks[axis][0] },
            words(curveText(settings.rates[axis])),
            number(numeral(feel.centreSlopeDps, 0)),
            number(numeral(feel.halfStickDps, 0)),
            number(numeral(feel.endDps, 0)),
            number(tight(`${numeral(feel.time360S, 2)} s`)),
          ];
        }),
        ["auto", "*", "auto", "auto", "auto", "auto"],
      ),
      table(
        ["camera tilt", "throttle mid, expo, limit", pilot.cruiseMps === null ? "level cruise" : "own cruise", "modes"],
        [
          [
            number(`${settings.tiltDeg}°`),
            words(`${numeral(throttle.mid, 2)}, ${numeral(throttle.expo, 2)}, ${limit}`),
            level
              ? words(
                  `${quantityText(level.speedMps, "speed", units)} at ${percent(stickForThrottleClamped(throttle, level.throttle))} stick, ${numeral(level.thrustG, 2)} g`,
                )
              : words("not with this thrust"),
            words(modesText(modes)),
          ],
        ],
        ["auto", "auto", "*", "auto"],
      ),
      heading(
        `Mix at ${tiltDeg}° of tilt${leanDeg === tiltDeg ? "" : `, turns ${leanDeg}° nose down`}, to the right, by hand`,
      ),
      table(
        ["sticks", "move", "roll", "yaw", "how the hands move"],
        mixRows(settings, {
          stickMode: pilot.stickMode,
          leanDeg,
          turnDps: TURN_DPS,
          spinDps: SPIN_DPS,
          by: "hand",
        }).map(({ name, mix, words: how }, i) => [
          {
            svg: stickPairSvg({
              rollStick: mix.rollStick,
              yawStick: mix.yawStick,
              stickMode: pilot.stickMode,
              colours: { sheet: "#FFFFFF", ink, rule, push: shoal },
            }),
            width: 42 * k,
          },
          words(`${name}, ${i === 0 ? TURN_DPS : SPIN_DPS}\u00a0°/s`),
          number(tight(stickText(mix.rollStick))),
          number(tight(stickText(mix.yawStick))),
          words(how),
        ]),
        ["auto", "auto", "auto", "auto", "*"],
      ),
      heading("If the tilt is off"),
      table(
        ["by", "turn: horizon leans after half a turn", "right sticks: roll", "yaw", "roll: view off after half"],
        TILT_ERRORS_DEG.map((errorDeg) => {
          const turn = tiltError("level-turn", settings.rates, settings.tiltDeg, TURN_DPS, errorDeg);
          const roll = tiltError("view-roll", settings.rates, settings.tiltDeg, SPIN_DPS, errorDeg);
          return [
            number(`+${errorDeg}°`),
            number(`${numeral(turn.offAfterHalfTurnDeg, 0)}°`),
            number(tight(changeText(turn.rollStickChange))),
            number(tight(changeText(turn.yawStickChange))),
            number(`${numeral(roll.offAfterHalfTurnDeg, 0)}°`),
          ];
        }),
        ["auto", "*", "auto", "auto", "auto"],
      ),
      ...(heights.lines.length === 0
        ? []
        : [
            heading(`Minimum start height, ${airText(heights.day, units)}`),
            { text: heightTexts(heights.lines, number, small, units) },
          ]),
      {
        text: "Computed for this aircraft; its unmeasured numbers are estimates. New or repaired: propellers off on the bench, first flight by eye. After a crash measure the tilt. Local rules come first.",
        fontSize: 5.6 * k,
        color: inkSoft,
        margin: [0, 4 * k, 0, 0],
      },
    ],
  };
}

/** Heights that are known, the first of them, and how many are not. */
function heightTexts(
  lines: CardHeights["lines"],
  number: (text: string) => Content,
  fontSize: number,
  units: UnitSystem,
): Content[] {
  const known = lines.filter(({ heightM }) => heightM !== null).slice(0, MOST_HEIGHTS);
  const missing = lines.filter(({ heightM }) => heightM === null).length;
  return [
    ...known.flatMap(({ name, heightM }): Content[] => [
      { text: `${name} `, fontSize },
      number(tight(quantityText(heightM, "length", units))),
      { text: "   ", fontSize },
    ]),
    ...(missing === 0
      ? []
      : [{ text: `${known.length === 0 ? "not worked out yet" : `${missing} more not worked out yet`}`, fontSize }]),
  ];
}

function airText(day: DayAir, units: UnitSystem): string {
  const { elevationM, temperatureC, windMps } = coarseDay(day);
  return [
    `at ${quantityText(elevationM, "length", units, 0)}`,
    temperatureC === null ? "standard air" : quantityText(temperatureC, "temperature", units),
    `wind to ${quantityText(windMps, "speed", units, 0)}`,
  ].join(", ");
}

/** Figure and unit that stay on one line. */
const tight = (text: string) => text.replaceAll(" ", "\u00a0");

function curveText(curve: RateCurve): string {
  switch (curve.family) {
    case "base-rise":
      return `base ${numeral(curve.base, 2)}, rise ${numeral(curve.rise, 2)}, expo ${numeral(curve.expo, 2)}`;
    case "centre-end":
      return `centre ${numeral(curve.centreDps, 0)}, end ${numeral(curve.endDps, 0)}, expo ${numeral(curve.expo, 2)}`;
    case "end-cubic":
      return `end ${numeral(curve.endDps, 0)}, cubic expo ${numeral(curve.expo, 2)}`;
  }
}

function modesText({ selfLevel, bankLimitDeg, idleAuthority }: Settings["modes"]): string {
  const said = [
    selfLevel ? "self-level" : "rate",
    ...(bankLimitDeg === null ? [] : [`bank limit ${bankLimitDeg}°`]),
    ...(idleAuthority ? [] : ["no idle authority"]),
  ];
  return said.join(", ");
}

const WIDTH = 128;
const HEIGHT = 96;
const PAD = { left: 16, right: 2, top: 9, bottom: 10 };

/** A frame with a grid, figures along the axes and a title, and what is drawn in it. */
function plot(
  title: string,
  topFigure: string,
  inside: (x: (share: number) => number, y: (share: number) => number) => string,
): string {
  const x = scaleLinear([0, 1], [PAD.left, WIDTH - PAD.right]);
  const y = scaleLinear([0, 1], [HEIGHT - PAD.bottom, PAD.top]);
  const text = (at: string, anchor: string, words: string) =>
    `<text ${at} text-anchor="${anchor}" font-family="Words" font-size="5.5" fill="${ink}">${words}</text>`;
  const grid = [0, 0.25, 0.5, 0.75, 1]
    .map((share) => `M${x(share)} ${y(0)}V${y(1)}M${x(0)} ${y(share)}H${x(1)}`)
    .join("");
  return `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${WIDTH} ${HEIGHT}"><path d="${grid}" stroke="${rule}" stroke-width="0.4" fill="none"/><path d="M${x(0)} ${y(1)}V${y(0)}H${x(1)}" stroke="${ink}" stroke-width="0.8" fill="none"/>${text(`x="${x(0) - 2}" y="${y(1) + 4}"`, "end", topFigure)}${text(`x="${x(0) - 2}" y="${y(0)}"`, "end", "0")}${text(`x="${x(1)}" y="${y(0) + 7}"`, "end", "stick 100\u202f%")}${text(`x="${x(0) + 3}" y="${y(1) - 2}"`, "start", title)}${inside(x, y)}</svg>`;
}

function ratesSvg({ rates }: Settings): string {
  const top = Math.ceil(Math.max(...axes.map((axis) => rateAtStick(rates[axis], 1))) / 100) * 100;
  return plot("turning rate, °/s", String(top), (x, y) =>
    axes
      .map((axis) => {
        const [colour, dash] = axisLooks[axis];
        return `<path d="${sampled((s) => rateAtStick(rates[axis], s) / top, x, y)}" fill="none" stroke="${colour}" stroke-width="1.2"${dash && ` stroke-dasharray="${dash}"`}/>`;
      })
      .join(""),
  );
}

function throttleSvg({ throttle }: Settings, cruise: number | null): string {
  return plot("throttle, %", "100", (x, y) => {
    const line = `<path d="${sampled((s) => throttleAtStick(throttle, s), x, y)}" fill="none" stroke="${ink}" stroke-width="1.2"/>`;
    if (cruise === null || throttleAtStick(throttle, 1) < cruise) return line;
    const stick = stickForThrottleClamped(throttle, cruise);
    return `${line}<path d="M${x(stick)} ${y(0)}V${y(cruise)}H${x(0)}" stroke="${slate}" stroke-width="0.6" stroke-dasharray="2 1.5" fill="none"/><text x="${x(stick) + 2}" y="${y(0) - 2}" font-family="Words" font-size="5.5" fill="${slate}">cruise</text>`;
  });
}

function sampled(value: (stick: number) => number, x: (share: number) => number, y: (share: number) => number): string {
  const sticks = Array.from({ length: 51 }, (_, i) => i / 50);
  return line<number>(x, (stick) => y(value(stick))).digits(1)(sticks) ?? "";
}
