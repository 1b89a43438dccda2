import { render, screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { SendForm } from "./send-form";

const reply = (status: number, body: object) => Promise.resolve(new Response(JSON.stringify(body), { status }));

it("shows a refusal at its field, keeps what was typed, and sends the same id again", async () => {
  const ids: string[] = [];
  let status = 422;
  globalThis.fetch = jest.fn((_: unknown, init?: RequestInit) => {
    ids.push((JSON.parse(init!.body as string) as { id: string }).id);
    return status === 200
      ? reply(200, { ok: true, data: null })
      : reply(status, { ok: false, message: "name is taken", fields: { name: "name is taken" } });
  }) as typeof fetch;
  const done = jest.fn();
  render(
    <SendForm
      action="add-squad"
      submit="Add"
      fields={{ name: { label: "Name", initial: "" } }}
      input={({ name }, id) => ({ id, name })}
      onDone={done}
    />,
  );
  await userEvent.type(screen.getByLabelText("Name"), "Odo Fenn");
  await userEvent.click(screen.getByRole("button", { name: "Add" }));
  expect(await screen.findByText("name is taken")).toBeVisible();
  expect(screen.getByLabelText("Name")).toHaveValue("Odo Fenn");
  expect(done).not.toHaveBeenCalled();
  status = 200;
  await userEvent.click(screen.getByRole("button", { name: "Add" }));
  await screen.findByRole("button", { name: "Add" });
  expect(done).toHaveBeenCalledTimes(1);
  expect(ids[1]).toBe(ids[0]);
});

it("says what happened when nothing answers", async () => {
  globalThis.fetch = jest.fn(() => Promise.reject(new TypeError("offline")));
  render(
    <SendForm
      action="add-squad"
      submit="Add"
      fields={{ name: { label: "Name", initial: "Odo" } }}
      input={({ name }, id) => ({ id, name })}
      onDone={() => {}}
    />,
  );
  await userEvent.click(screen.getByRole("button", { name: "Add" }));
  expect(await screen.findByText(/No connection/)).toBeVisible();
  expect(screen.getByLabelText("Name")).toHaveValue("Odo");
});
