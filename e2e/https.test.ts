import { spawn, spawnSync } from "node:child_process";
import { mkdirSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import { request } from "node:http";
import { connect } from "node:net";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { afterAll, beforeAll, describe, expect, inject, it } from "vitest";
import { freePort } from "../scripts/lib/port.mjs";
import { startWeb } from "../scripts/lib/serve.mjs";
import { cardOf, handIn, itLong, linkOf, openBrowser, phone, press, sees } from "./help.ts";

/** A reverse proxy with TLS, configured as docs/running.md says, before a copy of its own. */
let dir: string;
let web: Awaited<ReturnType<typeof startWeb>>;
let plain: Awaited<ReturnType<typeof startWeb>>;
let nginx: ReturnType<typeof spawn>;
let opened: Awaited<ReturnType<typeof openBrowser>>;
let at: string;

/** The nginx block of the documentation, with this machine's ports, name and certificate in it. */
function configuration(port: number, other: number, to: string): string {
  const doc = readFileSync(new URL("../docs/running.md", import.meta.url), "utf8");
  const block = /```nginx\n([\s\S]*?)```/.exec(doc)![1]!;
  const here = block
    .replace("listen 443 ssl http2", `listen 127.0.0.1:${port} ssl http2`)
    .replace("listen 80", `listen 127.0.0.1:${other}`)
    .replaceAll("yard.example.org", "localhost")
    .replaceAll("/etc/ssl/yard", dir)
    .replace("http://127.0.0.1:8080", to);
  const temporary = ["client_body", "proxy", "fastcgi", "uwsgi", "scgi"]
    .map((name) => `${name}_temp_path ${join(dir, name)};`)
    .join(" ");
  return `daemon off; pid ${join(dir, "pid")}; error_log ${join(dir, "error.log")}; worker_processes 1;
    events { worker_connections 256; }
    http { access_log off; ${temporary} ${here} }`;
}

beforeAll(async () => {
  dir = mkdtempSync(join(tmpdir(), "yard-https-"));
  mkdirSync(join(dir, "logs"));
  const made = spawnSync(
    "openssl",
    [
      ...["req", "-x509", "-newkey", "rsa:2048", "-nodes", "-days", "2", "-subj", "/CN=localhost"],
      ...["-addext", "subjectAltName=DNS:localhost,IP:127.0.0.1"],
      ...["-keyout", join(dir, "privkey.pem"), "-out", join(dir, "fullchain.pem")],
    ],
    { encoding: "utf8" },
  );
  expect(made.status, made.stderr).toBe(0);
  web = await startWeb({ port: await freePort(), env: { ...inject("webEnv"), YARD_TRUSTED_PROXIES: "loopback" } });
  plain = await startWeb({ port: await freePort(), env: inject("webEnv") });
  const port = await freePort();
  writeFileSync(join(dir, "nginx.conf"), configuration(port, await freePort(), web.url));
  nginx = spawn("/usr/sbin/nginx", ["-p", dir, "-c", join(dir, "nginx.conf"), "-e", join(dir, "error.log")], {
    stdio: "ignore",
  });
  at = `https://localhost:${port}`;
  opened = await openBrowser({ flags: ["--ignore-certificate-errors"] });
  for (let i = 0; i < 50; i++) {
    const up = await new Promise<boolean>((done) => {
      const socket = connect(port, "127.0.0.1", () => done(true));
      socket.on("error", () => done(false));
    });
    if (up) break;
    await new Promise((resolve) => setTimeout(resolve, 100));
  }
});
afterAll(async () => {
  await opened.close();
  nginx.kill();
  await Promise.all([web.stop(), plain.stop()]);
  rmSync(dir, { recursive: true, force: true });
});

describe("behind a proxy with HTTPS", () => {
  it("a teacher signs in, saves as they go, sends a form and signs out, with a cookie bound to the host", async () => {
    const page = await opened.browser.newPage();
    await page.setViewport({ width: 1280, height: 800 });
    const answers: number[] = [];
    page.on("response", (hTTPResponse) => {
      if (hTTPResponse.request().method() === "POST") answers.push(hTTPResponse.status());
    });
    await page.goto(`${at}/sign-in`, { waitUntil: "networkidle0" });
    await page.type("input[name=email]", inject("email"));
    await page.type("input[name=password]", inject("password"));
    await press(page, "Sign in");
    await sees(page, "This week");
    const cookies = await page.cookies();
    const session = cookies.find((cooky) => cooky.name === "__Host-yard")!;
    expect(session).toMatchObject({ secure: true, httpOnly: true, sameSite: "Lax", path: "/" });
    await page.goto(`${at}/activities`, { waitUntil: "networkidle0" });
    await page.$$eval("button[value=new]", (all) =>
      (all.find((button) => button.textContent?.startsWith("Climb")) as HTMLElement).click(),
    );
    await page.waitForSelector("input[aria-label=Title]");
    await page.type("input[aria-label=Title]", " again");
    await page.waitForResponse((hTTPResponse) => hTTPResponse.url().endsWith("/save") && hTTPResponse.status() === 200);
    await page.click("button[title='Sign out']");
    await sees(page, "For teachers.");
    expect(answers.filter((answer) => answer >= 400)).toEqual([]);
    await page.close();
  });

  it("the form works without a script, and says so to nobody's origin but its own", async () => {
    const page = await opened.browser.newPage();
    await page.setJavaScriptEnabled(false);
    await page.goto(`${at}/sign-in`);
    await page.type("input[name=email]", inject("email"));
    await page.type("input[name=password]", "not the password");
    await Promise.all([page.waitForNavigation(), page.click("button[type=submit]")]);
    expect(await page.$eval("body", (element) => element.innerText)).toContain("do not match");
    await page.close();
  });

  it("a family plays and hands in", async () => {
    const page = await phone(opened.browser);
    const link = (await linkOf("Nuri E.")).replace(/^http:\/\/[^/]+/, at);
    const card = await cardOf(page, link, "Hallway climb");
    await page.goto(`${card}?screen=look`, { waitUntil: "networkidle0" });
    for (const box of await page.$$("input[type=checkbox]:not(:checked)")) await box.click();
    await press(page, "Next: Play");
    await sees(page, "Who is playing?");
    await press(page, "Play");
    await sees(page, "HIT");
    await press(page, "End game");
    await handIn(page);
    await sees(page, "Handed in.");
    await page.close();
  });

  it("every answer says HTTPS only, and a page runs no script but its own", async () => {
    const page = await opened.browser.newPage();
    const answer = (await page.goto(`${at}/about`))!;
    const headers = answer.headers();
    expect(headers["strict-transport-security"]).toContain("max-age=");
    expect(headers["content-security-policy"]).toMatch(/script-src 'self' 'nonce-[\w+/=]+'/);
    expect(headers["content-security-policy"]).not.toMatch(/script-src[^;]*unsafe/);
    expect(headers["content-security-policy"]).toMatch(/connect-src 'self'(;|$)/);
    await page.close();
  });
});

interface Told {
  status: number;
  headers: Record<string, string | string[] | undefined>;
  body: string;
}
const send = (to: string, path: string, method: string, headers: Record<string, string>, body = ""): Promise<Told> =>
  new Promise((done, fail) => {
    const url = new URL(to);
    const clientRequest = request(
      {
        host: url.hostname,
        port: url.port,
        path,
        method,
        headers: { "Content-Length": String(body.length), ...headers },
      },
      (incomingMessage) => {
        let text = "";
        incomingMessage.on("data", (value) => {
          text += value;
        });
        incomingMessage.on("end", () =>
          done({ status: incomingMessage.statusCode!, headers: incomingMessage.headers, body: text }),
        );
      },
    );
    clientRequest.on("error", fail);
    clientRequest.end(body);
  });
const form = { "Content-Type": "application/x-www-form-urlencoded" };

describe("what a request says of itself", () => {
  it("forwarded headers of somebody who is not named are thrown away", async () => {
    const forged = {
      ...form,
      "X-Forwarded-Proto": "https",
      "X-Forwarded-Host": "evil.example",
      Origin: "https://evil.example",
    };
    const told = await send(plain.url, "/sign-in", "POST", forged, "email=a&password=b");
    expect(told.status).toBe(403);
    const own = { ...form, "X-Forwarded-Proto": "https", "X-Forwarded-For": "9.9.9.9", Origin: plain.url };
    const mine = await send(plain.url, "/sign-in", "POST", own, "email=nobody%40example.org&password=b");
    expect(mine.status).toBe(422);
  });

  it("of a proxy that is named they are believed", async () => {
    const host = "yard.example.org";
    const forwarded = { ...form, Host: host, "X-Forwarded-Proto": "https", "X-Forwarded-For": "203.0.113.7" };
    const good = await send(
      web.url,
      "/sign-in",
      "POST",
      { ...forwarded, Origin: `https://${host}` },
      "email=x%40y&password=b",
    );
    expect(good.status).toBe(422);
    const http = await send(
      web.url,
      "/sign-in",
      "POST",
      { ...forwarded, Origin: `http://${host}` },
      "email=x%40y&password=b",
    );
    expect(http.status).toBe(403);
  });

  it("a request from another origin changes nothing, whatever route it is for", async () => {
    for (const path of await everyRoute())
      for (const origin of ["https://evil.example", "null", plain.url.replace("http:", "https:")]) {
        const told = await send(plain.url, path, "POST", { ...form, Origin: origin, Cookie: "yard=x" }, "intent=away");
        expect([path, origin, told.status]).toEqual([path, origin, 403]);
      }
    // A browser too old to say where from, with a session to misuse; one that says another site.
    expect((await send(plain.url, "/sign-out", "POST", { ...form, Cookie: "yard=x" })).status).toBe(403);
    expect((await send(plain.url, "/sign-out", "POST", { ...form, "Sec-Fetch-Site": "cross-site" })).status).toBe(403);
    expect((await send(plain.url, "/sign-out", "POST", { ...form, "Sec-Fetch-Site": "same-origin" })).status).toBe(302);
  });
});

/** Every address that the routes name, those that take nothing as well. */
async function everyRoute(): Promise<string[]> {
  const { default: routes } = await import("../app/routes.ts");
  const filled = (path: string) => `/${path.replace(/:(\w+)/g, (_, name) => (name === "token" ? "a.b" : ID))}`;
  const paths: string[] = [];
  const walk = (list: readonly { path?: string; children?: never[] }[]) => {
    for (const r of list) {
      if (r.path) paths.push(filled(r.path), `${filled(r.path)}.data`);
      walk(r.children ?? []);
    }
  };
  walk(routes as never);
  expect(paths.length).toBeGreaterThan(40);
  return paths;
}
const ID = "00000000-0000-4000-8000-000000000000";

describe("limits before anything is read", () => {
  const raw = (
    text: string,
    more?: (write: (givenText: string) => void) => void,
  ): Promise<{ answer: string; sent: number }> =>
    new Promise((done) => {
      const url = new URL(plain.url);
      const socket = connect(Number(url.port), url.hostname);
      let answer = "";
      let sent = 0;
      socket.on("data", (nonSharedBuffer) => {
        answer += nonSharedBuffer;
      });
      const write = (givenText: string) => {
        if (!socket.destroyed && socket.writable) {
          socket.write(givenText);
          sent += givenText.length;
        }
      };
      socket.on("connect", () => {
        write(text);
        more?.(write);
      });
      socket.on("error", () => undefined);
      socket.on("close", () => done({ answer, sent }));
      setTimeout(() => socket.destroy(), 4000);
    });
  const head = (path: string, lines: string) =>
    `POST ${path} HTTP/1.1\r\nHost: ${new URL(plain.url).host}\r\nOrigin: ${plain.url}\r\n${lines}\r\n\r\n`;

  it("a post of 100 MB is refused by its length, in milliseconds, and the connection is closed", async () => {
    const began = performance.now();
    const told = await send(plain.url, "/sign-in", "POST", {
      ...form,
      Origin: plain.url,
      "Content-Length": "104857600",
    }).catch(() => null);
    const { answer } = await raw(head("/sign-in", "Content-Length: 104857600"));
    expect(answer).toMatch(/^HTTP\/1\.1 413 /);
    expect(answer).toContain("1200000 bytes are allowed");
    expect(told === null || told.status === 413).toBe(true);
    expect(performance.now() - began).toBeLessThan(4500);
  });

  it("one that does not say how long it is, is refused as well", async () => {
    const { answer } = await raw(head("/sign-in", "Transfer-Encoding: chunked"), (write) => write("5\r\nemail\r\n"));
    expect(answer).toMatch(/^HTTP\/1\.1 411 /);
  });

  it.each(["TRACE", "PUT", "DELETE", "PATCH", "OPTIONS"])("%s is not done here", async (method) => {
    const told = await send(plain.url, "/sign-in", method, {});
    expect([told.status, told.headers.allow]).toEqual([405, "GET, HEAD, POST"]);
  });

  itLong("finishes running requests when asked to stop, and takes no new ones", async () => {
    const own = await startWeb({ port: await freePort(), env: inject("webEnv") });
    const slow = send(own.url, "/sign-in", "POST", { ...form, Origin: own.url }, "email=slow%40y&password=b");
    await new Promise((resolve) => setTimeout(resolve, 5));
    const gone = new Promise<number | null>((done) => own.child.once("exit", done));
    own.child.kill("SIGTERM");
    expect((await slow).status).toBe(422);
    expect(await gone).toBe(0);
    await expect(fetch(`${own.url}/healthz`)).rejects.toThrow();
  });
});
