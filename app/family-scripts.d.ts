declare module "virtual:family-scripts" {
  /** For each family page, the address of its script and then of everything it imports. */
  const scripts: Readonly<Record<"cards" | "survey" | "match" | "step" | "print", readonly string[]>>;
  export default scripts;
}
