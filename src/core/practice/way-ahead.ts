import { DEG_PER_RAD, wrapDeg } from "../numbers";
import { bearingDeg, between } from "../yard";
import type { Figure, WayPoint } from "./figure";

/** Where the aircraft should be by now. */
export interface Wanted {
  readonly northM: number;
  readonly eastM: number;
  readonly northMps: number;
  readonly eastMps: number;
  readonly noseDeg: number;
  readonly noseDps: number;
}

/** Speed is gathered and lost so fast, m/s², and the nose turned no faster than this. Ours: hands that learn. */
const GATHERS_MPS2 = 2;
const BRAKES_MPS2 = 1.4;
const TURNS_DPS = 110;
/** Hands follow the corners of a way, and what the nose turns to, as a first-order lag of so long, s: theirs are no steps. */
const FOLLOWS_S = 0.3;
/** The nose looks so far along the way, m. */
const LOOKS_M = 1;
/** After the last place hands hold still for so long, s. */
const RESTS_S = 1;

/** A point that moves along a way: up to its speed, and to rest where it halts. */
export class WayAhead {
  private readonly places: readonly WayPoint[];
  private readonly alongM: readonly number[];
  /** Legs flown to their end. */
  private leg = 0;
  private atM = 0;
  private speedMps = 0;
  private waitsS = 0;
  private noseDeg = 0;
  private northMps = 0;
  private eastMps = 0;

  constructor(private readonly figure: Figure) {
    this.places = [{ northM: 0, eastM: 0, haltS: 0 }, ...figure.way];
    const alongM = [0];
    for (let i = 1; i < this.places.length; i++)
      alongM.push(alongM[i - 1] + between(this.places[i - 1], this.places[i]));
    this.alongM = alongM;
  }

  get done(): boolean {
    return this.leg >= this.places.length - 1 && this.waitsS <= 0;
  }

  moveOn(dtS: number): Wanted {
    this.travel(dtS);
    const { at, directionDeg } = this.placeAt(this.atM);
    const noseDps = this.turnNose(dtS);
    const radians = directionDeg / DEG_PER_RAD;
    const share = Math.min(1, dtS / FOLLOWS_S);
    this.northMps += share * (this.speedMps * Math.cos(radians) - this.northMps);
    this.eastMps += share * (this.speedMps * Math.sin(radians) - this.eastMps);
    return {
      ...at,
      northMps: this.northMps,
      eastMps: this.eastMps,
      noseDeg: this.noseDeg,
      noseDps,
    };
  }

  private travel(dtS: number): void {
    if (this.waitsS > 0) {
      this.waitsS -= dtS;
      return;
    }
    if (this.leg >= this.places.length - 1) return;
    const stopM = this.alongM[this.nextHalt()];
    const mayMps = Math.sqrt(2 * BRAKES_MPS2 * Math.max(0, stopM - this.atM));
    this.speedMps = Math.min(this.figure.speedMps, mayMps, this.speedMps + GATHERS_MPS2 * dtS);
    this.atM = Math.min(stopM, this.atM + Math.max(0.05, this.speedMps) * dtS);
    while (this.leg < this.places.length - 1 && this.atM >= this.alongM[this.leg + 1] - 1e-6) {
      this.leg++;
      const { haltS } = this.places[this.leg];
      const last = this.leg === this.places.length - 1;
      if (haltS > 0 || last) {
        this.speedMps = 0;
        this.waitsS = haltS + (last ? RESTS_S : 0);
        return;
      }
    }
  }

  private nextHalt(): number {
    const found = this.places.findIndex(({ haltS }, i) => i > this.leg && haltS > 0);
    return found < 0 ? this.places.length - 1 : found;
  }

  private placeAt(m: number) {
    const { places, alongM } = this;
    let i = 1;
    while (i < places.length - 1 && alongM[i] < m) i++;
    const [from, to] = [places[i - 1], places[i]];
    const share = alongM[i] > alongM[i - 1] ? (m - alongM[i - 1]) / (alongM[i] - alongM[i - 1]) : 1;
    const part = Math.max(0, Math.min(1, share));
    return {
      at: {
        northM: from.northM + part * (to.northM - from.northM),
        eastM: from.eastM + part * (to.eastM - from.eastM),
      },
      directionDeg: bearingDeg(from, to),
    };
  }

  private turnNose(dtS: number): number {
    const { nose } = this.figure;
    const whole = this.alongM[this.alongM.length - 1];
    if (nose.kind === "held") return 0;
    if (nose.kind === "turning") {
      const before = this.noseDeg;
      this.noseDeg = whole > 0 ? (360 * nose.turns * this.atM) / whole : 0;
      return (this.noseDeg - before) / dtS;
    }
    const { directionDeg } = this.placeAt(Math.min(whole, this.atM + LOOKS_M));
    const wants = nose.kind === "along" ? directionDeg : directionDeg + 180;
    const follows = Math.min(1, dtS / FOLLOWS_S) * wrapDeg(wants - this.noseDeg);
    const turn = Math.max(-TURNS_DPS * dtS, Math.min(TURNS_DPS * dtS, follows));
    this.noseDeg += turn;
    return turn / dtS;
  }
}
