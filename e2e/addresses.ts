import axe from "axe-core";
import { expect, type Page } from "@playwright/test";

/** Where scripts/test.mjs serves an application on an empty database. */
export const emptyAddress = process.env.E2E_EMPTY ?? "";

/** And on one with the demo: each worker of Playwright has its own, of those that `E2E_DEMO` names. */
const demos = (process.env.E2E_DEMO ?? "").split(" ");
export const demoAddress = demos[Number(process.env.TEST_PARALLEL_INDEX ?? 0) % demos.length]!;

/** The screens of the desk that show a pilot, or all of them, with what they fly. */
export const deskScreens = [
  "/squad",
  "/pilot",
  "/setup",
  "/brief",
  "/lab",
  "/lab/choreographer",
  "/session",
  "/calendar",
  "/yard",
  "/syllabus",
  "/season",
] as const;

/** Signs somebody made-up of the demo in, as the form does. */
export async function signIn(page: Page, name = "Maren Tolvik"): Promise<void> {
  const answer = await page.request.post(`${demoAddress}/api/sign-in`, {
    data: { name, password: process.env.E2E_PASSWORD },
  });
  if (!answer.ok()) throw new Error(`could not sign in: ${await answer.text()}`);
}

/** Opens a pilot of the demo from the squad: who is at hand from then on. */
export async function openPilot(page: Page, name: string): Promise<void> {
  await page.goto(`${demoAddress}/squad`);
  await page.getByRole("link", { name, exact: true }).click();
  await expect(page.getByRole("heading", { name, level: 1 })).toBeVisible();
}

/** Picks a theme or units of this device, at the foot of the order of work. */
export async function pickForDevice(page: Page, what: "Theme" | "Units", option: string): Promise<void> {
  await page.getByRole("combobox", { name: what, exact: true }).click();
  await page.getByRole("option", { name: option, exact: true }).click();
}

/** What assistive technology would trip over on a page, however little, by all rules or by some; a line each. */
export async function axeFaults(page: Page, rules?: string[]): Promise<string[]> {
  if (!(await page.evaluate(() => "axe" in window))) await page.evaluate(axe.source);
  return page.evaluate(async (values) => {
    const { violations } = await window.axe.run(document, {
      // What passes is counted nowhere.
      resultTypes: ["violations"],
      ...(values && { runOnly: { type: "rule", values } }),
    });
    return violations.map(({ id, nodes }) => `${id}: ${nodes.map(({ target }) => target.join(" ")).join(" | ")}`);
  }, rules ?? null);
}

declare global {
  interface Window {
    axe: typeof axe;
  }
}
