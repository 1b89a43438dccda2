import { themeNames, tokens } from "@/ui/theme/tokens";
import { inkOn } from "./depth-colours";

const part = (value: number) => (value <= 0.04045 ? value / 12.92 : ((value + 0.055) / 1.055) ** 2.4);
const luminance = (colour: string) =>
  [0.2126, 0.7152, 0.0722].reduce(
    (sum, weight, i) => sum + weight * part(parseInt(colour.slice(1 + 2 * i, 3 + 2 * i), 16) / 255),
    0,
  );

// WCAG 2.2, success criterion 1.4.3: text stands out 4.5 to 1; the full-sun look promises 7 to 1.
it.each(themeNames)("%s: names stand out from every depth", (look) => {
  for (const ground of tokens[look].depths) {
    const [dark, light] = [luminance(ground), luminance(inkOn(ground, tokens[look]))].sort((a, b) => a - b);
    expect([ground, (light + 0.05) / (dark + 0.05) >= (look === "sun" ? 7 : 4.5)]).toEqual([ground, true]);
  }
});
