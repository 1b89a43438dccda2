import { readFile } from "node:fs/promises";
import { expect, test, type Browser, type Page } from "@playwright/test";
import { demoAddress, signIn } from "./addresses";

test.use({ serviceWorkers: "allow" });

test.describe.configure({ mode: "serial" });

/** A browser of someone else, signed in or not. */
async function another(browser: Browser, name?: string): Promise<Page> {
  const page = await (await browser.newContext()).newPage();
  if (name) await signIn(page, name);
  return page;
}
const row = (page: Page, name: string) =>
  page.getByRole("row").filter({ has: page.getByRole("link", { name, exact: true }) });

test("a pilot comes in by a one-time link, sees nobody else, practises, and asks for a sign-off", async ({
  browser,
}) => {
  const coach = await another(browser, "Maren Tolvik");
  await coach.goto(`${demoAddress}/people`);
  const line = coach.getByText("Brannoch Sile, no account").locator("..");
  await line.getByRole("button", { name: "Invite" }).click();
  const link = await coach.getByLabel("The link").inputValue();
  await coach.keyboard.press("Escape");
  await expect(coach.getByText(/For Brannoch Sile, account, until/)).toBeVisible();
  await coach.goto(`${demoAddress}/squad`);
  const foreign = await coach.getByRole("link", { name: "Odalie Venn", exact: true }).getAttribute("href");

  const pilot = await another(browser);
  await pilot.goto(link);
  await expect(pilot.getByRole("heading", { name: "Your own record, Brannoch Sile" })).toBeVisible();
  await pilot.getByLabel("A password").fill("short");
  await pilot.getByRole("button", { name: "Create account" }).click();
  await expect(pilot.getByText("use at least 12 characters")).toBeVisible();
  await pilot.getByLabel("A password").fill("four plain words here");
  await pilot.getByRole("button", { name: "Create account" }).click();
  await expect(pilot.getByRole("heading", { name: "Brannoch Sile", level: 1 })).toBeVisible();
  await expect(pilot.getByRole("navigation").getByRole("link")).toHaveText([
    "Pilot",
    "Setup",
    "Brief",
    "Trick lab",
    "Practice",
    "Lines",
    "Session",
    "Tape",
    "Calendar",
    "Yard",
    "Syllabus",
    "Brannoch Sile",
  ]);
  for (const path of ["/squad", "/people", "/records", foreign!]) {
    const response = await pilot.goto(demoAddress + path);
    expect([path, response!.status()]).toEqual([path, 403]);
    await expect(pilot.getByRole("heading", { name: "You don’t have access to this page" })).toBeVisible();
    expect(await pilot.content()).not.toContain("Odalie");
  }

  await pilot.goto(`${demoAddress}/setup`);
  await expect(pilot.getByRole("heading", { name: "Try it out" })).toBeVisible();
  await expect(pilot.getByRole("button", { name: /^Save/ })).toHaveCount(0);
  await pilot.getByRole("link", { name: "Practise" }).click();
  await pilot.getByRole("button", { name: "Start with Brannoch Sile" }).click();
  await expect(pilot.getByRole("button", { name: /^Clean/ })).toBeEnabled();
  for (let n = 0; n < 3; n++) await pilot.keyboard.press("c");
  await expect(pilot.getByText("All sent")).toBeVisible();
  await expect(pilot.getByRole("button", { name: /^Sign off/ })).toHaveCount(0);
  await pilot.getByRole("link", { name: "To the desk" }).click();
  await pilot.getByRole("button", { name: "Request sign-off" }).click();
  await pilot.getByLabel("To your coach (optional)").fill("Sits on the new rates now");
  await pilot.getByRole("button", { name: "Ask", exact: true }).click();
  await expect(pilot.getByText("Sign-off requested: your coach can see it")).toBeVisible();

  await coach.goto(`${demoAddress}/squad`);
  await expect(row(coach, "Brannoch Sile")).toContainText("Sign-off requested:");
  await row(coach, "Brannoch Sile").getByRole("link", { name: "Brannoch Sile" }).click();
  await expect(coach.getByText("Sits on the new rates now")).toBeVisible();
  await coach.getByRole("button", { name: "Not yet" }).click();
  await coach.getByLabel("To Brannoch Sile").fill("Show me both ways on Tuesday");
  await coach.getByRole("button", { name: "Answer" }).click();
  await expect(coach.getByText("Not yet: Show me both ways on Tuesday")).toBeVisible();
  await pilot.reload();
  await expect(pilot.getByText("Not yet: Show me both ways on Tuesday")).toBeVisible();

  const late = await another(browser);
  await late.goto(link);
  await expect(late.getByRole("heading", { name: "This link is no longer valid" })).toBeVisible();
});

