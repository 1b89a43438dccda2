import { screen, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";

/** Types a date into a date field as digits, from its first part on: "20122026". */
export async function typeDate(label: string, digits: string): Promise<void> {
  const [first] = within(await screen.findByRole("group", { name: label })).getAllByRole("spinbutton");
  await userEvent.click(first);
  await userEvent.keyboard(digits);
  await userEvent.tab();
}

/** What a date field shows. */
export async function dateShown(label: string): Promise<string> {
  const parts = within(await screen.findByRole("group", { name: label })).getAllByRole("spinbutton");
  return parts.map(({ textContent }) => textContent).join(" ");
}
