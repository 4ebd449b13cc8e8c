export const GROWS = ["beside", "behind", "front"] as const;

/** How many lines farther back the layout shows. Play stays at the last one. */
export const LINES_BACK = 2;
