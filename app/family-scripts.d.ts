declare module "virtual:family-scripts" {
  const scripts: readonly string[];
  export default scripts;
}
