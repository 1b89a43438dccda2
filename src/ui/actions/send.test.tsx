import { isTemporary, send } from "./send";

const named = { id: "n", name: "Pans" };
const answerWith = (response: () => Promise<Response>) => {
  globalThis.fetch = jest.fn(response) as typeof fetch;
};

it("passes on success and refusal with the status", async () => {
  answerWith(async () => new Response(JSON.stringify({ ok: true, data: { number: 2 } })));
  expect(await send("save-syllabus", { ...named, squadId: "q", basedOn: 1, reason: "because", document: {} })).toEqual({
    ok: true,
    data: { number: 2 },
  });
  answerWith(
    async () => new Response(JSON.stringify({ ok: false, message: "no", fields: { name: "no" } }), { status: 422 }),
  );
  expect(await send("add-squad", named)).toMatchObject({ ok: false, status: 422, fields: { name: "no" } });
});

it("turns a dead network and an unreadable answer into results that say nothing is lost", async () => {
  answerWith(() => Promise.reject(new TypeError("offline")));
  expect(await send("add-squad", named)).toMatchObject({
    ok: false,
    status: 0,
    message: expect.stringContaining("still here"),
  });
  answerWith(async () => new Response("<html>gateway</html>", { status: 502 }));
  expect(await send("add-squad", named)).toMatchObject({
    ok: false,
    status: 502,
    message: expect.stringContaining("still here"),
  });
});

it("tries again only what may succeed later", () => {
  expect([0, 500, 503, 429].map(isTemporary)).toEqual([true, true, true, true]);
  expect([400, 404, 409, 413, 422].map(isTemporary)).toEqual([false, false, false, false, false]);
});
