/** @jest-environment node */
import { pdfOf, type Paper } from "./pdf";

const paper = (text: string): Paper => ({ content: [text], footer: { text: "page {page} of {pages}" } });

it("a document that cannot be set fails by itself, and those that wait behind it are set", async () => {
  const bad: Paper = { content: [{ svg: "no drawing" }] };
  const settled = await Promise.allSettled([pdfOf(paper("first")), pdfOf(bad), pdfOf(paper("second"))]);
  expect(settled.map(({ status }) => status)).toEqual(["fulfilled", "rejected", "fulfilled"]);
  for (const one of settled)
    if (one.status === "fulfilled") expect(Buffer.from(one.value).toString("latin1").slice(0, 5)).toBe("%PDF-");
});

it("what is no plain data is refused at once, and keeps nobody waiting", async () => {
  await expect(pdfOf({ content: [], pageBreakBefore: () => false })).rejects.toThrow(/could not be cloned/);
  await expect(pdfOf(paper("after"))).resolves.toBeInstanceOf(Uint8Array);
});
