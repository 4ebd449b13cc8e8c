export const GROWS = ["beside", "behind", "front"] as const;

/** Lines farther back that the layout shows; after the last one it stays there. */
export const LINES_BACK = 2;
