import { chromium, expect, test, type BrowserContext, type Page } from "@playwright/test";
import { execSync } from "node:child_process";
import { mkdtempSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { v7 as newId } from "uuid";
import { demoAddress, axeFaults, signIn } from "./addresses";

test.use({ serviceWorkers: "allow" });

/** What the server has of a session: attempts that stand, by pilot name, step, direction and outcome, in order. */
async function onServer(page: Page, sessionId: string) {
  const response = await page.request.get(`${demoAddress}/field-tallies/${sessionId}`);
  expect(response.status()).toBe(200);
  const tally = (await response.json()) as {
    session: { begun: boolean; endedAtMs: number | null };
    pilots: { id: string; name: string }[];
    attempts: { pilotId: string; outcome: string; atMs: number; undone: boolean; faults: string[] }[];
    notes: { pilotId: string; text: string }[];
  };
  const name = new Map(tally.pilots.map((pilot) => [pilot.id, pilot.name]));
  const attempts = tally.attempts.filter(({ undone }) => !undone);
  return {
    ...tally.session,
    attempts,
    taps: attempts.map(({ pilotId, outcome }) => `${name.get(pilotId)} ${outcome}`),
    notes: tally.notes.map(({ pilotId, text }) => `${name.get(pilotId)}: ${text}`),
  };
}

/** A session of two pilots, made in a signed-in page. */
async function makeSession(page: Page): Promise<string> {
  await page.goto(`${demoAddress}/squad`);
  const hrefs = await Promise.all(
    ["Odalie Venn", "Corvin Haldt"].map((name) => page.getByRole("link", { name, exact: true }).getAttribute("href")),
  );
  const pilots = hrefs.map((href) => new URL(href!, demoAddress).searchParams.get("pilot")!);
  const id = newId();
  const input = {
    id,
    place: "field",
    pilots: pilots.map((pilotId) => ({ pilotId, stepId: "flip-slow", setupId: null })),
  };
  const status = await page.evaluate(
    async (body) =>
      (
        await fetch("/api/start-session", {
          method: "POST",
          headers: { "content-type": "application/json" },
          body: JSON.stringify(body),
        })
      ).status,
    input,
  );
  expect(status).toBe(200);
  return id;
}

/** Opens a session and waits until all of it is on the device. */
async function open(page: Page, sessionId: string): Promise<void> {
  await page.goto(`${demoAddress}/session/${sessionId}`);
  await expect(page.getByText("Saved for offline")).toBeVisible();
  await expect
    .poll(() =>
      page.evaluate(
        (id) =>
          new Promise<number>((done) => {
            const opening = indexedDB.open("bathygon-field");
            opening.onsuccess = () => {
              const asked = opening.result.transaction("briefs").objectStore("briefs").get(id);
              asked.onsuccess = () => {
                opening.result.close();
                done((asked.result as { briefs: unknown[] } | undefined)?.briefs.length ?? 0);
              };
            };
          }),
        sessionId,
      ),
    )
    .toBeGreaterThan(0);
}

const tap = (page: Page, outcome: string) =>
  page.getByRole("button", { name: new RegExp(`^${outcome}, \\d+ so far`) }).click();
const allSent = (page: Page) => expect(page.getByText("■ All sent")).toBeVisible();

test("a session planned at the desk is opened cold, begun, flown, debriefed and closed without a network, and all of it arrives", async ({
  browser,
}) => {
  const context = await browser.newContext();
  const page = await context.newPage();
  await signIn(page);
  await page.goto(`${demoAddress}/session`);
  await page.getByRole("checkbox", { name: "Odalie Venn flies" }).check();
  await page.getByRole("checkbox", { name: "Corvin Haldt flies" }).check();
  await page.getByRole("combobox", { name: "Site" }).click();
  await page.getByRole("option", { name: "Evaporation pans" }).click();
  await page.getByRole("button", { name: "Save plan for the field" }).click();
  await expect(page.getByRole("heading", { name: "Ready to begin" })).toBeVisible();
  const sessionId = new URL(page.url()).pathname.split("/").at(-1)!;
  await open(page, sessionId).catch(() => undefined);
  await page.close();

  await context.setOffline(true);
  const field = await context.newPage();
  await field.goto(`${demoAddress}/session/${sessionId}`);
  await expect(field).toHaveURL(/\/field\?session=/);
  // A course is set out from the phone before anybody flies.
  await field.getByRole("button", { name: "Set out a course" }).click();
  await field.getByRole("checkbox", { name: "Pole 5 stands" }).check();
  await expect(field.getByRole("img", { name: "Stop line: 5 poles, next 4" })).toBeVisible();
  await field.getByRole("button", { name: "Back", exact: true }).click();
  await field.getByRole("button", { name: "Begin the session" }).click();
  const first = await field.getByRole("heading", { level: 1 }).textContent();
  for (const outcome of ["Clean", "Rough", "Clean"]) await tap(field, outcome);
  await field.getByRole("group", { name: "Faults of the last attempt" }).getByRole("button").first().click();
  await field.getByRole("button", { name: /^Next: / }).click();
  await expect(field.getByRole("heading", { level: 1 })).not.toHaveText(first!);
  await tap(field, "Crashed");
  // Its aircraft is to be checked; that has time.
  await field.getByRole("button", { name: "Later" }).click();
  await tap(field, "Bailed");
  await field.getByRole("button", { name: /^Undo: bailed/ }).click();
  await field.getByRole("button", { name: "Note", exact: true }).click();
  await field.getByLabel("What did you see?").fill("Punches too short on the right.");
  await field.getByRole("button", { name: "Save note" }).click();
  // The brief is on the device, and so is the flight model that it is computed with.
  await field.getByRole("button", { name: "Brief", exact: true }).click();
  const brief = field.getByRole("dialog", { name: "Brief" });
  await expect(brief.getByRole("heading", { name: "Common faults" })).toBeVisible();
  await expect(brief.getByText("Flying it in the model")).toHaveCount(0);
  await expect(brief.getByText(/Does not work with these settings|could not be started/)).toHaveCount(0);
  await brief.getByRole("button", { name: "Back to the tally" }).click();
  await expect(field.getByText(/\d+ waiting on this device, safe/)).toBeVisible();
  expect(await axeFaults(field)).toEqual([]);
  await field.reload();
  await expect(field.getByText(/\d+ waiting on this device, safe/)).toBeVisible();
  await field.getByRole("button", { name: "End the session" }).click();
  await field.getByRole("button", { name: "End it" }).click();
  await expect(field.getByRole("heading", { name: "Debrief" })).toBeVisible();
  await expect(field.getByText("4 attempts")).toBeVisible();
  await expect(field.getByText("Punches too short on the right.")).toBeVisible();

  await context.setOffline(false);
  await allSent(field);
  const kept = await onServer(field, sessionId);
  const [one, other] = [first!, kept.taps.at(-1)!.replace(" crashed", "")];
  expect(kept.taps).toEqual([`${one} clean`, `${one} rough`, `${one} clean`, `${other} crashed`]);
  expect(kept.attempts[2].faults).toHaveLength(1);
  expect(kept.begun && kept.endedAtMs !== null).toBe(true);
  expect(kept.notes).toEqual([`${other}: Punches too short on the right.`]);
  await context.close();
});

test("a tap is on the disk when it is said to be safe: the browser is killed, and nothing is lost", async () => {
  const folder = mkdtempSync(join(tmpdir(), "bathygon-device-"));
  const launch = (): Promise<BrowserContext> =>
    chromium.launchPersistentContext(folder, {
      executablePath: process.env.CHROMIUM,
      args: ["--no-sandbox"],
    });
  try {
    const before = await launch();
    const page = await before.newPage();
    await signIn(page);
    const sessionId = await makeSession(page);
    await open(page, sessionId);
    await before.setOffline(true);
    for (const outcome of ["Clean", "Clean", "Rough", "Crashed"]) await tap(page, outcome);
    await expect(page.getByText("4 waiting on this device, safe")).toBeVisible();
    for (const pid of execSync(`pgrep -f -- "[-]-user-data-dir=${folder}"`).toString().trim().split("\n"))
      execSync(`kill -KILL ${pid} || true`);
    await before.close().catch(() => undefined);

    const after = await launch();
    await after.setOffline(true);
    const again = await after.newPage();
    await again.goto(`${demoAddress}/session/${sessionId}`);
    await expect(again.getByText("4 waiting on this device, safe")).toBeVisible();
    await expect(again.getByRole("button", { name: "Clean, 2 so far" })).toBeVisible();
    // What the browser had not written yet of its cookies went with it: the sign-in may be gone, the taps are not.
    await after.setOffline(false);
    await signIn(again);
    await allSent(again);
    expect((await onServer(again, sessionId)).taps).toEqual(
      ["clean", "clean", "rough", "crashed"].map((outcome) => `Odalie Venn ${outcome}`),
    );
    await after.close();
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
});

test("two devices on one session, one with a clock an hour ahead, the server failing in mid-sync: every tap is there once, in order", async ({
  browser,
}) => {
  const contexts = await Promise.all([browser.newContext(), browser.newContext()]);
  const [one, other] = await Promise.all(contexts.map((context) => context.newPage()));
  for (const page of [one, other]) await signIn(page);
  await other.addInitScript(() => {
    const now = Date.now.bind(Date);
    Date.now = () => now() + 3_600_000;
  });
  const sessionId = await makeSession(one);
  await open(one, sessionId);
  await open(other, sessionId);
  for (const context of contexts) await context.setOffline(true);
  await other.getByRole("button", { name: /^Next: / }).click();
  for (const outcome of ["Clean", "Rough", "Clean"]) await tap(one, outcome);
  for (const outcome of ["Bailed", "Crashed"]) await tap(other, outcome);

  // The second tap is answered with 500; the third arrives but its answer is lost, so that it is sent again.
  let sent = 0;
  await one.route("**/api/log-attempt", async (route) => {
    sent++;
    if (sent === 2) return route.fulfill({ status: 500, json: { ok: false, message: "broken", fields: {} } });
    if (sent === 4) {
      await route.fetch();
      return route.abort();
    }
    return route.continue();
  });
  const beganMs = Date.now();
  for (const context of contexts) await context.setOffline(false);
  await allSent(one);
  await allSent(other);
  expect(sent).toBeGreaterThanOrEqual(5);

  const kept = await onServer(one, sessionId);
  const of = (name: string) => kept.taps.filter((text) => text.startsWith(name)).map((text) => text.split(" ").at(-1));
  expect(of("Odalie")).toEqual(["clean", "rough", "clean"]);
  expect(of("Corvin")).toEqual(["bailed", "crashed"]);
  // The wrong clock is put right: nothing was flown later than now.
  for (const { atMs } of kept.attempts) expect(Math.abs(atMs - beganMs)).toBeLessThan(120_000);
  // Each device sees what the other tapped.
  await expect(one.getByRole("button", { name: "Clean, 2 so far" })).toBeVisible();
  await one.getByRole("button", { name: /^Next: / }).click();
  await expect(one.getByRole("button", { name: "Crashed, 1 so far" })).toBeVisible();
  for (const context of contexts) await context.close();
});

test("what the server refuses stays in sight with its reason, and is put right in the field", async ({ browser }) => {
  const context = await browser.newContext();
  const page = await context.newPage();
  await signIn(page);
  const sessionId = await makeSession(page);
  await open(page, sessionId);
  // As from a device whose syllabus is out of date.
  await page.route("**/api/log-attempt", (route) =>
    route.continue({
      postData: JSON.stringify({ ...(route.request().postDataJSON() as object), direction: "sideways" }),
    }),
  );
  await tap(page, "Clean");
  await expect(page.getByText("Not taken, an attempt: That step is not flown in this direction.")).toBeVisible();
  expect((await onServer(page, sessionId)).taps).toEqual([]);
  await page.unroute("**/api/log-attempt");
  await page.getByRole("button", { name: "Fix it" }).click();
  await page.getByRole("button", { name: "Send it" }).click();
  await expect(page.getByText("Not taken")).toHaveCount(0);
  await allSent(page);
  expect((await onServer(page, sessionId)).taps).toEqual(["Odalie Venn clean"]);
  await context.close();
});

test("nobody else's sign-in sends what somebody tapped, and signing out leaves no records on the device", async ({
  browser,
}) => {
  const context = await browser.newContext();
  const page = await context.newPage();
  await signIn(page);
  const sessionId = await makeSession(page);
  await open(page, sessionId);
  await page.route("**/api/log-attempt", (route) =>
    route.fulfill({ status: 503, json: { ok: false, message: "", fields: {} } }),
  );
  await tap(page, "Clean");
  await expect(page.getByText("1 waiting on this device, safe")).toBeVisible();
  await page.goto(`${demoAddress}/account`);
  await page.getByRole("button", { name: "Sign out", exact: true }).click();
  await expect(page.getByRole("dialog")).toContainText("1 still waiting on this device");
  await page.getByRole("button", { name: "Sign out all the same" }).click();
  await expect(page).toHaveURL(/sign-in/);
  await page.unroute("**/api/log-attempt");
  await page.goto(`${demoAddress}/field`);
  await expect(page.getByText("None yet: open a session")).toBeVisible();
  await signIn(page, "Edda Rusk");
  await page.goto(`${demoAddress}/squad`);
  await expect(page.getByRole("link", { name: /1 to send/ })).toBeVisible();
  await page.waitForTimeout(5000);
  expect((await onServer(page, sessionId)).taps).toEqual([]);
  await context.clearCookies();
  await signIn(page);
  await expect(page.getByRole("link", { name: /to send/ })).toHaveCount(0);
  expect((await onServer(page, sessionId)).taps).toEqual(["Odalie Venn clean"]);
  await context.close();
});

test("a session is begun without a network from the squad last seen, flown, and all of it arrives", async ({
  browser,
}) => {
  const context = await browser.newContext({ viewport: { width: 390, height: 844 } });
  const page = await context.newPage();
  await signIn(page);
  await page.goto(`${demoAddress}/squad`);
  // The squad is taken along by itself; the field page lies on the device.
  await expect
    .poll(() => page.evaluate(async () => (await indexedDB.databases()).some(({ name }) => name === "bathygon-squads")))
    .toBe(true);
  await page.evaluate(() => navigator.serviceWorker.ready.then(() => undefined));
  await page.goto(`${demoAddress}/field`);
  await expect(page.getByRole("heading", { name: "Begin a session here" })).toBeVisible();
  await context.setOffline(true);
  await page.reload();
  await page.getByRole("checkbox", { name: /^Tamsel Orrick/ }).check();
  await page.getByRole("checkbox", { name: /^Perrin Askew/ }).check();
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBe(390);
  expect(await axeFaults(page)).toEqual([]);
  await page.getByRole("button", { name: "Begin with 2 pilots" }).click();
  await expect(page).toHaveURL(/\/field\?session=/);
  const sessionId = new URL(page.url()).searchParams.get("session")!;
  await expect(page.getByRole("button", { name: /^Clean/ })).toBeEnabled();
  const first = await page.getByRole("heading", { level: 1 }).textContent();
  await tap(page, "Clean");
  await page.getByRole("button", { name: /^Next: / }).click();
  await tap(page, "Rough");
  await expect(page.getByText(/3 waiting on this device, safe/)).toBeVisible();
  await context.setOffline(false);
  await allSent(page);
  const kept = await onServer(page, sessionId);
  expect(kept.begun).toBe(true);
  expect(kept.taps[0]).toBe(`${first} clean`);
  expect(kept.taps).toHaveLength(2);
  await context.close();
});
