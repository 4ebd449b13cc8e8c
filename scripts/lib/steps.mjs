import { spawn } from "node:child_process";
import { existsSync, readFileSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { bin, root } from "./root.mjs";
import { say } from "./say.mjs";

/** Runs a command to its end. Its output is shown only if it fails. */
function run(cmd, args, env = {}) {
  return new Promise((done) => {
    const child = spawn(cmd, args, { cwd: root, env: { ...process.env, ...env }, stdio: ["ignore", "pipe", "pipe"] });
    let out = "";
    child.stdout.on("data", (d) => {
      out += d;
    });
    child.stderr.on("data", (d) => {
      out += d;
    });
    child.on("close", (code) => done({ code, out }));
  });
}

const seconds = (since) => `${((Date.now() - since) / 1000).toFixed(0)} s`;

/** A check that passes or fails as a whole. */
export const check = (name, cmd, args) => whole(name, bin(cmd), args);
/** The same for one of our scripts. */
export const node = (name, script) => whole(name, process.execPath, [join(root, script)]);

async function whole(name, cmd, args) {
  const began = Date.now();
  const { code, out } = await run(cmd, args);
  say(`${code === 0 ? "ok  " : "FAIL"} ${name} (${seconds(began)})`);
  if (code !== 0) say(out.trim().split("\n").slice(-80).join("\n"));
  return { passed: code === 0 ? 1 : 0, failed: code === 0 ? 0 : 1 };
}

export async function types() {
  await run(bin("react-router"), ["typegen"]);
  // Version 7 checks in seconds. Version 5 is kept for the tools that read types through its library.
  return whole("types", process.execPath, [join(root, "node_modules/typescript-7/bin/tsc"), "--noEmit"]);
}

/** Runs the test runner and counts its tests. */
export async function tests(name, args, env) {
  const began = Date.now();
  const file = join(tmpdir(), `yard-tests-${process.pid}-${name.replace(/\W/g, "")}.json`);
  const { code, out } = await run(
    bin("vitest"),
    ["run", "--reporter=json", "--reporter=dot", `--outputFile.json=${file}`, ...args],
    env,
  );
  if (!existsSync(file)) {
    say(`FAIL ${name}: the tests did not run\n${out}`);
    return { passed: 0, failed: 1 };
  }
  const told = JSON.parse(readFileSync(file, "utf8"));
  rmSync(file);
  const passed = told.numPassedTests;
  // A file that could not be loaded has no test to fail, but is a failure all the same.
  const unloaded = told.testResults.filter((suite) => suite.status === "failed" && suite.assertionResults.length === 0);
  const failed = Math.max(told.numFailedTests + unloaded.length, code !== 0 ? 1 : 0);
  say(`${failed === 0 ? "ok  " : "FAIL"} ${name}: ${passed} passed, ${failed} failed (${seconds(began)})`);
  for (const suite of told.testResults)
    for (const t of suite.assertionResults)
      if (t.status === "failed")
        say(`  ${suite.name.replace(`${root}/`, "")} > ${t.fullName}\n    ${said(t.failureMessages).slice(0, 3000)}`);
  for (const suite of unloaded) say(`  ${suite.name.replace(`${root}/`, "")}\n    ${suite.message.slice(0, 3000)}`);
  if (failed > 0 && told.numFailedTests + unloaded.length === 0) say(out.slice(-6000));
  return { passed, failed };
}

/** The failure messages. A test that timed out has no useful stack. */
const said = (messages) => messages.join("\n    ").replaceAll("Error: STACK_TRACE_ERROR", "it ran out of time");

export function closingLine(results) {
  const sum = (k) => results.reduce((n, r) => n + r[k], 0);
  say(`${sum("passed")} passed, ${sum("failed")} failed`);
  process.exitCode = sum("failed") === 0 && sum("passed") > 0 ? 0 : 1;
}
