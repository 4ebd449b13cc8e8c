import { spawn, spawnSync } from "node:child_process";
import { createHash } from "node:crypto";
import { existsSync, mkdirSync, readdirSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import { root } from "./root.mjs";
import { give, say } from "./say.mjs";

const MIN_NODE = [20, 19];

function checkNode() {
  const [major, minor] = process.versions.node.split(".").map(Number);
  if (major < MIN_NODE[0] || (major === MIN_NODE[0] && minor < MIN_NODE[1]))
    give(`Node.js ${MIN_NODE.join(".")} or newer is needed; this is ${process.versions.node}.`);
}

/** Records which content of the lock file is installed. */
const stamp = join(root, "node_modules", ".yard-installed");
const locked = () =>
  createHash("sha256")
    .update(readFileSync(join(root, "package-lock.json")))
    .digest("hex");

/** Installs the packages of the lock file if necessary. They are there when the promise resolves. */
async function installPackages() {
  checkNode();
  const wanted = locked();
  if (existsSync(stamp) && readFileSync(stamp, "utf8") === wanted) return;
  say("Installing packages (a few minutes the first time) ...");
  const npm = spawn("npm", ["ci", "--no-audit", "--no-fund", "--loglevel=error"], {
    cwd: root,
    stdio: ["ignore", "inherit", "inherit"],
  });
  const status = await new Promise((done) => npm.once("error", () => done(1)).once("exit", done));
  if (status !== 0) give("npm ci failed: see the lines above. Is the npm registry reachable?");
  writeFileSync(stamp, wanted);
}

/**
 * Installs whatever this machine lacks: the packages of the lock file and, in one step, Debian's packages for the
 * programs named.
 * @param {...keyof typeof DEBIAN} names
 */
export async function ensure(...names) {
  const packages = installPackages();
  const missing = names.flatMap((name) => DEBIAN[name].missing());
  if (missing.length > 0) aptInstall(missing);
  await packages;
  for (const name of names) if (DEBIAN[name].missing().length > 0) give(DEBIAN[name].lost);
}

/** The folder of PostgreSQL's programs, the newest if there are several. Null if it is not installed. */
export function postgresBin() {
  const base = "/usr/lib/postgresql";
  const found = existsSync(base) ? readdirSync(base).sort((a, b) => Number(b) - Number(a)) : [];
  for (const value of found) {
    const bin = join(base, value, "bin");
    if (existsSync(join(bin, "postgres")) && existsSync(join(bin, "initdb"))) return bin;
  }
  return null;
}

/** Chromium without windows: the same engine for four fifths of the processor time. */
const SHELL = "/usr/bin/chromium-headless-shell";
/** The browser of the tests, and whether it is the one without windows. Null if none is installed. */
export function chromium() {
  const path = [SHELL, "/usr/bin/chromium", "/usr/bin/chromium-browser"].find((eachPath) => existsSync(eachPath));
  return path === undefined ? null : { path, shell: path === SHELL };
}

/** Installs Debian packages as root (or with sudo, if it asks for no password), or says what to type. */
function aptInstall(names) {
  const asRoot = process.getuid?.() === 0;
  const prefix = asRoot ? [] : spawnSync("sudo", ["-n", "true"]).status === 0 ? ["sudo", "-n"] : null;
  if (prefix === null || spawnSync("apt-get", ["--version"]).status !== 0)
    give(
      `Missing on this machine: ${names.join(", ")}. Install it, for example: sudo apt-get install ${names.join(" ")}`,
    );
  say(`Installing ${names.join(", ")} from Debian's packages ...`);
  const run = (...words) => {
    const [cmd, ...args] = [...prefix, ...words];
    return spawnSync(cmd, args, {
      stdio: ["ignore", "ignore", "inherit"],
      env: { ...process.env, DEBIAN_FRONTEND: "noninteractive" },
    }).status;
  };
  if (names.includes("postgresql") && asRoot) {
    // We use only our own cluster. Debian's would occupy a port for nothing.
    mkdirSync("/etc/postgresql-common/createcluster.d", { recursive: true });
    writeFileSync("/etc/postgresql-common/createcluster.d/no-main.conf", "create_main_cluster = false\n");
  }
  if (names.includes("nginx-light") && asRoot && !existsSync("/usr/sbin/policy-rc.d")) {
    // Only the tests start it.
    writeFileSync("/usr/sbin/policy-rc.d", "#!/bin/sh\nexit 101\n", { mode: 0o755 });
    process.on("exit", () => rmSync("/usr/sbin/policy-rc.d", { force: true }));
  }
  run("apt-get", "update", "-qq");
  if (run("apt-get", "install", "-y", "-qq", "--no-install-recommends", ...names) !== 0)
    give(`apt-get could not install ${names.join(" ")}: see the lines above.`);
}

const DEBIAN = {
  postgres: {
    missing: () => (postgresBin() ? [] : ["postgresql"]),
    lost: "PostgreSQL was installed but its programs were not found under /usr/lib/postgresql.",
  },
  chromium: {
    missing: () => (chromium() ? [] : ["chromium-headless-shell"]),
    lost: `Chromium was installed but not found at ${SHELL}.`,
  },
  // The reverse proxy of the tests, and the program that makes its certificate.
  nginx: {
    missing: () => [
      ...(existsSync("/usr/sbin/nginx") ? [] : ["nginx-light"]),
      ...(existsSync("/usr/bin/openssl") ? [] : ["openssl"]),
    ],
    lost: "nginx was installed but not found at /usr/sbin/nginx.",
  },
};
