import { render, screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { PickOne } from "./pick-one";

it("picks by press and by key, and keeps what is chosen when it is pressed again", async () => {
  const picked: number[] = [];
  render(
    <PickOne
      label="Runs"
      value={200}
      options={[
        [200, "200 runs"],
        [1000, "1000 runs"],
      ]}
      onPick={(value) => picked.push(value)}
    />,
  );
  expect(screen.getByRole("group", { name: "Runs" })).toBeVisible();
  await userEvent.click(screen.getByRole("button", { name: "200 runs", pressed: true }));
  expect(picked).toEqual([]);
  await userEvent.click(screen.getByRole("button", { name: "1000 runs", pressed: false }));
  await userEvent.keyboard(" ");
  expect(picked).toEqual([1000, 1000]);
});
