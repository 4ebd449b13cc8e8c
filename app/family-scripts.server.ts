import scripts from "virtual:family-scripts";

/** For each family page, the address of its script and then of everything it imports. */
export const familyScripts = scripts;
