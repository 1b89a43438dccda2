import { screen, waitFor, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { weighEvidence, type Attempt, type Outcome, type PassMark } from "@/core";
import { renderScreen } from "../testing/render-screen";
import { BailCreditLine } from "./bail-credit";
import { EvidenceLine } from "./evidence-line";
import { FavouredSide } from "./favoured-side";

const mark: PassMark = { kind: "each-direction", rule: { kind: "k-of-last", k: 3, n: 4 } };
const letters: Readonly<Record<string, Outcome>> = { c: "clean", r: "rough", b: "bailed", x: "crashed" };
const flown = (direction: string, outcomes: string): Attempt[] =>
  [...outcomes].map((letter, n) => ({
    direction,
    outcome: letters[letter],
    place: "field",
    setupId: null,
    sessionId: "s",
    atMs: n,
  }));
const line = (outcomes: string) => {
  const evidence = weighEvidence(flown("back", outcomes), mark, ["back"]);
  return renderScreen(<EvidenceLine name="backward" one={evidence.directions[0]} mark={mark} />);
};

it("says in words and shapes what was flown last, how often it goes clean with what doubt, and whether it passes", () => {
  line("crcxcc");
  const shown = screen.getByRole("button");
  expect(shown).toHaveAccessibleName(/^backward: .*, clean rate \d+\s%, \d+–\d+\s%\. Why this number$/);
  // The four the mark looks at and one before, each by name and not by colour alone.
  expect(
    within(shown)
      .getAllByText(/^(Clean|Rough|Bailed|Crashed)$/)
      .map(({ textContent }) => textContent),
  ).toEqual(["Clean", "Crashed", "Clean", "Clean"]);
  // Four of six with three of the last four among them: 16 of the 64 ways in which six coins fall.
  expect(screen.getByText("■ passes, 25 % luck")).toBeVisible();
});

it("claims nothing of what was never flown", () => {
  line("");
  expect(screen.getByText("not flown")).toBeVisible();
  expect(screen.getByRole("button")).toHaveAccessibleName("backward: not flown yet. Why this number");
  expect(screen.queryByText(/%/)).toBeNull();
  expect(screen.queryByText(/passes/)).toBeNull();
});

it("gives the reason of its number: counts, the chance of luck, and the source", async () => {
  line("ccrc");
  await userEvent.click(screen.getByRole("button"));
  const why = screen.getByRole("dialog", { name: "Why this number" });
  expect(within(why).getByText("Clean rate, backward")).toBeVisible();
  expect(within(why).getByText("attempts that count").nextSibling).toHaveTextContent("4");
  expect(within(why).getByText("of them clean").nextSibling).toHaveTextContent("3");
  expect(within(why).getByText("chance of luck").nextSibling).toHaveTextContent("31 %");
  expect(within(why).getByText(/Bayesian filter of a rate that drifts/)).toBeVisible();
  await userEvent.click(within(why).getByRole("button", { name: "Close" }));
  await waitFor(() => expect(screen.queryByRole("dialog")).toBeNull());
});

it("names the better side only when it can be told from noise, and is never certain", () => {
  const side = (chance: number) =>
    renderScreen(
      <FavouredSide
        imbalance={{ better: "left", worse: "right", chance, difference: 0.31 }}
        names={{ left: "to the left", right: "to the right" }}
      />,
    );
  const noise = side(0.7);
  expect(screen.queryByText(/Favours/)).toBeNull();
  noise.unmount();
  side(0.9996);
  expect(screen.getByText(/^Favours to the left: better with/)).toHaveTextContent("99 % chance, by 31 points");
});

it("credits a bail where it was flown in trouble, with the interval of so few", () => {
  const credit = { bailed: 7, crashed: 1, interval: { low: 0.58, high: 0.97 } };
  const { unmount } = renderScreen(<BailCreditLine credit={credit} />);
  expect(screen.getByText(/in trouble/)).toHaveTextContent(
    "Credited from other tricks: in trouble 8 times, 7 bailed and 1 crashed; bails 58 to 97 % (90 % interval).",
  );
  unmount();
  renderScreen(<BailCreditLine credit={null} />);
  expect(screen.queryByText(/in trouble/)).toBeNull();
});
