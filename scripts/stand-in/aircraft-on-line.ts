import { airframePresets, readSettingsFile, settingsFile, type Settings } from "@/core";
import { pilots } from "../demo-data/camp";
import { MadeUpAircraft, NAMES, SOUND_MACHINE, type Act, type Frame, type Hands } from "./made-up-aircraft";
import { isMisdeed, Line, type Misdeed } from "./misbehaviour";

/** How the pilots of the camp fly; whoever is not named flies soundly. */
const handsOf: Readonly<Record<string, Hands>> = {
  "Tamsel Orrick": { unsteady: 0.03, openThrottle: 0.14, lateS: 0.03 },
  "Joss Hathering": { unsteady: 0.05, openThrottle: 0.05, lateS: 0.045 },
};
const SOUND: Hands = { unsteady: 0.015, openThrottle: 0, lateS: 0.015 };
/** What is flown, over and over; then it lands for a while. */
const REPERTOIRE = [
  ...["flip-slow-back", "flip-slow-front", "roll-pure-left", "roll-pure-right", "flip-one-move-back"],
  ...["spin-level-left", "hang-right", "split-s-float-left"],
];
/** What the three places of the radio's mode switch do. */
const MODES = ["self-level", "bank limit", "rates"] as const;
const BETWEEN_S = 6;
const AIRBORNE_S = 240;
const GROUND_S = 15;

/**
 * A made-up aircraft at one end of a line: says its frames as lines of an open recording, answers questions for its settings, takes others while it
 * stands still on the ground, and misbehaves when told to. Asks and answers are JSON lines; settings go by the published schema of setups.
 */
export class AircraftOnLine {
  private readonly craft: MadeUpAircraft;
  private readonly line: Line;
  private readonly misdeeds = new Set<Misdeed>();
  private readonly name: string;
  private settings: Settings;
  private saved: Settings;
  private frames: Iterator<Frame> | null = null;
  private flown = 0;
  private landed = true;
  private until = { groundS: 3, landS: AIRBORNE_S };
  private throttle = 0;
  /** Where the mode switch stands. */
  private place = MODES.indexOf("rates");

  constructor(
    pilotName: string,
    hz: number,
    seed: number,
    private readonly say: (line: string) => void,
  ) {
    const pilot = pilots.find(({ name }) => name === pilotName) ?? pilots[0];
    const [aircraft] = pilot.aircraft;
    this.name = aircraft.name;
    this.settings = this.saved = aircraft.setups[aircraft.setups.length - 1].settings;
    const { airframe } = airframePresets[aircraft.preset];
    const hands = handsOf[pilot.name] ?? SOUND;
    this.craft = new MadeUpAircraft({ airframe, settings: this.settings }, hands, SOUND_MACHINE, hz, seed);
    this.line = new Line(seed);
    this.say(NAMES);
  }

  get timeS(): number {
    return this.craft.timeS;
  }

  /** Flies on to a moment and says every frame up to it. */
  flyTo(untilS: number): void {
    while (this.craft.timeS < untilS) {
      this.frames ??= this.craft.fly(this.nextAct());
      const { value, done } = this.frames.next();
      if (done) {
        this.frames = null;
        continue;
      }
      this.throttle = value.throttle;
      for (const line of this.line.sent(value, this.misdeeds)) this.say(line);
    }
  }

  private nextAct(): Act {
    const { timeS } = this.craft;
    if (this.landed) {
      if (timeS < this.until.groundS) return { kind: "stand", untilS: Math.min(this.until.groundS, timeS + 0.5) };
      this.landed = false;
      this.until = { ...this.until, landS: timeS + AIRBORNE_S };
    }
    if (timeS > this.until.landS) {
      this.landed = true;
      this.until = { ...this.until, groundS: Math.max(this.until.groundS, timeS + GROUND_S) };
      return { kind: "stand", untilS: timeS + 1 };
    }
    // Nothing turns over in the other two modes.
    const turn = MODES[this.place] === "rates" ? this.flown++ : 0;
    if (turn % 2 === 0) return { kind: "cruise", untilS: timeS + BETWEEN_S };
    return { kind: "trick", recipe: REPERTOIRE[Math.floor(turn / 2) % REPERTOIRE.length] };
  }

  /** Takes a line from the other end. */
  hear(line: string): void {
    const answer = (reply: object) => this.say(JSON.stringify(reply));
    let asked: Readonly<Record<string, unknown>>;
    try {
      asked = Object(JSON.parse(line)) as typeof asked;
    } catch {
      return answer({ refused: "not-json" });
    }
    if (asked.read === "settings")
      return answer({
        setup: settingsFile(this.settings, this.name, ""),
        saved: this.settings === this.saved,
        modes: { at: this.place, places: MODES },
      });
    if (asked.switch !== undefined) {
      const place = Number(asked.switch);
      if (!(place in MODES)) return answer({ refused: "no-such-place", field: "switch" });
      this.place = place;
      return answer({ modes: { at: place, places: MODES } });
    }
    if ("write" in asked) return answer(this.write(asked.write));
    if (asked.save === true) {
      if (this.armed) return answer({ refused: "armed" });
      this.saved = this.settings;
      return answer({ saved: true });
    }
    if (asked.land === true) this.until = { landS: 0, groundS: Infinity };
    else if (asked.land === false) this.until = { ...this.until, groundS: 0, landS: Infinity };
    else if (asked.misbehave === "clock-jump") this.line.jump();
    else if (asked.misbehave === "restart") this.restart();
    else if (isMisdeed(asked.misbehave)) this.misdeeds.add(asked.misbehave);
    else if (asked.misbehave === null) this.misdeeds.clear();
    else return answer({ refused: "not-known" });
  }

  private get armed(): boolean {
    return !this.landed || this.throttle > 0.01;
  }

  /** Settings are taken on the ground only, and forgotten at a restart until they are saved. */
  private write(file: unknown): object {
    if (this.armed) return { refused: "armed" };
    const read = readSettingsFile(file);
    if (!read.ok) return { refused: "settings", field: read.problems[0].field };
    this.settings = read.settings;
    return { written: true };
  }

  private restart(): void {
    this.settings = this.saved;
    this.say(NAMES);
  }
}
