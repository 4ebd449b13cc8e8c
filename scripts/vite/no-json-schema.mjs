/**
 * Leaves out the part of the validation library that writes JSON schemas. Only scripts use it, and it is a twentieth
 * of what a family page loads. Fails if the library's code is not as this plugin expects.
 */
export function noJsonSchema() {
  const never = `() => {
        throw new Error("no JSON schema is written here");
      }`;
  const changes = [
    [/^\s*inst\._zod\.processJSONSchema = .*;$/gm, ""],
    [/createStandardJSONSchemaMethod\(this, "(?:input|output)"\)/g, never],
    [/createToJSONSchemaMethod\(this, \{\}\)/g, `(${never})`],
  ];
  return {
    name: "no-json-schema",
    transform(code, id, options) {
      if (options?.ssr || !/\/zod\/v4\/classic\/schemas\.js$/.test(id)) return null;
      let out = code;
      for (const [find, put] of changes) {
        if (!find.test(out)) this.error(`the schemas of zod hold nothing like ${find}`);
        out = out.replace(find, put);
      }
      return { code: out, map: null };
    },
  };
}
