import { airframePresets, draftBrief, CALM_AIR, recipes, firstSettings } from "@/core";
import { instructionsFor } from "./choreography";

const airframe = airframePresets["five-inch-freestyle"].airframe;
describe("instructions", () => {
  const brief = (id: string) => draftBrief(recipes[id], airframe, firstSettings, CALM_AIR);
  const text = (id: string, stickMode: number) =>
    instructionsFor({ ...brief(id), stickMode })
      .map((one) => `${one.text} ${one.figure}`)
      .join("\n");

  it("name the hand of the stick mode and the sense of the direction", () => {
    expect(text("flip-one-move-back", 2)).toContain("right stick back 100\u202f%");
    expect(text("flip-one-move-front", 2)).toContain("right stick forward 100\u202f%");
    expect(text("flip-one-move-back", 1)).toContain("left stick back 100\u202f%");
  });

  it("are in order, one for each phase, each within the flight", () => {
    const found = brief("flip-ease-quarter-back");
    const instructions = instructionsFor({ ...found, stickMode: 2 });
    expect(instructions.map((one) => one.number)).toEqual([1, 2, 3, 4, 5, 6]);
    const samples = instructions.map((one) => one.sample);
    expect(samples).toEqual([...samples].sort((a, b) => a - b));
    expect(samples.at(-1)).toBeLessThan(found.flight.trace.timeS.length);
  });

  it("give a wait its time, an easing what is left of the stick, a stop its angle, a slow turn its rate", () => {
    const { recipe } = brief("flip-ease-quarter-back");
    const eased = text("flip-ease-quarter-back", 2);
    expect(eased).toMatch(/Close the throttle 0\.15.s/);
    expect(eased).toContain("down to 35\u202f% of the stick");
    const at = Math.round(recipe.parameters.centreDeg.value);
    expect(eased).toContain(`it carries on ${360 - at}° by itself at ${at}°`);
    expect(text("flip-slow-back", 2)).toMatch(/Turn slowly: right stick back \d+\s% 250.°\/s/);
  });

  it("say of any other trick what the phase is and where the sticks go, mirrored for the other side", () => {
    expect(text("roll-level-right", 2)).toMatch(
      /Roll with the opposite yaw right stick right 100\s%, left stick left \d+\s%/,
    );
    expect(text("roll-level-left", 2)).toMatch(/right stick left 100\s%, left stick right \d+\s%/);
    expect(text("roll-level-right", 4)).toMatch(/left stick right 100\s%, right stick left/);
    expect(text("stop-course", 2)).toMatch(/Lean forward, height held/);
  });
});
