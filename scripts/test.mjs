import { mkdtempSync, readFileSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { runTypeScript, startApplication } from "./lib/application.mjs";
import { ensureBuild } from "./lib/build.mjs";
import { backUp, restore } from "./lib/dump.mjs";
import { backupPackages, browserPackages, findBrowser, prepareMachine } from "./lib/install.mjs";
import { startMariaDb } from "./lib/mariadb.mjs";
import { root } from "./lib/paths.mjs";
import { freePort, run } from "./lib/processes.mjs";
import { PlainFailure, runMain, say } from "./lib/say.mjs";
import { startStandIn } from "./lib/stand-in.mjs";
import { typablePassword } from "./lib/secrets.mjs";

const SUITES = ["lint", "jest", "e2e", "faults"];
const asked = process.argv.slice(2).filter((word) => !word.startsWith("-"));
const suites = asked.length ? asked : SUITES;
/** `--only=pattern`: of Jest and Playwright the files whose path it is part of. */
const only = process.argv.flatMap((word) => (word.startsWith("--only=") ? [word.slice("--only=".length)] : []));
/** One page computes on every core for a while and then waits for its server: two fill each other's pauses. */
const JOURNEYS_AT_A_TIME = 2;
let passedInAll = 0;
/** What failed, in a line each: said once more at the end, where it is found. */
const failedInAll = [];
const stops = [];

/** Stops what was started, last first, however the run ends. */
async function stopAll() {
  for (const stop of stops.splice(0).reverse()) await stop();
}
for (const signal of ["SIGINT", "SIGTERM", "SIGHUP"])
  process.on(signal, () => void stopAll().finally(() => process.exit(130)));

function count(name, passed, failures, started) {
  passedInAll += passed;
  failedInAll.push(...failures.map((failure) => `${name}: ${failure}`));
  const seconds = (Date.now() - started) / 1000;
  say(`${name}: ${passed} passed, ${failures.length} failed (${seconds.toFixed(0)} s)`);
}

/** Runs a tool that either passes or fails as one test. */
async function whole(name, command, args) {
  const started = Date.now();
  const { code, output } = await run(command, args, { allowFailure: true });
  if (code !== 0) console.log(output);
  count(name, code === 0 ? 1 : 0, code === 0 ? [] : ["see above"], started);
}

/** Rules and types together, while the form of the files and what nobody uses is looked at. */
async function lint(bin) {
  say("Lint and types");
  await Promise.all([
    whole("lint and types", bin("oxlint"), ["-c", "oxlint.config.mjs"]),
    whole("format", bin("oxfmt"), ["--check"]),
    whole("unused", bin("knip"), []),
  ]);
}

/** Breaks things on purpose. */
async function faults(scratch) {
  say("Faults");
  const report = join(scratch, "faults.json");
  const args = [
    ...["--test-reporter=spec", "--test-reporter-destination=stdout"],
    ...[`--test-reporter=${join(root, "scripts/lib/test-report.mjs")}`, `--test-reporter-destination=${report}`],
    join(root, "scripts/faults.mjs"),
  ];
  await counted("faults", process.execPath, args, {}, report, (found) => found);
}

/** Runs a test runner that writes a JSON file; `read` gives how many passed, and the names of those that failed. */
async function counted(name, command, args, env, report, read) {
  const started = Date.now();
  const { code } = await run(command, args, { env, quiet: false, allowFailure: true });
  let found = { passed: 0, failures: [] };
  try {
    found = read(JSON.parse(readFileSync(report, "utf8")));
  } catch (error) {
    found.failures.push(`no report can be read: ${error.message}`);
  }
  // A runner that fails without naming a test counts as one failure.
  if (code !== 0 && found.failures.length === 0) found.failures.push(`ended with ${code}, see above`);
  count(name, found.passed, found.failures, started);
}

/** A Jest report: tests that failed, and files that could not be run. */
const readJest = ({ numPassedTests, testResults }) => ({
  passed: numPassedTests,
  failures: testResults.flatMap(({ name, status, assertionResults }) => {
    const failed = assertionResults.filter((one) => one.status === "failed").map(({ fullName }) => fullName);
    return failed.length === 0 && status === "failed" ? [`${name} could not be run`] : failed;
  }),
});

/** A Playwright report: journeys that failed, also those that passed when tried again. */
const readPlaywright = ({ stats, suites }) => {
  const specs = (suite) => [...suite.specs, ...(suite.suites ?? []).flatMap(specs)];
  return {
    passed: stats.expected,
    failures: suites
      .flatMap(specs)
      .flatMap(({ title, tests }) =>
        tests.filter(({ status }) => status === "unexpected" || status === "flaky").map(() => title),
      ),
  };
};

const demos = Array.from({ length: JOURNEYS_AT_A_TIME }, (_, index) => `demo${index + 1}`);
const databaseFor = (databaseEnv) => (name) => ({ ...databaseEnv, BATHYGON_DB_NAME: `bathygon_${name}` });

/** Makes an empty database and one with the demo for each of the workers. */
async function prepareForJourneys(databaseEnv, password, scratch) {
  const databaseOf = databaseFor(databaseEnv);
  await runTypeScript("prepare-database.ts", ["--create"], databaseOf("empty"));
  await runTypeScript("prepare-database.ts", ["--create", "--demo"], {
    ...databaseOf(demos[0]),
    BATHYGON_DEMO_PASSWORD: password,
  });
  // Made once, copied for the others.
  const copy = join(scratch, "demo.sql.gz");
  await backUp(databaseOf(demos[0]), copy);
  for (const demo of demos.slice(1)) await restore(databaseOf(demo), copy);
}

/** Serves an application on each of them; where they are, for e2e/addresses.ts. */
async function serveForJourneys(build, databaseEnv, password) {
  const databaseOf = databaseFor(databaseEnv);
  const serve = async (name) => {
    const own = { ...databaseOf(name), BATHYGON_DEMO_PASSWORD: password, BATHYGON_GALLERY: "1" };
    const port = await freePort();
    const standIn = await startStandIn(`http://127.0.0.1:${port}`);
    stops.push(standIn.stop);
    const application = await startApplication(build, port, { ...own, BATHYGON_STAND_IN: standIn.address });
    stops.push(application.stop);
    return application.address;
  };
  const addresses = [];
  for (const demo of demos) addresses.push(await serve(demo));
  return { E2E_EMPTY: await serve("empty"), E2E_DEMO: addresses.join(" ") };
}

await runMain(async () => {
  const strange = suites.filter((suite) => !SUITES.includes(suite));
  if (strange.length) throw new PlainFailure(`Unknown: ${strange.join(", ")}. There are: ${SUITES.join(", ")}.`);
  await prepareMachine({ ...backupPackages, ...browserPackages });
  const bin = (name) => join(root, "node_modules/.bin", name);
  const scratch = mkdtempSync(join(tmpdir(), "bathygon-test-"));
  stops.push(async () => rmSync(scratch, { recursive: true, force: true }));
  try {
    const wants = (suite) => suites.includes(suite);
    if (wants("lint")) await lint(bin);
    // Most of its time is waiting, which the tests of the code fill; the journeys need the machine for themselves.
    const broken = wants("faults") ? faults(scratch) : null;
    if (!wants("jest") && !wants("e2e")) return await broken;
    say("Starting a throw-away database");
    const database = await startMariaDb(scratch, { throwAway: true });
    stops.push(database.stop);
    const password = typablePassword();
    // One process, which leaves the other cores to the tests of the code.
    const prepared = wants("e2e") ? prepareForJourneys(database.env, password, scratch) : null;
    // Told where it is waited for.
    prepared?.catch(() => {});
    if (wants("jest")) {
      say("Jest");
      const report = join(scratch, "jest.json");
      await counted("jest", bin("jest"), ["--json", `--outputFile=${report}`, ...only], database.env, report, readJest);
    }
    await broken;
    if (wants("e2e")) {
      const build = await ensureBuild();
      await prepared;
      const env = {
        CHROMIUM: findBrowser(),
        E2E_PASSWORD: password,
        ...(await serveForJourneys(build, database.env, password)),
      };
      for (const [project, flownIn] of [
        ["journeys", env.E2E_DEMO],
        ["practice", env.E2E_DEMO.split(" ")[0]],
      ]) {
        say(`Playwright: ${project}`);
        // A report of its own: one that is not written is not to be taken for the one before.
        const own = {
          ...env,
          E2E_DEMO: flownIn,
          E2E_REPORT: join(scratch, `e2e-${project}.json`),
          E2E_OUTPUT: join(scratch, `e2e-${project}`),
        };
        const args = ["test", `--project=${project}`, "--pass-with-no-tests", ...only];
        await counted(`e2e ${project}`, bin("playwright"), args, own, own.E2E_REPORT, readPlaywright);
      }
    }
  } finally {
    await stopAll();
  }
});
if (process.exitCode) failedInAll.push("the run did not come to its end, see above");
if (only.length > 0 && passedInAll + failedInAll.length === 0) failedInAll.push(`nothing is called ${only.join(", ")}`);
for (const failure of failedInAll) console.log(`✕ ${failure}`);
console.log(`\n${passedInAll} passed, ${failedInAll.length} failed`);
if (failedInAll.length > 0) process.exitCode = 1;
