import scripts from "virtual:family-scripts";

/** Addresses of the script of a family's pages, and of what it imports. */
export const familyScripts: readonly string[] = scripts;