test("another coach with a squad of their own sees nothing of this one, until it is shared", async ({ browser }) => {
  const coach = await another(browser, "Maren Tolvik");
  const invite = async (button: string) => {
    await coach.goto(`${demoAddress}/people`);
    await coach.getByRole("button", { name: button }).click();
    return coach.getByLabel("The link").inputValue();
  };
  const other = await another(browser);
  await other.goto(await invite("Invite a coach with their own squad"));
  await other.getByLabel("Your name").fill("Ilse Brandt");
  await other.getByLabel("A password").fill("four plain words here");
  await other.getByRole("button", { name: "Create account" }).click();
  await expect(other.getByText("No pilots yet")).toBeVisible();
  await coach.goto(`${demoAddress}/squad`);
  const odalie = await coach.getByRole("link", { name: "Odalie Venn", exact: true }).getAttribute("href");
  expect((await other.goto(demoAddress + odalie))!.status()).toBe(403);
  await other.goto(await invite("Share with another coach"));
  await other.getByRole("button", { name: "Join" }).click();
  await expect(other.getByRole("link", { name: "Odalie Venn", exact: true })).toBeVisible();
  await coach.goto(`${demoAddress}/people`);
  await coach
    .getByText("Ilse Brandt", { exact: true })
    .locator("../..")
    .getByRole("button", { name: "Stop sharing" })
    .click();
  await expect(coach.getByText("Ilse Brandt", { exact: true })).toHaveCount(0);
  await other.goto(`${demoAddress}/squad`);
  await expect(other.getByText("No pilots yet")).toBeVisible();
});

test("a record goes out as a file, is erased, and comes back whole; the bin gives back what was removed", async ({
  browser,
}) => {
  const coach = await another(browser, "Maren Tolvik");
  await coach.goto(`${demoAddress}/records`);
  await coach.getByRole("combobox", { name: "Whose" }).click();
  await coach.getByRole("option", { name: "Tamsel Orrick" }).click();
  const downloading = coach.waitForEvent("download");
  await coach.getByRole("link", { name: "Everything, JSON" }).click();
  const file = await (await downloading).path();
  const record = JSON.parse(await readFile(file, "utf8")) as { attempts: unknown[]; milestones: unknown[] };
  expect(record.attempts.length).toBeGreaterThan(20);

  await coach.getByRole("button", { name: "Erase Tamsel Orrick for good" }).click();
  await coach.getByLabel("Type the name: Tamsel Orrick").fill("Tamsel Orrick");
  await coach.getByRole("button", { name: "Erase for good" }).click();
  await expect(coach.getByText("erased the record of a pilot for good")).toBeVisible();
  await coach.goto(`${demoAddress}/squad`);
  await expect(coach.getByRole("heading", { name: "Squad" })).toBeVisible();
  await expect(coach.getByRole("link", { name: "Tamsel Orrick", exact: true })).toHaveCount(0);

  await coach.goto(`${demoAddress}/records`);
  const bringIn = (name: string, buffer: Buffer) =>
    coach.getByLabel("File with a pilot's record").setInputFiles({ name, mimeType: "application/json", buffer });
  await bringIn("broken.json", Buffer.from(JSON.stringify({ ...record, attempts: [{}] })));
  await expect(coach.getByText(/Nothing was changed. attempts.0/)).toBeVisible();
  await bringIn("record.json", await readFile(file));
  await expect(coach.getByText(/^\d+ entries imported\.$/)).toBeVisible();
  await bringIn("record.json", await readFile(file));
  await expect(coach.getByText("Already up to date.")).toBeVisible();
  await coach.goto(`${demoAddress}/squad`);
  await coach.getByRole("link", { name: "Tamsel Orrick", exact: true }).click();
  await expect(coach.getByText(/\(imported\)/).first()).toBeVisible();

  await coach.getByRole("button", { name: "Delete" }).click();
  await expect(coach.getByRole("heading", { name: "Squad" })).toBeVisible();
  await expect(coach.getByRole("link", { name: "Tamsel Orrick", exact: true })).toHaveCount(0);
  await coach.goto(`${demoAddress}/records`);
  await coach
    .getByRole("region", { name: "Bin" })
    .getByText("Whole record: Tamsel Orrick")
    .locator("..")
    .getByRole("button", { name: "Bring back" })
    .click();
  await expect(coach.getByText("restored the record for Tamsel Orrick")).toBeVisible();
  await coach.setViewportSize({ width: 390, height: 844 });
  for (const path of ["/records", "/people"]) {
    await coach.goto(demoAddress + path);
    await expect(coach.getByRole("heading", { level: 1 })).toBeVisible();
    expect(await coach.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);
  }
});
