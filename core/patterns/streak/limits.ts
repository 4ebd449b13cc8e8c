export const MAX_STAGES = 8;

export const MAX_RUN = 300;

export const TASKS = ["touch", "catch", "clap", "touchFloor", "turn", "balance", "carry"] as const;
