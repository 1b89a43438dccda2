/** @jest-environment node */
import { spawnSync } from "node:child_process";
import {
  cpSync,
  mkdirSync,
  mkdtempSync,
  readdirSync,
  readFileSync,
  rmSync,
  statSync,
  symlinkSync,
  writeFileSync,
} from "node:fs";
import { tmpdir } from "node:os";
import { dirname, join, relative } from "node:path";
import ts from "typescript";

const root = join(__dirname, "..");

const against = [
  ["src/core/flight/x.ts", 'import { steps } from "@/syllabus";\nexport const y = steps;'],
  ["src/core/flight/x.ts", 'import { useState } from "react";\nexport const y = useState;'],
  ["src/contract/x.ts", 'import type { Action } from "@/server/actions";\nexport type Y = Action<object, void>;'],
  ["src/contract/x.ts", 'import { send } from "@/ui/actions/send";\nexport const y = send;'],
  ["src/syllabus/x.ts", 'import type { Pilot } from "@/contract";\nexport type Y = Pilot;'],
  ["src/syllabus/x.ts", 'import { database } from "@/server/database";\nexport const y = database;'],
  ["src/ui/charts/x.ts", 'import { squadActions } from "@/features/squad";\nexport const y = squadActions;'],
  ["src/features/squad/x.ts", 'import knex from "knex";\nexport const y = knex;'],
  ["src/features/squad/x.ts", 'import { loadBrief } from "@/features/brief/load";\nexport const y = loadBrief;'],
  ["src/server/actions/x.ts", 'import { themeFor } from "@/ui/theme/theme";\nexport const y = themeFor;'],
] as const;
const along = [
  ["src/features/squad/x.ts", 'import { airDensity } from "@/core";\nexport const y = airDensity;'],
  ["src/server/database/x.ts", 'import knex from "knex";\nexport const y = knex;'],
  ["src/ui/charts/x.ts", 'import type { Pilot } from "@/contract";\nexport type Y = Pilot;'],
] as const;

/** What the linter says of each of some files, rules by their names, were they at their places and all that they import there too. */
function complaints(files: readonly (readonly [place: string, lines: string])[]): string[][] {
  const house = mkdtempSync(join(tmpdir(), "bathygon-lint-"));
  try {
    for (const name of ["oxlint.config.mjs", "tsconfig.json", "scripts/lint"])
      cpSync(join(root, name), join(house, name), { recursive: true });
    symlinkSync(join(root, "node_modules"), join(house, "node_modules"));
    const places = files.map(([place], n) => place.replace("/x.ts", `/x${n}.ts`));
    files.forEach(([, lines], n) => {
      for (const { fileName } of ts.preProcessFile(lines).importedFiles.filter((one) => one.fileName.startsWith("@/")))
        write(join(house, "src", fileName.slice(2), "index.ts"), "export {};\n");
      write(join(house, places[n]), `${lines}\n`);
    });
    const oxlint = join(root, "node_modules/.bin/oxlint");
    const { stdout } = spawnSync(oxlint, ["-c", "oxlint.config.mjs", "-f", "json", "src"], {
      cwd: house,
      encoding: "utf8",
    });
    const { diagnostics } = JSON.parse(stdout) as { diagnostics: { filename: string; code: string }[] };
    return places.map((place) => diagnostics.flatMap(({ filename, code }) => (filename === place ? code : [])));
  } finally {
    rmSync(house, { recursive: true, force: true });
  }
}

function write(file: string, lines: string): void {
  mkdirSync(dirname(file), { recursive: true });
  writeFileSync(file, lines);
}

it("lint refuses every arrow against the one way and lets the others pass, and what a room may not do", () => {
  const refused = [
    ["src/core/flight/x.ts", "export const now = () => Date.now();", "house(no-own-clock)"],
    ["src/core/flight/x.ts", "export const chance = () => Math.random();", "house(no-own-clock)"],
    ["src/core/flight/x.ts", "export const width = () => window.innerWidth;", "eslint(no-restricted-globals)"],
    ["src/features/squad/x.ts", "export const words = (m: number) => m.toFixed(1);", "house(numbers-by-words)"],
    [
      "src/features/squad/x.ts",
      "export const words = (m: object) => `${String(m)} m`;",
      "typescript(no-base-to-string)",
    ],
    [
      "src/features/squad/x.ts",
      'import Link from "next/link";\nexport const y = Link;',
      "eslint(no-restricted-imports)",
    ],
    [
      "src/ui/charts/x.ts",
      'export const y = (kind: "a" | "b") => {\n  switch (kind) {\n    case "a":\n      return 1;\n  }\n};',
      "typescript(switch-exhaustiveness-check)",
    ],
    [
      "src/server/database/x.ts",
      "const wait = async () => {};\nexport const y = () => {\n  wait();\n};",
      "typescript(no-floating-promises)",
    ],
    ["src/ui/charts/x.ts", 'export const length: number = "2 m";', "typescript(TS2322)"],
  ] as const;
  const found = complaints([...against, ...along, ...refused.map(([place, lines]) => [place, lines] as const)]);
  const arrow = "boundaries(dependencies)";
  expect(found.slice(0, against.length).map((codes) => codes.filter((code) => code === arrow))).toEqual(
    against.map(() => [arrow]),
  );
  expect(found.slice(against.length, against.length + along.length).flat()).not.toContain(arrow);
  expect(found.slice(-refused.length)).toEqual(refused.map(([, , code]) => [code]));
}, 60_000);

