import { fromEuler, multiply } from "../attitude";
import { turnedLevel, wrapDeg } from "../numbers";
import { SAME_FRAME, type Environment, type Frame, type Obstacle, type Trace, type TraceColumn } from "../recipes";

/** Where an item is flown: its line of entry against that of the whole, and when it begins. */
export interface Place extends Frame {
  readonly fromS: number;
}

export const BEGINNING: Place = { ...SAME_FRAME, fromS: 0 };

const isBeginning = ({ northM, eastM, headingDeg, fromS }: Place) =>
  northM === 0 && eastM === 0 && headingDeg === 0 && fromS === 0;

/** The line of entry that follows, after so many seconds. */
export function placeAhead(place: Place, { northM, eastM, headingDeg }: Frame, tookS: number): Place {
  const [north, east] = turnedLevel(place.headingDeg, northM, eastM);
  return {
    northM: place.northM + north,
    eastM: place.eastM + east,
    headingDeg: place.headingDeg + headingDeg,
    fromS: place.fromS + tookS,
  };
}

/** The environment of the whole seen along a line of entry: its wind, given against north, and what stands about, given along the line of the whole. */
export function environmentAt(environment: Environment, lineHeadingDeg: number, place: Place): Environment {
  const { windNorthMps, windEastMps, obstacles = [] } = environment;
  const [north, east] = turnedLevel(-(lineHeadingDeg + place.headingDeg), windNorthMps, windEastMps);
  return {
    ...environment,
    windNorthMps: north,
    windEastMps: east,
    ...(obstacles.length > 0 && { obstacles: obstacles.map((one) => obstacleAt(one, place)) }),
  };
}

/** Something of the whole, seen along a line of entry. */
export function obstacleAt(obstacle: Obstacle, place: Place): Obstacle {
  if (isBeginning({ ...place, fromS: 0 })) return obstacle;
  const [alongM, acrossM] = turnedLevel(
    -place.headingDeg,
    obstacle.alongM - place.northM,
    obstacle.acrossM - place.eastM,
  );
  return { ...obstacle, alongM, acrossM, turnedDeg: wrapDeg((obstacle.turnedDeg ?? 0) - place.headingDeg) };
}

/** Adds what was flown along a line of entry to the trace of the whole, its phases counted on from `phases`. The last sample of before gives way to the first of this. */
export function append(whole: Trace, flown: Trace, place: Place, phases: number): void {
  const columns = Object.keys(flown).filter((name) => name !== "sampleS") as TraceColumn[];
  if (whole.timeS.length > 0) for (const name of columns) whole[name].pop();
  const same = isBeginning(place);
  const turn = fromEuler({ yawDeg: place.headingDeg, pitchDeg: 0, rollDeg: 0 });
  for (let i = 0; i < flown.timeS.length; i++) {
    for (const name of columns) if (!moved.has(name) || same) whole[name].push(flown[name][i]);
    if (same) continue;
    const [north, east] = turnedLevel(place.headingDeg, flown.northM[i], flown.eastM[i]);
    const [vNorth, vEast] = turnedLevel(place.headingDeg, flown.vNorthMps[i], flown.vEastMps[i]);
    const q = multiply(turn, { w: flown.qw[i], x: flown.qx[i], y: flown.qy[i], z: flown.qz[i] });
    whole.timeS.push(place.fromS + flown.timeS[i]);
    whole.phase.push(phases + flown.phase[i]);
    whole.northM.push(place.northM + north);
    whole.eastM.push(place.eastM + east);
    whole.vNorthMps.push(vNorth);
    whole.vEastMps.push(vEast);
    whole.qw.push(q.w);
    whole.qx.push(q.x);
    whole.qy.push(q.y);
    whole.qz.push(q.z);
    whole.viewHeadingDeg.push(wrapDeg(flown.viewHeadingDeg[i] + place.headingDeg));
  }
}

/** The columns that hang on the line of entry. */
const moved: ReadonlySet<TraceColumn> = new Set([
  "timeS",
  "phase",
  "northM",
  "eastM",
  "vNorthMps",
  "vEastMps",
  "qw",
  "qx",
  "qy",
  "qz",
  "viewHeadingDeg",
] as const);
