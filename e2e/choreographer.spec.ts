import { readFile } from "node:fs/promises";
import { expect, test, type Page } from "@playwright/test";
import { axeFaults, demoAddress, openPilot, signIn } from "./addresses";

test.beforeEach(({ page }) => signIn(page));

async function openTrick(page: Page): Promise<void> {
  await openPilot(page, "Ysolde Marr");
  await page.goto(`${demoAddress}/lab?step=flip-one-move`);
  await page.getByRole("link", { name: "Edit phases" }).click();
  await expect(phase(page, 1)).toBeVisible();
}
const phase = (page: Page, number: number) => page.getByRole("button", { name: new RegExp(`^Phase ${number},`) });
const end = (page: Page, number: number) => page.getByRole("slider", { name: new RegExp(`^End of phase ${number},`) });
const endsAt = async (page: Page, number: number) => Number(await end(page, number).getAttribute("aria-valuenow"));
const phases = (page: Page) => page.getByRole("button", { name: /^Phase \d+,/ });
/** The model has flown what was last changed. */
const flown = (page: Page) => expect(page.getByRole("progressbar", { name: "Flying it in the model" })).toHaveCount(0);

test("phases are dragged, set by keys, split, added, removed and mirrored, flown again at once, and all of it undone", async ({
  page,
}) => {
  await openTrick(page);
  await expect(phases(page)).toHaveCount(5);
  const before = await endsAt(page, 3);

  await test.step("an end dragged earlier stops the turn earlier, as one step to undo", async () => {
    const box = (await end(page, 3).boundingBox())!;
    const [x, y] = [box.x + box.width / 2, box.y + box.height - 12];
    await page.mouse.move(x, y);
    await page.mouse.down();
    for (let i = 1; i <= 8; i++) await page.mouse.move(x - 5 * i, y);
    await page.mouse.up();
    await flown(page);
    await expect.poll(() => endsAt(page, 3)).toBeLessThan(before - 0.08);
    await expect(page.getByText("Centre the stick at, °", { exact: true })).toBeVisible();
    await page.keyboard.press("u");
    await expect.poll(() => endsAt(page, 3)).toBeCloseTo(before, 1);
    await expect(page.getByText("◆ Centre the stick at, °", { exact: true })).toBeVisible();
    await expect(page.getByRole("button", { name: "Undo" })).toBeDisabled();
  });

  await test.step("a stick target by the keys", async () => {
    const knob = page.getByRole("slider", { name: /^Pitch of phase 3, .*: held at$/ });
    await expect(knob).toHaveAttribute("aria-valuetext", "100\u202f% back");
    await knob.focus();
    for (let i = 0; i < 3; i++) await page.keyboard.press("Shift+ArrowDown");
    await expect(knob).toHaveAttribute("aria-valuetext", "40\u202f% back");
    await flown(page);
    await expect.poll(() => endsAt(page, 3)).toBeGreaterThan(before + 0.1);
    await page.keyboard.press("u");
    await expect(knob).toHaveAttribute("aria-valuetext", "100\u202f% back");
  });

  await test.step("what is typed fast is there letter by letter, where it was typed", async () => {
    const does = page.getByRole("textbox", { name: /^What the pilot does in phase/ });
    const said = await does.inputValue();
    await does.press("Home");
    await page.keyboard.type("At once, without a stop: ");
    await expect(does).toHaveValue(`At once, without a stop: ${said}`);
    await page.getByRole("button", { name: "Undo" }).click();
    await expect(does).toHaveValue(said);
  });

  await test.step("an end that is never reached is told at its phase, with how near it came", async () => {
    await page.getByRole("combobox", { name: "End 1" }).click();
    await page.getByRole("option", { name: "angle turned" }).click();
    const alert = page.getByRole("alert").filter({ hasText: "never finishes" });
    await expect(alert).toContainText("1 Punch, level");
    await expect(alert).toContainText(/it waits for 180° turned about pitch and comes to \d/);
    await expect(phase(page, 1)).toHaveAccessibleName(/stops the trick/);
    await page.getByRole("button", { name: "Undo" }).click();
    await expect(alert).toHaveCount(0);
  });

  await test.step("split, added, removed, mirrored", async () => {
    await phase(page, 3).press("Enter");
    await expect(page.getByText(/It stays/)).toHaveCount(0);
    const lasts = await endsAt(page, 5);
    await page.keyboard.press("s");
    await expect(phases(page)).toHaveCount(6);
    await flown(page);
    await expect.poll(() => endsAt(page, 6)).toBeCloseTo(lasts, 1);
    await page.keyboard.press("a");
    await expect(phases(page)).toHaveCount(7);
    await expect(page.getByLabel("What the pilot does in phase 4")).toHaveValue("New phase");
    await page.keyboard.press("x");
    await expect(phases(page)).toHaveCount(6);
    await page.keyboard.press("n");
    await page.keyboard.press("n");
    await expect(page.getByText("It stays: the stop is measured from it")).toBeVisible();
    await page.getByRole("button", { name: "Mirror it: forward" }).click();
    await expect(page.getByText("now forward")).toBeVisible();
    await expect(page.getByRole("slider", { name: /^Pitch of phase 3, / })).toHaveAttribute(
      "aria-valuetext",
      "100\u202f% forward",
    );
  });

  await test.step("kept on the device over a reload, and dropped", async () => {
    await flown(page);
    await page.reload();
    await expect(page.getByText("Not saved yet, kept on this device from before.")).toBeVisible();
    await expect(phases(page)).toHaveCount(6);
    expect(await axeFaults(page)).toEqual([]);
    await page.getByRole("button", { name: "Drop it" }).click();
    await expect(phases(page)).toHaveCount(5);
  });
});

