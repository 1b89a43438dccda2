import { mkdtempSync, readFileSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { runTypeScript, startApplication } from "./lib/application.mjs";
import { ensureBuild } from "./lib/build.mjs";
import { backupPackages, browserPackages, findCommand, prepareMachine } from "./lib/install.mjs";
import { startMariaDb } from "./lib/mariadb.mjs";
import { root } from "./lib/paths.mjs";
import { freePort, run } from "./lib/processes.mjs";
import { PlainFailure, runMain, say } from "./lib/say.mjs";
import { typablePassword } from "./lib/secrets.mjs";

const SUITES = ["lint", "types", "jest", "e2e", "faults"];
const asked = process.argv.slice(2).filter((word) => !word.startsWith("-"));
const suites = asked.length ? asked : SUITES;
const total = { passed: 0, failed: 0 };
const stops = [];

/** Stops what was started, last first, however the run ends. */
async function stopAll() {
  for (const stop of stops.splice(0).reverse()) await stop();
}
for (const signal of ["SIGINT", "SIGTERM", "SIGHUP"])
  process.on(signal, () => void stopAll().finally(() => process.exit(130)));

function count(name, passed, failed, seconds) {
  total.passed += passed;
  total.failed += failed;
  say(`${name}: ${passed} passed, ${failed} failed (${seconds.toFixed(0)} s)`);
}

/** Runs a tool that either passes or fails as one test. */
async function whole(name, command, args) {
  const started = Date.now();
  const { code, output } = await run(command, args, { allowFailure: true });
  if (code !== 0) console.log(output);
  count(name, code === 0 ? 1 : 0, code === 0 ? 0 : 1, (Date.now() - started) / 1000);
}

/** Runs a test runner that writes its counts to a JSON file. */
async function counted(name, command, args, env, report, read) {
  const started = Date.now();
  const { code } = await run(command, args, { env, quiet: false, allowFailure: true });
  let counts;
  try {
    counts = read(JSON.parse(readFileSync(report, "utf8")));
  } catch {
    counts = { passed: 0, failed: 1 };
  }
  // A runner that fails without naming a test counts as one failure.
  const failed = code !== 0 && counts.failed === 0 ? 1 : counts.failed;
  count(name, counts.passed, failed, (Date.now() - started) / 1000);
}

await runMain(async () => {
  const strange = suites.filter((suite) => !SUITES.includes(suite));
  if (strange.length) throw new PlainFailure(`Unknown: ${strange.join(", ")}. There are: ${SUITES.join(", ")}.`);
  await prepareMachine({ ...backupPackages, ...browserPackages });
  const bin = (name) => join(root, "node_modules/.bin", name);
  const scratch = mkdtempSync(join(tmpdir(), "bathygon-test-"));
  stops.push(async () => rmSync(scratch, { recursive: true, force: true }));
  try {
    if (suites.includes("lint")) {
      say("Lint");
      await whole("lint", bin("eslint"), [".", "--max-warnings", "0"]);
      await whole("format", bin("prettier"), ["--check", "--log-level", "warn", "src", "e2e", "scripts"]);
    }
    if (suites.includes("types")) {
      say("Types");
      await whole("types", bin("tsc"), ["--noEmit"]);
    }
    if (suites.includes("faults")) {
      say("Faults");
      const report = join(scratch, "faults.json");
      const args = [join(root, "scripts/faults.mjs"), `--report=${report}`];
      await counted("faults", process.execPath, args, {}, report, (found) => found);
    }
    if (!suites.includes("jest") && !suites.includes("e2e")) return;
    say("Starting a throw-away database");
    const database = await startMariaDb(scratch, { throwAway: true });
    stops.push(database.stop);
    if (suites.includes("jest")) {
      say("Jest");
      const report = join(scratch, "jest.json");
      await counted("jest", bin("jest"), ["--json", `--outputFile=${report}`], database.env, report, (found) => ({
        passed: found.numPassedTests,
        failed: found.numFailedTests + found.numRuntimeErrorTestSuites,
      }));
    }
    if (suites.includes("e2e")) {
      const build = await ensureBuild();
      const env = {
        CHROMIUM: findCommand("chromium"),
        E2E_REPORT: join(scratch, "e2e.json"),
        E2E_OUTPUT: join(scratch, "e2e"),
        E2E_PASSWORD: typablePassword(),
      };
      for (const [name, args] of [
        ["empty", []],
        ["demo", ["--demo"]],
      ]) {
        const own = { ...database.env, BATHYGON_DB_NAME: `bathygon_${name}`, BATHYGON_DEMO_PASSWORD: env.E2E_PASSWORD };
        await runTypeScript("prepare-database.ts", ["--create", ...args], own);
        const application = await startApplication(build, await freePort(), own);
        stops.push(application.stop);
        env[`E2E_${name.toUpperCase()}`] = application.address;
      }
      say("Playwright");
      await counted("e2e", bin("playwright"), ["test"], env, env.E2E_REPORT, ({ stats }) => ({
        passed: stats.expected,
        failed: stats.unexpected + stats.flaky,
      }));
    }
  } finally {
    await stopAll();
  }
});
if (process.exitCode) total.failed += 1;
console.log(`\n${total.passed} passed, ${total.failed} failed`);
if (total.failed > 0) process.exitCode = 1;
