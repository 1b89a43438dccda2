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
import { curvesSvg } from "./curves-svg";
import { changeText, mixRows, stickText, TILT_ERRORS_DEG } from "./mix-rows";
import type { CardPaper } from "./papers";

const { ink, inkSoft, rule, shoal, buoyText, slate } = tokens.light;
const axes = ["roll", "pitch", "yaw"] as const;
const axisLooks = { roll: [ink, undefined], pitch: [shoal, [5, 3]], yaw: [buoyText, [1.5, 2.5]] } as const;
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

const PLOT = { widthPt: 128, heightPt: 96, colours: { ink, rule } } as const;
const RIGHT = `stick ${percent(1)}`;

function ratesSvg({ rates }: Settings): string {
  const top = Math.ceil(Math.max(...axes.map((axis) => rateAtStick(rates[axis], 1))) / 100) * 100;
  return curvesSvg({
    ...PLOT,
    title: "turning rate, °/s",
    ends: { top: numeral(top, 0), right: RIGHT },
    curves: axes.map((axis) => {
      const [colour, dash] = axisLooks[axis];
      return { points: sampled((stick) => rateAtStick(rates[axis], stick) / top), colour, dash, widthPt: 1.2 };
    }),
  });
}

function throttleSvg({ throttle }: Settings, cruise: number | null): string {
  const stick =
    cruise !== null && throttleAtStick(throttle, 1) >= cruise ? stickForThrottleClamped(throttle, cruise) : 0;
  return curvesSvg({
    ...PLOT,
    title: "throttle, %",
    ends: { top: "100", right: RIGHT },
    curves: [
      { points: sampled((at) => throttleAtStick(throttle, at)), colour: ink, widthPt: 1.2 },
      ...(cruise !== null && stick > 0
        ? [
            {
              points: [
                [stick, 0],
                [stick, cruise],
                [0, cruise],
              ] as const,
              ...{ colour: slate, widthPt: 0.6, dash: [2, 1.5], label: "cruise" },
            },
          ]
        : []),
    ],
  });
}

const sampled = (value: (stick: number) => number) =>
  Array.from({ length: 51 }, (_, i) => [i / 50, value(i / 50)] as const);
