/** @jest-environment node */
import { execFileSync } from "node:child_process";
import { readFileSync } from "node:fs";
import { join } from "node:path";
import ts from "typescript";

const root = join(__dirname, "..");
/** Cells of every row of a table after a heading of docs/words.md. */
function table(heading: string): string[][] {
  const [, after] = readFileSync(join(root, "docs/words.md"), "utf8").split(`## ${heading}\n`);
  return after
    .split("\n## ")[0]
    .split("\n")
    .filter((line) => line.startsWith("|"))
    .slice(2)
    .map((line) =>
      line
        .split("|")
        .slice(1, -1)
        .map((cell) => cell.trim()),
    );
}
const banned = [
  ...table("One word for one thing").map((cells) => cells[2]),
  ...table("Phrases that nobody says on a field").map((cells) => cells[0]),
].flatMap((cell) => cell.split(", ").filter(Boolean));

/** Where people read: not what only programs or their writers see. */
const files = execFileSync("git", ["ls-files", "src"], { cwd: root, encoding: "utf8" })
  .split("\n")
  .filter(
    (file) =>
      /^src\/(app|features|syllabus|ui|words|server\/(access|accounts|actions|files))\/.*\.tsx?$/.test(file) &&
      !/\.test\.|\/testing\/|^src\/features\/gallery/.test(file),
  );

/** Every text of a file that may be read: between tags, and strings with a space in them. */
function textsOf(file: string): string[] {
  const source = ts.createSourceFile(file, readFileSync(join(root, file), "utf8"), ts.ScriptTarget.Latest, true);
  const texts: string[] = [];
  const look = (node: ts.Node): void => {
    if (ts.isImportDeclaration(node) || ts.isExportDeclaration(node) || ts.isLiteralTypeNode(node)) return;
    if (ts.isJsxText(node)) texts.push(node.text);
    else if (ts.isStringLiteral(node) || ts.isNoSubstitutionTemplateLiteral(node)) texts.push(node.text);
    else if (ts.isTemplateExpression(node))
      texts.push([node.head.text, ...node.templateSpans.map(({ literal }) => literal.text)].join("…"));
    ts.forEachChild(node, look);
  };
  look(source);
  return texts
    .map((text) => text.replace(/\s+/g, " ").trim())
    .filter((text) => /[a-z] [a-z]/i.test(text) || /^[A-Z]/.test(text));
}

it("says nothing that docs/words.md bans, in no label, heading, sentence or message", () => {
  expect(banned.length).toBeGreaterThan(60);
  const patterns = banned.map((phrase) => [phrase, new RegExp(`(?<![\\w-])${phrase}(?![\\w-])`, "i")] as const);
  const found = files.flatMap((file) =>
    textsOf(file).flatMap((text) =>
      patterns
        .filter(([, pattern]) => pattern.test(text))
        .map(([phrase]) => `${file}: "${phrase}" in "${text.slice(0, 160)}"`),
    ),
  );
  expect(found).toEqual([]);
});
