import { themeNames, tokens, type Tokens } from "./tokens";

/** Relative luminance and contrast ratio as WCAG 2.2 defines them (W3C Recommendation, 12 December 2024, "relative luminance", "contrast ratio"). */
function luminance(colour: string): number {
  const [red, green, blue] = [1, 3, 5].map((at) => {
    const share = parseInt(colour.slice(at, at + 2), 16) / 255;
    return share <= 0.04045 ? share / 12.92 : ((share + 0.055) / 1.055) ** 2.4;
  });
  return 0.2126 * red + 0.7152 * green + 0.0722 * blue;
}
function contrast(one: string, other: string): number {
  const [dark, light] = [luminance(one), luminance(other)].sort((a, b) => a - b);
  return (light + 0.05) / (dark + 0.05);
}

it("reckons contrast as the standard's own examples have it", () => {
  expect(contrast("#000000", "#FFFFFF")).toBeCloseTo(21, 10);
  // The grey that just passes on white, of the standard's own techniques (G18): 4.54 to 1.
  expect(contrast("#767676", "#FFFFFF")).toBeCloseTo(4.54, 2);
});

/** Text by role, and what it is written on. */
const written: readonly (readonly [text: keyof Tokens, on: keyof Tokens])[] = [
  ["ink", "paper"],
  ["ink", "sheet"],
  ["inkSoft", "paper"],
  ["inkSoft", "sheet"],
  ["railInk", "rail"],
  ["shoal", "paper"],
  ["shoalInk", "shoal"],
  ["buoyInk", "buoy"],
  ["buoyText", "paper"],
  ["buoyText", "sheet"],
  ["ochreInk", "ochre"],
  ["ochreText", "paper"],
  ["slateInk", "slate"],
];

it.each(themeNames)("text of the %s look can be read: 4.5 to 1 at least (WCAG 2.2, 1.4.3)", (theme) => {
  const worst = written
    .map(
      ([text, on]) => [contrast(String(tokens[theme][text]), String(tokens[theme][on])), `${text} on ${on}`] as const,
    )
    .sort(([a], [b]) => a - b)[0];
  expect(worst[0]).toBeGreaterThanOrEqual(4.5);
});

it("in the sun everything written has 7 to 1 (WCAG 2.2, 1.4.6)", () => {
  for (const [text, on] of written)
    expect([text, on, contrast(String(tokens.sun[text]), String(tokens.sun[on])) >= 7]).toEqual([text, on, true]);
});

it.each(themeNames)("shapes that carry a meaning stand out from the %s paper: 3 to 1 (WCAG 2.2, 1.4.11)", (theme) => {
  const { paper, shoal, buoy, slate, ink } = tokens[theme];
  for (const colour of [shoal, buoy, slate, ink]) expect(contrast(colour, paper)).toBeGreaterThanOrEqual(3);
});

it.each(["light", "dark"] as const)("depths of the %s look go one way, each apart from the one before", (theme) => {
  const steps = tokens[theme].depths.map(luminance);
  const sense = Math.sign(steps[1] - steps[0]);
  steps.slice(1).forEach((step, i) => expect(Math.sign(step - steps[i])).toBe(sense));
});
