import { stickModes } from "./modes";

export interface StickPairColours {
  readonly sheet: string;
  readonly ink: string;
  readonly rule: string;
  readonly push: string;
}

const RADIUS = 40;
const APART = 96;

/**
 * Both sticks pushed sideways, as an SVG document for the screen and for paper: a dial a hand, a bar from the centre to where the stick goes.
 * A null position lies beyond the stop and is drawn as a cross at the rim.
 */
export function stickPairSvg({
  rollStick,
  yawStick,
  stickMode,
  colours,
}: {
  rollStick: number | null;
  yawStick: number | null;
  stickMode: number;
  colours: StickPairColours;
}): string {
  const mode = stickModes[stickMode];
  const dial = (side: "left" | "right", centre: number) => {
    const at = mode[side].sideways === "roll" ? rollStick : yawStick;
    const other = mode[side].sideways === "roll" ? yawStick : rollStick;
    // Beyond the stop to the side the other hand does not say: right, unless both are apart.
    const x = centre + (at ?? (other !== null && other < 0 ? -1 : 1)) * (RADIUS - 8);
    const mark =
      at === null
        ? `<path d="M${x - 6} -6l12 12m0 -12l-12 12" stroke="${colours.push}" stroke-width="4" fill="none"/>`
        : `<circle cx="${x.toFixed(1)}" cy="0" r="8" fill="${colours.push}"/>`;
    return [
      `<circle cx="${centre}" cy="0" r="${RADIUS}" fill="${colours.sheet}" stroke="${colours.ink}" stroke-width="2"/>`,
      `<path d="M${centre - RADIUS + 6} 0H${centre + RADIUS - 6}M${centre} ${6 - RADIUS}V${RADIUS - 6}" stroke="${colours.rule}" stroke-width="1.5"/>`,
      `<path d="M${centre} 0H${x.toFixed(1)}" stroke="${colours.push}" stroke-width="5"/>`,
      mark,
    ].join("");
  };
  const width = APART + 2 * RADIUS + 4;
  const height = 2 * RADIUS + 4;
  return `<svg xmlns="http://www.w3.org/2000/svg" viewBox="${-RADIUS - 2} ${-RADIUS - 2} ${width} ${height}" width="${width}" height="${height}">${dial("left", 0)}${dial("right", APART)}</svg>`;
}
