export const MAX_CARDS = 16;

export const MAX_WORDS = 30;

export const DOES = ["send", "travel", "write"] as const;

export const MAX_DOES = 6;

export const TRAVELS = ["walk", "hop", "crawl", "dribble"] as const;
