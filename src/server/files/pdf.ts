import "server-only";
import path from "node:path";
import pdfmake from "pdfmake";
import type { TDocumentDefinitions } from "pdfmake/interfaces";

const fontFile = (family: string, weight: number) =>
  path.join(process.cwd(), "node_modules", "@fontsource", family, "files", `${family}-latin-${weight}-normal.woff`);

pdfmake.setFonts({
  Words: { normal: fontFile("archivo", 400), bold: fontFile("archivo", 700) },
  Numbers: { normal: fontFile("martian-mono", 400), bold: fontFile("martian-mono", 600) },
});
// Documents are made of our own text and drawings: nothing is fetched, and no file but the fonts is opened.
pdfmake.setUrlAccessPolicy(() => false);
pdfmake.setLocalAccessPolicy((file: string) => file.endsWith(".woff") && file.includes("@fontsource"));

/** The shipped typefaces have no narrow space that does not break: a wide one stands in for it. */
function printable<Part>(part: Part): Part {
  if (typeof part === "string") return part.replaceAll("\u202f", "\u00a0") as Part;
  if (Array.isArray(part)) return part.map(printable) as Part;
  if (part === null || typeof part !== "object") return part;
  return Object.fromEntries(Object.entries(part).map(([key, value]) => [key, printable<unknown>(value)])) as Part;
}

/** A document as PDF, in the two shipped typefaces. */
export async function pdfOf(definition: TDocumentDefinitions): Promise<Uint8Array<ArrayBuffer>> {
  const buffer = await pdfmake
    .createPdf({ ...printable(definition), defaultStyle: { font: "Words", ...definition.defaultStyle } })
    .getBuffer();
  return new Uint8Array(buffer);
}
