import { parse } from "@formatjs/icu-messageformat-parser";
import ts from "typescript";

/** Positions in the text are not needed to format a message. */
const bare = (value) =>
  Array.isArray(value)
    ? value.map(bare)
    : value && typeof value === "object"
      ? Object.fromEntries(
          Object.entries(value)
            .filter(([key]) => key !== "location")
            .map(([key, v]) => [key, bare(v)]),
        )
      : value;
const ready = (text) => (text.includes("{") ? bare(parse(text)) : text);

/** Parses the catalogues during the build, so that no phone has to load and run the parser of ICU messages. */
export function readyWords() {
  return {
    name: "ready-words",
    enforce: "pre",
    config: (_, env) =>
      env.isSsrBuild
        ? {}
        : {
            resolve: {
              alias: [
                {
                  find: /^@formatjs\/icu-messageformat-parser$/,
                  replacement: "@formatjs/icu-messageformat-parser/no-parser.js",
                },
              ],
            },
          },
    async transform(code, id, options) {
      if (
        options?.ssr ||
        !/\/words\/(en(-[a-z-]+)?|generated\/(set-up|together|rules|sheet|play\/[a-z-]+))\.ts$/.test(id)
      )
        return null;
      const { outputText } = ts.transpileModule(code, { compilerOptions: { module: "ESNext", target: "ES2022" } });
      const exported = await import(`data:text/javascript;base64,${Buffer.from(outputText).toString("base64")}`);
      return Object.entries(exported)
        .map(
          ([name, all]) =>
            `export const ${name} = ${JSON.stringify(Object.fromEntries(Object.entries(all).map(([key, value]) => [key, ready(value)])))};`,
        )
        .join("\n");
    },
  };
}
