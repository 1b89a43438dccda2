import { spawn } from "node:child_process";
import { chmodSync, chownSync, mkdirSync, openSync, readFileSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import { query } from "./database.mjs";
import { databasePackages, findCommand } from "./install.mjs";
import { root } from "./paths.mjs";
import { freePort, pause, run, stopChild } from "./processes.mjs";
import { PlainFailure } from "./say.mjs";
import { typablePassword } from "./secrets.mjs";

/** What three nodes and the balancer in front of them need of Debian. The scripts that fill a node anew come with the server's own package. */
export const clusterPackages = {
  ...databasePackages,
  mariadb: "mariadb-client-core",
  wsrep_sst_rsync: "mariadb-server",
  // No command: what mariadbd loads.
  "../lib/galera/libgalera_smm.so": "galera-4",
  haproxy: "haproxy",
  rsync: "rsync",
  lsof: "lsof",
};

const PROVIDER = "/usr/lib/galera/libgalera_smm.so";
const START_LIMIT_MS = 90_000;

/** What an operator copies from deploy/, with the addresses of this machine in the place of the example's. */
const deployed = (name) => readFileSync(join(root, "deploy", name), "utf8");

/** The settings of deploy/galera.cnf that hang on no address, as options. */
const nodeSettings = () =>
  deployed("galera.cnf")
    .split("\n")
    .filter(
      (line) => /^[a-z-]+ = /.test(line) && !/^(bind-address|wsrep-(provider|cluster-address|node-\w+))/.test(line),
    )
    .map((line) => `--${line.replace(" = ", "=").replace(/="(.*)"$/, "=$1")}`);

/** Nodes must not run as root: the copying of data from node to node refuses to write there. */
async function serverUser() {
  if (process.getuid?.() !== 0) return null;
  const [, , uid, gid] = (await run("getent", ["passwd", "mysql"])).output.split(":");
  return { name: "mysql", uid: Number(uid), gid: Number(gid) };
}

/**
 * Three nodes that hold the same data, on loopback, with their folders in `folder`, and haproxy in front as deploy/haproxy.cfg has it.
 * `nodes[i].kill()` takes one away as a power cut would; `nodes[i].start()` lets it come back and waits until it has caught up.
 */
export async function startCluster(folder) {
  const user = await serverUser();
  const own = (path) => user && chownSync(path, user.uid, user.gid);
  chmodSync(folder, 0o755);
  const password = typablePassword();
  const ports = [];
  for (let n = 0; n < 3; n++)
    ports.push({ sql: await freePort(), group: await freePort(), ist: await freePort(), sst: await freePort() });
  const members = ports.map(({ group }) => `127.0.0.1:${group}`).join(",");
  const init = join(folder, "accounts.sql");
  writeFileSync(
    init,
    [
      `create or replace user 'bathygon'@'127.0.0.1' identified by '${password}';`,
      "grant all privileges on `bathygon%`.* to 'bathygon'@'127.0.0.1';",
      "create user if not exists galera_check@'127.0.0.1';",
      "create database if not exists bathygon character set utf8mb4 collate utf8mb4_unicode_ci;",
      "",
    ].join("\n"),
  );
  const nodes = ports.map((port, n) =>
    node({ name: `node-${n + 1}`, folder: join(folder, `node-${n + 1}`), port, members, init, own, user, password }),
  );
  for (const [n, one] of nodes.entries()) await one.start({ first: n === 0 });
  const balancer = await startBalancer(folder, ports);
  return {
    nodes,
    env: { ...nodes[0].env, BATHYGON_DB_PORT: String(balancer.port) },
    stop: async () => {
      await balancer.stop();
      for (const one of [...nodes].reverse()) await one.stop();
    },
  };
}

function node({ name, folder, port, members, init, own, user, password }) {
  const data = join(folder, "data");
  const env = {
    BATHYGON_DB_HOST: "127.0.0.1",
    BATHYGON_DB_PORT: String(port.sql),
    BATHYGON_DB_USER: "bathygon",
    BATHYGON_DB_PASSWORD: password,
    BATHYGON_DB_NAME: "bathygon",
  };
  const settings = [
    "--no-defaults",
    `--datadir=${data}`,
    `--socket=${join(folder, "s")}`,
    `--pid-file=${join(folder, "pid")}`,
    `--port=${port.sql}`,
    "--bind-address=127.0.0.1",
    "--innodb-buffer-pool-size=64M",
    "--performance-schema=OFF",
    "--innodb-flush-log-at-trx-commit=2",
    ...nodeSettings(),
    `--wsrep-provider=${PROVIDER}`,
    `--wsrep-node-name=${name}`,
    "--wsrep-node-address=127.0.0.1",
    `--wsrep-sst-receive-address=127.0.0.1:${port.sst}`,
    `--wsrep-provider-options=gmcast.listen_addr=tcp://127.0.0.1:${port.group};ist.recv_addr=127.0.0.1:${port.ist};gcache.size=64M`,
    ...(user ? [`--user=${user.name}`] : []),
  ];
  const joining = `--wsrep-cluster-address=gcomm://${members}`;
  const log = join(folder, "log");
  let child = null;
  let made = false;
  const make = async () => {
    mkdirSync(folder);
    own(folder);
    await run(findCommand("mariadb-install-db"), [
      "--no-defaults",
      `--datadir=${data}`,
      "--auth-root-authentication-method=normal",
      "--skip-test-db",
      ...(user ? [`--user=${user.name}`] : []),
    ]);
    made = true;
  };
  /** Where a node that ended without a word stands, as systemd's unit finds it: then it asks only for what it missed. */
  const position = async () => {
    const { output } = await run(findCommand("mariadbd"), [...settings, joining, "--wsrep-recover"], {
      allowFailure: true,
    });
    return /Recovered position:? *([0-9a-f-]{36}:-?\d+)/.exec(output)?.[1];
  };
  return {
    name,
    env,
    get pid() {
      return child.pid;
    },
    log,
    async start({ first = false } = {}) {
      const back = made;
      if (!made) await make();
      const at = back ? await position() : undefined;
      const output = openSync(log, "a", 0o600);
      child = spawn(
        findCommand("mariadbd"),
        [
          ...settings,
          first ? "--wsrep-cluster-address=gcomm://" : joining,
          ...(first ? [`--init-file=${init}`] : []),
          ...(at ? [`--wsrep-start-position=${at}`] : []),
        ],
        { stdio: ["ignore", output, output], detached: true },
      );
      await untilSynced(child, env, log);
    },
    kill: () => {
      const ended = new Promise((done) => child.once("exit", done));
      process.kill(child.pid, "SIGKILL");
      return ended;
    },
    stop: () => stopChild(child, 30_000),
  };
}

async function untilSynced(child, env, log) {
  for (let waited = 0; ; waited += 200) {
    if (child.exitCode !== null || child.signalCode !== null || waited > START_LIMIT_MS)
      throw new PlainFailure(
        `A node did not start. Its last words:\n${readFileSync(log, "utf8").split("\n").slice(-25).join("\n")}`,
      );
    const state = await query(env, "information_schema", "show status like 'wsrep_local_state_comment'").catch(
      () => [],
    );
    if (state[0]?.endsWith("Synced")) return;
    await pause(200);
  }
}

async function startBalancer(folder, ports) {
  const port = await freePort();
  const config = join(folder, "haproxy.cfg");
  writeFileSync(
    config,
    deployed("haproxy.cfg")
      .replace("127.0.0.1:3306", `127.0.0.1:${port}`)
      .replace("/srv/bathygon", root)
      .replace(/server node-(\d) \S+/g, (_, n) => `server node-${n} 127.0.0.1:${ports[n - 1].sql}`),
  );
  const log = openSync(join(folder, "haproxy.log"), "a");
  const child = spawn(findCommand("haproxy"), ["-db", "-f", config], { stdio: ["ignore", log, log], detached: true });
  return { port, stop: () => stopChild(child) };
}
