declare module "virtual:family-scripts" {
  const scripts: readonly string[];
  export default scripts;
}

declare module "virtual:fair-worker" {
  /** The address of the worker that makes a match fair. */
  const url: string;
  export default url;
}
