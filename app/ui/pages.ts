/** The teacher's pages: the letter that opens each after `g`, where there is one, and other words it is found by. */
export const PAGES: readonly { to: string; name: string; letter?: string; also: string }[] = [
  { to: "/week", name: "Week", letter: "w", also: "home today needs you" },
  { to: "/activities", name: "Activities", letter: "a", also: "games shelf" },
  { to: "/homes", name: "Homes", letter: "h", also: "families children class list" },
  { to: "/results", name: "Results", letter: "r", also: "scores" },
  { to: "/things", name: "Household items", letter: "t", also: "equipment kit" },
  { to: "/exercises", name: "Exercises", also: "warm-up" },
  { to: "/outbox", name: "Outbox", letter: "o", also: "messages" },
  { to: "/settings", name: "Settings", letter: "s", also: "school time zone language classes" },
  { to: "/guide", name: "Guide", also: "help manual" },
  { to: "/how", name: "How it works", also: "help model" },
];
