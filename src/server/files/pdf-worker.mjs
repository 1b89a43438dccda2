// Sets documents as PDF, apart from the process that answers requests: a season takes half a second, and everybody else would wait for it.
// Asked with { id, paper }, answers { id, bytes } or { id, error }.
import path from "node:path";
import { parentPort } from "node:worker_threads";
import pdfmake from "pdfmake";

const fontFile = (family, weight) =>
  path.join(process.cwd(), "node_modules", "@fontsource", family, "files", `${family}-latin-${weight}-normal.woff`);

pdfmake.setFonts({
  Words: { normal: fontFile("archivo", 400), bold: fontFile("archivo", 700) },
  Numbers: { normal: fontFile("martian-mono", 400), bold: fontFile("martian-mono", 600) },
});
// Documents are made of our own text and drawings: nothing is fetched, and no file but the fonts is opened.
pdfmake.setUrlAccessPolicy(() => false);
pdfmake.setLocalAccessPolicy((file) => file.endsWith(".woff") && file.includes("@fontsource"));

/** Every text of a document, made otherwise. */
function retold(part, tell) {
  if (typeof part === "string") return tell(part);
  if (Array.isArray(part)) return part.map((one) => retold(one, tell));
  if (part === null || typeof part !== "object") return part;
  return Object.fromEntries(Object.entries(part).map(([key, value]) => [key, retold(value, tell)]));
}

/** The shipped typefaces have no narrow space that does not break: a wide one stands in for it. */
const printable = (text) => text.replaceAll("\u202f", "\u00a0");

const layoutOf = ({ colour, widthPt, paddingPt: [top, right, bottom, left] }) => ({
  hLineColor: () => colour,
  hLineWidth: () => widthPt,
  vLineWidth: () => 0,
  paddingTop: () => top,
  paddingRight: () => right,
  paddingBottom: () => bottom,
  paddingLeft: () => left,
});

async function bytesOf({ footer, ruled = {}, ...definition }) {
  pdfmake.setTableLayouts(Object.fromEntries(Object.entries(ruled).map(([name, rules]) => [name, layoutOf(rules)])));
  const document = retold(definition, printable);
  const onPage = (page, pages) =>
    retold(footer, (text) => printable(text).replace("{page}", String(page)).replace("{pages}", String(pages)));
  const buffer = await pdfmake
    .createPdf({
      ...document,
      ...(footer && { footer: onPage }),
      defaultStyle: { font: "Words", ...document.defaultStyle },
    })
    .getBuffer();
  return new Uint8Array(buffer);
}

// One after the other: layouts are the library's own, not a document's.
let last = Promise.resolve();
parentPort.on("message", ({ id, paper }) => {
  last = last.then(async () => {
    try {
      parentPort.postMessage({ id, bytes: await bytesOf(paper) });
    } catch (error) {
      parentPort.postMessage({ id, error: String(error?.stack ?? error) });
    }
  });
});
