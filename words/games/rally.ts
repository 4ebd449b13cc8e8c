/** Sentences of this game alone; they come with it. */
export const words = {
  "rally.serve": "{how, select, bounce {Bounce it, then serve.} other {Serve.}} Who wins the rally?",
  "rally.second": "That was a fault. Serve again.",
  "rally.begin": "Start the rally. Count each touch.",
  "rally.keep": "Keep it going{over, select, wall { off the wall} other {}}.",
  "rally.end.won": "You did it!",
  "rally.end.bell": "Time is up.",
  "rally.end.longest": "{count, plural, one {The longest rally had # touch.} other {The longest rally had # touches.}}",
  "rally.summary": "First to {points, number}{games, plural, one {} other {, best of # games}}",
  "refused.noSecond": "There is no second serve now.",
};
