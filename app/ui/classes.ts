import { twMerge } from "tailwind-merge";

/** Joins class names. Of two that set the same property, the later one wins. Empty ones are left out. */
export const classes = (...names: (string | false | null | undefined)[]): string => twMerge(names.filter(Boolean));
