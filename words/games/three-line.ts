/** Sentences of this game alone; they come with it. */
export const words = {
  "threeLine.send":
    "Land it in a free square. {verb, select, roll {Roll} slide {Slide} throw {Throw} bowl {Bowl} push {Push} kick {Kick} hit {Hit} other {Try}} {send, number}.",
  "threeLine.lift": "All pieces are down. Pick one up.",
  "threeLine.bumped": "That makes a line. Did more pieces move?",
  "threeLine.noMore": "No, that is all",
  "refused.sayAllLie": "Say if more pieces moved first.",
  "threeLine.end.draw": "No line: it's a draw.",
  "refused.liftFirst": "Pick one of yours up first.",
  "refused.notYours": "That one is not yours.",
  "threeLine.end.line": "{size, number} in a line!",
  "threeLine.end.spent": "You have used all your {many}.",
  "threeLine.summary": "{size, number} in a line within {sends, plural, one {# {one}} other {# {many}}}",
  "refused.unknownCell": "There is no square called {cell}.",
};
