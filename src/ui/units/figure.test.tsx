import { screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { renderScreen } from "../testing/render-screen";
import { Figure } from "./figure";

const why = {
  how: "Solved so that it ends where it began.",
  inputs: [["climb", "5 m/s"]] as const,
  source: "Flight model",
  leftOut: "wind",
};

it("shows figure and unit and opens its reason with inputs and source", async () => {
  renderScreen(<Figure label="Hang time" value={1.244} quantity="time" why={why} />);
  await userEvent.click(screen.getByRole("button", { name: "Hang time: 1.24 s. Why this number" }));
  const drawer = await screen.findByRole("dialog", { name: "Why this number" });
  for (const text of ["Hang time", "1.24 s", why.how, "climb", "5 m/s", "Flight model", "Left out", "wind"])
    expect(drawer).toHaveTextContent(text);
  await userEvent.click(screen.getByRole("button", { name: "Close" }));
});

it("follows the units a person has chosen, and shows a dash for what is not known", () => {
  renderScreen(
    <>
      <Figure label="Entry" value={3.048} quantity="length" why={why} />
      <Figure label="Nothing" value={null} quantity="length" why={why} />
    </>,
    { preferences: { theme: "light", units: "imperial" } },
  );
  expect(screen.getByRole("button", { name: /^Entry: 10 ft/ })).toBeVisible();
  expect(screen.getByRole("button", { name: /^Nothing: –/ })).toBeVisible();
});
