/** Sentences of this game alone; they come with it. */
export const words = {
  "threeLine.send": "Land it in a free square. Send {send, number}.",
  "threeLine.lift": "All lie there. Take one of yours up.",
  "threeLine.bumped": "That makes a line. Did more move?",
  "threeLine.noMore": "No, that is all",
  "refused.sayAllLie": "Say first if more pieces moved.",
  "threeLine.end.draw": "No line: a draw.",
  "refused.liftFirst": "Take one of yours up first.",
  "refused.notYours": "That one is not yours.",
  "threeLine.end.line": "{size, number} in a line!",
  "threeLine.end.spent": "All sends are used.",
  "threeLine.summary": "{size, number} in a line within {sends, plural, one {# send} other {# sends}}",
  "refused.unknownCell": "There is no square called {cell}.",
};
