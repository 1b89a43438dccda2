import { toEuler, type Quaternion } from "../attitude";
import { DEG_PER_RAD, wrapDeg } from "../numbers";
import { between } from "../yard";
import type { Task } from "./drill";
import type { NextThing } from "./next-thing";
import type { PracticeState } from "./practice";

/** A moment of a try, as its place and way are watched; the nose ° from north. */
export type Moment = Pick<PracticeState, "timeS" | "northM" | "eastM" | "heightM" | "northMps" | "eastMps"> & {
  readonly headingDeg: number;
};

/** How far a try has come with its task: so many seconds in a row, or places, of so many. */
export interface TaskProgress {
  readonly done: number;
  readonly of: number;
}

type Of<Kind extends Task["kind"]> = Extract<Task, { kind: Kind }>;

/** The longest stay within a circle, moment by moment. */
export class HoldWatch {
  longestS = 0;
  private sinceS: number | null = null;
  private startDeg: number | null = null;

  constructor(private readonly task: Of<"hold">) {}

  add({ timeS, northM, eastM, heightM, headingDeg }: Moment): void {
    const { at, radiusM, lowestM, highestM, noseWithinDeg } = this.task;
    this.startDeg ??= headingDeg;
    const within =
      between(at, { eastM, northM }) <= radiusM &&
      heightM >= lowestM &&
      heightM <= highestM &&
      (noseWithinDeg === null || Math.abs(wrapDeg(headingDeg - this.startDeg)) <= noseWithinDeg);
    this.sinceS = within ? (this.sinceS ?? timeS) : null;
    if (this.sinceS !== null) this.longestS = Math.max(this.longestS, timeS - this.sinceS);
  }
}

/** Slower than this over the ground there is no way round that the nose could be, m/s. */
const TRAVELS_MPS = 0.4;

/** Places of a course that were passed in their order, moment by moment, and why the next does not count yet. */
export class CourseWatch {
  place = 0;
  nearestM = Infinity;
  turnedDeg = 0;
  why: NextThing | null = null;
  private headingDeg: number | null = null;

  constructor(private readonly task: Of<"course">) {}

  /** How near the next place is to be passed, m. */
  get withinM(): number {
    return this.task.at[this.place].withinM ?? this.task.withinM;
  }

  get all(): boolean {
    return this.place >= this.task.at.length;
  }

  add(moment: Moment): void {
    if (this.all) return;
    const { at } = this.task;
    this.turnedDeg += this.headingDeg === null ? 0 : wrapDeg(moment.headingDeg - this.headingDeg);
    this.headingDeg = moment.headingDeg;
    const m = between(at[this.place], moment);
    this.nearestM = Math.min(this.nearestM, m);
    if (m > this.withinM) return;
    const missed = this.missedBy(moment);
    // What is nearest to counting is told: a halt that was slowest.
    const slower = this.why?.kind === "did-not-halt" ? this.why.speedMps : Infinity;
    if (missed?.kind === "did-not-halt" && slower < missed.speedMps) return;
    this.why = missed;
    if (!missed) [this.place, this.nearestM] = [this.place + 1, Infinity];
  }

  /** Why the place does not count where the aircraft is; null where it does. */
  private missedBy({ heightM, northMps, eastMps, headingDeg }: Moment): NextThing | null {
    const { lowestM, highestM, haltMps, nose } = this.task;
    const place = this.place + 1;
    if (heightM < lowestM || heightM > highestM) return { kind: "off-height", place, heightM, lowestM, highestM };
    const speedMps = Math.hypot(northMps, eastMps);
    if (haltMps !== null && speedMps > haltMps) return { kind: "did-not-halt", place, speedMps, haltMps };
    if (nose && speedMps > TRAVELS_MPS) {
      const off = Math.abs(wrapDeg(headingDeg - DEG_PER_RAD * Math.atan2(eastMps, northMps)));
      if (nose === "ahead" ? off > 90 : off < 90) return { kind: "wrong-way-round", place, nose };
    }
    return null;
  }
}

/** Where the nose points, ° from north. */
export const headingOf = (attitude: Quaternion): number => toEuler(attitude).yawDeg;

/** Watches a task as it is flown: null for one that is judged only once it is over. */
export function watchTask(task: Task): ((moment: Moment) => TaskProgress) | null {
  if (task.kind === "hold") {
    const watch = new HoldWatch(task);
    return (moment) => {
      watch.add(moment);
      return { done: watch.longestS, of: task.seconds };
    };
  }
  if (task.kind !== "course") return null;
  const watch = new CourseWatch(task);
  return (moment) => {
    watch.add(moment);
    return { done: watch.place, of: task.at.length };
  };
}
