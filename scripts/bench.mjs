import { mkdtempSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { runTypeScript, startApplication } from "./lib/application.mjs";
import { ensureBuild } from "./lib/build.mjs";
import { databasePackages, prepareMachine } from "./lib/install.mjs";
import { startMariaDb } from "./lib/mariadb.mjs";
import { freePort, residentMb } from "./lib/processes.mjs";
import { PlainFailure, runMain, say } from "./lib/say.mjs";
import { typablePassword } from "./lib/secrets.mjs";

const PAGES = ["/squad", "/pilot", "/setup", "/brief", "/lab", "/session", "/syllabus", "/season"];
const VISITS = 40;
const LIMIT_MB = { application: 400, database: 300 };

/** Visits pages one after the other and prints how long they took. */
async function timePages(address, headers, paths) {
  for (const path of paths) {
    const times = [];
    for (let n = 0; n < VISITS; n++) {
      const started = performance.now();
      const answer = await fetch(`${address}${path}`, { headers });
      await answer.text();
      if (answer.status !== 200) throw new Error(`${path} was answered ${answer.status}`);
      times.push(performance.now() - started);
    }
    times.sort((a, b) => a - b);
    const at = (share) => `${times[Math.floor(share * (VISITS - 1))].toFixed(0)} ms`;
    console.log(
      `  ${path.split(/[?]|(?<=\w)\/[0-9a-f-]{36}/)[0].padEnd(14)} median ${at(0.5)}, 95 % ${at(0.95)}, 99 % ${at(0.99)}`,
    );
  }
}

const [asked, ...rest] = process.argv.slice(2);
const script = (name, args = []) => runTypeScript(`bench/${name}.ts`, args, {}, { quiet: false });

/** What `npm run bench -- name` measures, and nothing else. */
const benches = {
  /** `[trials]`: whether the interval about a pilot's own hands holds them. */
  hands: ([trials = "40"]) => script("own-hands", [trials]),
  /** `[all [1/12]]`: whether the minimum start heights are safe. */
  safe: ([which, part = "1/1"]) => script("start-height", [which === "all" ? "all" : "five", part]),
  /** `[learners]`: whether the coaching helps, on made-up learners. */
  camp: ([learners = "60"]) => script("camp", [learners]),
  /** How often the interval of a clean rate holds it. */
  rates: () => script("rates"),
  /** What a second of practice costs of a core. */
  practice: () => script("practice"),
  /** How long inventing lines takes. */
  lines: () => script("lines"),
  /** How long reading and searching a recording takes, and what is taken for what. */
  tape: () => script("tape"),
  /** `[minutes]`: what one process and one database carry. */
  load: async ([minutes = "0"]) => (await import("./bench/load.mjs")).measureLoad(Number(minutes)),
  /** `[name …]`: what each page asks of a browser. */
  pages: async (names) => (await import("./bench/pages.mjs")).measurePages(names),
};

if (asked !== undefined && !(asked in benches))
  await runMain(() => {
    throw new PlainFailure(`Unknown: ${asked}. There are: ${Object.keys(benches).join(", ")}.`);
  });
else if (asked !== undefined) await runMain(() => benches[asked](rest));
else
  await runMain(async () => {
    await prepareMachine(databasePackages);
    say("Flight model");
    await runTypeScript("bench/flight-model.ts", [], {}, { quiet: false });
    const build = await ensureBuild();
    const scratch = mkdtempSync(join(tmpdir(), "bathygon-bench-"));
    const database = await startMariaDb(scratch, { throwAway: true });
    let application;
    try {
      const password = typablePassword();
      await runTypeScript("prepare-database.ts", ["--demo"], { ...database.env, BATHYGON_DEMO_PASSWORD: password });
      application = await startApplication(build, await freePort(), database.env);
      say(`Pages of the demo, ${VISITS} visits each, one after the other`);
      const signIn = await fetch(`${application.address}/api/sign-in`, {
        method: "POST",
        headers: { "content-type": "application/json" },
        body: JSON.stringify({ name: "Maren Tolvik", password }),
      });
      const headers = { cookie: signIn.headers.getSetCookie()[0].split(";")[0] };
      const squad = await (await fetch(`${application.address}/squad`, { headers })).text();
      const pilot = /pilot=([0-9a-f-]{36})/.exec(squad)[1];
      await timePages(
        application.address,
        headers,
        PAGES.map((path) => `${path}?pilot=${pilot}`),
      );
      say("30 pilots, three seasons, 100,000 attempts");
      await runTypeScript("bench/seasons.ts", [], database.env, { quiet: false });
      await timePages(application.address, headers, ["/squad", `/pilot?pilot=${pilot}`, "/session"]);
      const large = /pilot=([0-9a-f-]{36})[^"]*"[^>]*>Made-up pilot \d+</.exec(
        await (await fetch(`${application.address}/squad`, { headers })).text(),
      );
      if (!large) throw new Error("the squad does not show the pilots that were made");
      await timePages(application.address, headers, [
        `/pilot?pilot=${large[1]}`,
        `/brief?pilot=${large[1]}`,
        "/calendar",
      ]);
      say("There, a session being flown, its packet for the field, and the debrief of one that is over");
      const sessions = await (await fetch(`${application.address}/session`, { headers })).text();
      const over = /\/session\/([0-9a-f-]{36})/.exec(sessions)[1];
      const running = (await import("uuid")).v7();
      const started = await fetch(`${application.address}/api/start-session`, {
        method: "POST",
        headers: { ...headers, "content-type": "application/json" },
        body: JSON.stringify({
          id: running,
          place: "field",
          pilots: [{ pilotId: large[1], stepId: "hang", setupId: null }],
        }),
      });
      if (started.status !== 200) throw new Error(`a session could not be started: ${await started.text()}`);
      await timePages(application.address, headers, [
        `/session/${running}`,
        `/field-tallies/${running}`,
        `/field-briefs/${running}`,
        `/session/${over}`,
        `/field-tallies/${over}`,
        `/debriefs/${over}`,
      ]);
      say("Resident memory after that");
      for (const [name, pid] of [
        ["application", application.pid],
        ["database", database.pid],
      ]) {
        const used = residentMb(pid);
        console.log(
          `  ${name.padEnd(12)} ${used} MB (limit ${LIMIT_MB[name]} MB) ${used < LIMIT_MB[name] ? "within" : "OVER"}`,
        );
      }
    } finally {
      await application?.stop();
      await database.stop();
      rmSync(scratch, { recursive: true, force: true });
    }
  });
