import { render, screen, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { useMemo, type ReactNode } from "react";
import { useKeys } from "../keys/keys";
import { PreferencesProvider } from "../theme/preferences";
import { navigation, people } from "../testing/render-screen";
import type { ShellData } from "./at-hand";
import { Shell } from "./shell";

function open(address: string, data: ShellData = people, content: ReactNode = <p>content</p>): void {
  navigation.visit(address);
  render(
    <PreferencesProvider initial={{ theme: "light", units: "metric" }}>
      <Shell data={data}>{content}</Shell>
    </PreferencesProvider>,
  );
}
const find = async (words: string) => {
  await userEvent.keyboard("{Control>}k{/Control}");
  await userEvent.type(screen.getByRole("combobox", { name: "Search or run" }), words);
};

it("follows the pilot of the address, else the one used last; screens keep both pilot and aircraft", () => {
  open("/brief?pilot=odo");
  const brief = within(screen.getByRole("navigation", { name: "Order of work" })).getByRole("link", { name: "Brief" });
  expect(brief).toHaveAttribute("aria-current", "page");
  expect(brief).toHaveAttribute("href", "/brief?pilot=odo&aircraft=plank");
  expect(document.cookie).toContain("bathygon-pilot=odo");
});

it("uses what the device remembers when the address names nobody, and nobody when it names a stranger", () => {
  open("/setup", { ...people, rememberedPilotId: "ida" });
  expect(screen.getByRole("combobox", { name: "Pilot" })).toHaveTextContent("Ida Rook");
  document.body.innerHTML = "";
  open("/setup?pilot=stranger");
  expect(screen.getByRole("combobox", { name: "Pilot" })).toHaveTextContent("Pick one");
});

it("follows who was chosen since the frame was drawn, where the address names nobody", () => {
  document.cookie = "bathygon-pilot=0193a1b2-0000-7000-8000-00000000abcd; path=/";
  const late = { ...people.pilots[1], id: "0193a1b2-0000-7000-8000-00000000abcd", name: "Late Comer" };
  open("/yard", { ...people, pilots: [...people.pilots, late], rememberedPilotId: null });
  expect(screen.getByRole("combobox", { name: "Pilot" })).toHaveTextContent("Late Comer");
});

it("reaches pilots, briefs and looks from the command box by words in any order", async () => {
  open("/squad?pilot=odo");
  await find("rook");
  await userEvent.keyboard("{Enter}");
  expect(navigation.journeys).toContain("/pilot?pilot=ida");
  await find("forward slow");
  await userEvent.keyboard("{Enter}");
  expect(navigation.journeys.at(-1)).toBe("/brief?pilot=odo&aircraft=plank&step=flip-slow&direction=front");
  await find("imperial");
  await userEvent.keyboard("{Enter}");
  expect(document.cookie).toContain("bathygon-units=imperial");
});

it("moves through what was found with the arrows, and says when there is nothing", async () => {
  open("/squad?pilot=odo");
  await find("screen");
  await userEvent.keyboard("{ArrowDown}");
  expect(screen.getAllByRole("option")[1]).toHaveAttribute("aria-selected", "true");
  await userEvent.clear(screen.getByRole("combobox", { name: "Search or run" }));
  await userEvent.type(screen.getByRole("combobox", { name: "Search or run" }), "zzz");
  expect(screen.getByText(/No match/)).toBeVisible();
});

it.each([
  ["power loop", /^Brief ?Power loop/],
  ["inverted spin", /^Brief ?Inverted yaw spin/],
  ["add pilot", /^Do ?Add pilot/],
  ["sign off", /^Do ?Sign off a step \(Odo Fenn\)/],
  ["tune", /^Do ?Change rates \(Odo Fenn\)/],
  ["backup", /^Do ?Export or import a record/],
])("finds %s by the words of the trade, and by what is to be done", async (asked, first) => {
  open("/squad?pilot=odo");
  await find(asked);
  expect(screen.getAllByRole("option")[0]).toHaveTextContent(first);
});

it("opens the form of what is to be done, once its screen is there", async () => {
  const add = jest.fn();
  window.history.pushState(null, "", "/squad");
  const Keyed = () => {
    useKeys(useMemo(() => [{ key: "a", label: "Add a pilot", run: add }], []));
    return null;
  };
  open("/squad?pilot=odo", people, <Keyed />);
  await find("add pilot");
  await userEvent.keyboard("{Enter}");
  expect(add).toHaveBeenCalledTimes(1);
});

it("finds steps before any pilot is picked", async () => {
  open("/squad");
  await find("hang time");
  expect(screen.getAllByRole("option").map(({ textContent }) => textContent)).toContain("StepHang");
});

it("names who is signed in and leads to their account; keeps look and units on the device", async () => {
  open("/squad");
  expect(screen.getByRole("link", { name: "Ann Pell" })).toHaveAttribute("href", "/account");
  for (const [name, option] of [
    ["Theme", "Full sun"],
    ["Units", "Metric"],
  ]) {
    await userEvent.click(screen.getByRole("combobox", { name }));
    await userEvent.click(screen.getByRole("option", { name: option }));
  }
  expect(document.cookie).toContain("bathygon-theme=sun");
  expect(document.cookie).toContain("bathygon-units=metric");
});

it("offers what the aircraft carries, keeps it over the screens, and lets go of it with the aircraft", async () => {
  const [odo, ...others] = people.pilots;
  const craft = { ...odo.aircraft[0], loads: [{ id: "pack", name: "long pack" }] };
  const gull = { id: "gull", name: "Gull", setupNumber: 1, loads: [] };
  const data = { ...people, pilots: [{ ...odo, aircraft: [craft, gull] }, ...others] };
  open("/brief?pilot=odo&aircraft=plank&load=pack", data);
  expect(screen.getByRole("combobox", { name: "Load" })).toHaveTextContent("long pack");
  const link = within(screen.getByRole("navigation", { name: "Order of work" })).getByRole("link", {
    name: "Trick lab",
  });
  expect(link).toHaveAttribute("href", "/lab?pilot=odo&aircraft=plank&load=pack");
  await userEvent.click(screen.getByRole("combobox", { name: "Load" }));
  await userEvent.click(screen.getByRole("option", { name: "as it is" }));
  expect(navigation.journeys.at(-1)).toBe("/brief?pilot=odo&aircraft=plank");
  await userEvent.click(screen.getByRole("combobox", { name: "Aircraft" }));
  await userEvent.click(screen.getByRole("option", { name: "Gull · setup 1" }));
  expect(navigation.journeys.at(-1)).toBe("/brief?pilot=odo&aircraft=gull");
  document.body.innerHTML = "";
  // A load that is none of this aircraft's is none at all.
  open("/brief?pilot=odo&aircraft=gull&load=pack", data);
  expect(screen.queryByRole("combobox", { name: "Load" })).toBeNull();
});
