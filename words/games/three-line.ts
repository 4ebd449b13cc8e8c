/** What a card says: how to set the game up. */
export const card = {
  "threeLine.setUp.corners": "Mark {size, number} by {size, number} squares, {cm, number} cm wide.",
  "threeLine.setUp.sheets": "Lay sheets {cm, number} cm apart, {size, number} by {size, number}.",
  "threeLine.setUp.slips": "Too few pieces? Mark squares with paper.",
};

/** What the play screen says; it comes with the game's code. */
export const play = {
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

/** What the teacher reads: the game, its fields and their options. */
export const teacher = {
  "knob.lineSends": "Maximum {many}",
  "knob.lineSendsHint": "The line must be made within this many.",
  "knob.gridSize": "Grid",
  "knob.grid3": "3 by 3, three in a line",
  "knob.grid4": "4 by 4, four in a line",
  "knob.cellSize": "Width of a square",
  "knob.marked": "Squares are marked",
  "knob.markedCorners": "at their corners",
  "knob.markedSheets": "with sheets of paper",
  "pattern.threeLine": "Three-line",
  "pattern.threeLine.how": "Land one piece in each square of a floor grid and make a line in the fewest attempts.",
  "knob.linePieces": "Head to head: pieces for each side",
  "knob.asALine": "as many as make a line",
  "knob.stuck": "Head to head: all pieces down, no line",
  "knob.stuckTakeUp": "pick one of your own up and go on",
  "knob.stuckDraw": "a draw",
};

/** The rules as sentences, one for each field; between stars what can be changed. */
export const rules = {
  "rule.linePieces": "Head to head, each side has *{value, plural, one {# piece} other {# pieces}}*.",
  "rule.linePieces.none": "Head to head, each side has *as many pieces as make a line*.",
  "rule.lineSends": "A side has at most *{value, plural, one {# {one}} other {# {many}}}*.",
};

/** What only the printed sheet says. */
export const sheet = {
  "sheet.how.threeLine":
    "{posture, select, sitting {Sit} kneeling {Kneel} other {Stand}} behind the line. {verb, select, roll {Roll} slide {Slide} throw {Throw} bowl {Bowl} push {Push} kick {Kick} hit {Hit} other {Land}} a piece into a free square. A full line wins: across, down or diagonal. If it lands in a taken square or outside, pick it up. That {one} is lost.",
};

/** Its part of the page for teachers (docs/patterns.md). */
export const page =
  "A grid on the floor. Alone, make a line in the fewest attempts; a piece in a taken square or outside is played again. Head to head, players take turns on one grid and the first line wins; a piece in a taken square or outside is a lost turn. Once all pieces are down without a line, each player picks one of their own up and plays it again, or the game is a draw.";
