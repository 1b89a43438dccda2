/** @jest-environment node */
import { execFileSync } from "node:child_process";
import { join } from "node:path";

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

/** How often the import rule complains about each file, were it at its place. ESLint's own process, as it loads ES modules. */
function complaints(files: readonly (readonly [place: string, lines: string])[]): number[] {
  const program = `
    const { ESLint } = require("eslint");
    const files = JSON.parse(require("fs").readFileSync(0, "utf8"));
    (async () => {
      const eslint = new ESLint();
      const counts = [];
      for (const [place, lines] of files) {
        const [{ messages }] = await eslint.lintText(lines + "\\n", { filePath: place });
        counts.push(messages.filter(({ ruleId }) => ruleId === "boundaries/dependencies").length);
      }
      console.log("counts " + JSON.stringify(counts));
    })();`;
  const output = execFileSync(process.execPath, ["-e", program], {
    cwd: root,
    input: JSON.stringify(files),
    encoding: "utf8",
  });
  return JSON.parse(/counts (.*)/.exec(output)![1]) as number[];
}

it("lint refuses every arrow against the one way and lets the others pass", () => {
  expect(complaints([...against, ...along])).toEqual([...against.map(() => 1), ...along.map(() => 0)]);
}, 60_000);
