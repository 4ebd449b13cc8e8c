import scripts from "virtual:family-scripts";

/** Addresses of the family script and of everything it imports. */
export const familyScripts: readonly string[] = scripts;