test("a way of the coach's own goes out as a file, comes in again, is kept for a pilot, and is what their brief says", async ({
  page,
}) => {
  await openTrick(page);
  const file = await test.step("out", async () => {
    await page.getByLabel("What the pilot does in phase 1").fill("Jump, level");
    const download = page.waitForEvent("download");
    await page.getByRole("button", { name: "Export file" }).click();
    return JSON.parse(await readFile(await (await download).path(), "utf8")) as {
      recipe: { phases: { label: string; maxS: number }[] };
    };
  });
  expect(file.recipe.phases[0].label).toBe("Jump, level");
  const read = (document: object) =>
    page.getByLabel("File with a way to fly the trick").setInputFiles({
      name: "way.json",
      mimeType: "application/json",
      buffer: Buffer.from(JSON.stringify(document)),
    });

  await test.step("what cannot be read is refused by its place, and changes nothing", async () => {
    const spoilt = structuredClone(file);
    spoilt.recipe.phases[1].maxS = 400;
    await read(spoilt);
    await expect(page.getByText(/Nothing was changed. way.json: .*phases.1.maxS/)).toBeVisible();
    await expect(page.getByLabel("What the pilot does in phase 1")).toHaveValue("Jump, level");
  });

  await test.step("in", async () => {
    file.recipe.phases[0].label = "Hop, level";
    await read(file);
    await expect(page.getByLabel("What the pilot does in phase 1")).toHaveValue("Hop, level");
  });

  await test.step("kept for one pilot, both ways", async () => {
    await page.getByLabel("Name", { exact: true }).fill("Hop and flip");
    await page.getByRole("checkbox", { name: "Ysolde Marr" }).check();
    await page.getByRole("button", { name: "Save", exact: true }).click();
    await expect(page.getByRole("heading", { name: "Your way: Hop and flip" })).toBeVisible();
    for (const direction of ["back", "front"]) {
      await page.goto(`${demoAddress}/brief?step=flip-one-move&direction=${direction}`);
      await expect(page.getByText("This squad's version: Hop and flip")).toBeVisible();
      await expect(page.getByRole("listitem").filter({ hasText: "Hop, level" })).toBeVisible();
    }
  });

  await test.step("nobody else has it, and from the bin it is nobody's, until it is brought back", async () => {
    const own = () => page.getByText("This squad's version");
    await page.goto(`${demoAddress}/lab?step=flip-one-move`);
    await expect(page.getByRole("button", { name: "Hop and flip", pressed: true })).toBeVisible();
    await page.getByRole("link", { name: "Edit phases" }).click();
    await page.getByRole("button", { name: "Delete" }).click();
    await expect(page.getByRole("heading", { name: "Save as your own version" })).toBeVisible();
    await page.getByRole("button", { name: "Undo" }).last().click();
    await expect(page.getByText(/Other ways of your own here: Hop and flip \(Ysolde Marr\)/)).toBeVisible();
    await openPilot(page, "Odalie Venn");
    await page.goto(`${demoAddress}/brief?step=flip-one-move&direction=back`);
    await expect(page.getByRole("button", { name: /^Hang time/ })).toBeVisible();
    await expect(own()).toHaveCount(0);
  });
});