/** Where what is imported may stand. */
function placesOf(from: string, to: string): readonly string[] {
  const base = to.startsWith("@/") ? join(root, "src", to.slice(2)) : join(dirname(from), to);
  return [`${base}.ts`, `${base}.tsx`, join(base, "index.ts")];
}

/** What each file of the house imports of it, types too. */
function arrows(): ReadonlyMap<string, readonly string[]> {
  const files = readdirSync(join(root, "src"), { recursive: true, encoding: "utf8" })
    .map((name) => join(root, "src", name))
    .filter((name) => /\.tsx?$/.test(name) && !/\.test\.tsx?$/.test(name) && statSync(name).isFile());
  const known = new Set(files);
  const resolved = (from: string, to: string) => placesOf(from, to).filter((name) => known.has(name));
  return new Map(
    files.map((name) => {
      const { importedFiles } = ts.preProcessFile(readFileSync(name, "utf8"));
      return [name, importedFiles.flatMap(({ fileName }) => resolved(name, fileName))];
    }),
  );
}

it("no file imports itself by way of others, types counted in", () => {
  const from = arrows();
  const done = new Set<string>();
  const circles: string[] = [];
  const walk = (name: string, way: readonly string[]) => {
    const at = way.indexOf(name);
    if (at >= 0) circles.push([...way.slice(at), name].map((one) => relative(root, one)).join(" → "));
    if (at >= 0 || done.has(name)) return;
    for (const to of from.get(name) ?? []) walk(to, [...way, name]);
    done.add(name);
  };
  for (const name of from.keys()) walk(name, []);
  expect(circles).toEqual([]);
});

/** The house alone, without the packages it takes: who imports what of whom is known in a moment. */
function programOf(files: readonly string[]): ts.Program {
  const options: ts.CompilerOptions = { noLib: true, types: [], jsx: ts.JsxEmit.Preserve };
  const host = ts.createCompilerHost(options);
  host.resolveModuleNameLiterals = (literals, from) =>
    literals.map(({ text }) => {
      const found = /^(@\/|\.)/.test(text) ? placesOf(from, text).find((name) => ts.sys.fileExists(name)) : undefined;
      return { resolvedModule: found ? { resolvedFileName: found, extension: ts.Extension.Ts } : undefined };
    });
  return ts.createProgram(files, options, host);
}

/** The files whose values each file takes, through whatever passes them on: what a bundler puts beside it. */
function carriedBy(program: ts.Program): (name: string) => readonly string[] {
  const checker = program.getTypeChecker();
  const madeIn = (node: ts.Identifier) => {
    const symbol = checker.getSymbolAtLocation(node);
    const made = symbol && symbol.flags & ts.SymbolFlags.Alias ? checker.getAliasedSymbol(symbol) : symbol;
    return made && made.flags & ts.SymbolFlags.Value
      ? (made.declarations ?? []).map((one) => one.getSourceFile().fileName)
      : [];
  };
  return (name) =>
    (program.getSourceFile(name)?.statements ?? []).flatMap((one) => {
      if (!ts.isImportDeclaration(one) || !one.importClause || one.importClause.isTypeOnly) return [];
      const { namedBindings, name: whole } = one.importClause;
      const named = namedBindings && ts.isNamedImports(namedBindings) ? namedBindings.elements : [];
      const taken = named.filter(({ isTypeOnly }) => !isTypeOnly).map((element) => element.name);
      return [...taken, ...(whole ? [whole] : [])].flatMap(madeIn).filter((file) => file.startsWith(join(root, "src")));
    });
}

it("no screen carries the flight model: it flies in workers", () => {
  const files = [...arrows().keys()];
  const carried = carriedBy(programOf(files));
  // The gallery of shared parts is not in the build that is served.
  const screens = files.filter((name) => /\/features\/(?!gallery).*-screen\.tsx$/.test(name));
  expect(screens.length).toBeGreaterThan(20);
  const wayTo = new Map(screens.map((name) => [name, relative(root, name)]));
  for (const [name, way] of wayTo)
    for (const next of carried(name)) if (!wayTo.has(next)) wayTo.set(next, `${way} → ${relative(root, next)}`);
  const model = ["flight/dynamics.ts", "flight/integrator.ts", "recipes/pilot.ts"];
  expect(model.map((file) => wayTo.get(join(root, "src/core", file)) ?? "in no screen")).toEqual(
    model.map(() => "in no screen"),
  );
}, 60_000);
