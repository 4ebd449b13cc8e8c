/** What a card says: how to set the game up. */
export const card = {
  "square.setUp": "The grid is {n, number} by {n, number} places. Lay it out later.",
  "square.slips": "Short of items? Use paper slips.",
  "together.square": "Stand at the line. Only one of you runs.",
  "together.squares": "Each has a grid, side by side.",
};

/** What the play screen says; it comes with the game's code. */
export const play = {
  "square.mix.app": "Shuffle the grid.",
  "square.mix.hand": "Shuffle it. Then show how it lies.",
  "square.mix.opponent": "Someone else shuffles. Show how it lies.",
  "square.swap.line": "Swap two in one row or column.",
  "square.swap.next": "Swap two next to each other.",
  "square.end":
    "{fewest, plural, =0 {All rows are done!} one {All done! The fewest is #.} other {All done! The fewest is #.}}",
  "square.end.stopped": "That was a lot of trips. End it here.",
  "square.summary": "{n, number} by {n, number}, in {least, number} to {most, number} trips",
  "refused.mixed": "It is shuffled already.",
  "refused.notMixed": "It is done already. Shuffle it first.",
  "refused.mixFirst": "Shuffle the grid first.",
  "refused.noSuchCell": "There is no such place.",
  "square.floor": "The grid, near row at the bottom",
  "square.near": "near row: run to here",
  "square.place": "Row {row, number}, place {column, number}: {what}",
  "square.empty": "nothing yet",
  "square.at": "row {row, number}, place {column, number}",
  "square.mixNow": "Shuffle it for me",
  "square.mixing": "Shuffling: {tried, number} tried",
  "square.cancel": "Stop shuffling",
  "square.layIt": "Lay your items out like this.",
  "square.couldBe": "{count, plural, one {It takes at least # trip.} other {It takes at least # trips.}}",
  "square.between": "The fewest is {lower, number} to {upper, number} trips.",
  "square.lies": "It looks like this",
  "square.another": "Shuffle again",
  "square.typeIt": "Choose an item. Tap where it lies.",
  "square.kind": "Types of item",
  "square.nearComplete": "The near row is done. Shuffle it more.",
  "square.hint": "In the near row: {list}.",
  "square.askHint": "Give me a hint",
  "square.showMove": "Show me a swap",
};

/** What the teacher reads: the game, its fields and their options. */
export const teacher = {
  "pattern.swapSquare": "Swap square",
  "pattern.swapSquare.how":
    "Items of a few types lie mixed in a grid. Run, swap two, run back, until every row is of one type.",
  "knob.squareN": "Types of item, and how many of each",
  "knob.squareCell": "Width of each place",
  "knob.swapReach": "Which two may be swapped?",
  "reach.line": "any two in one row or column",
  "reach.next": "two next to each other",
  "knob.mixedBy": "Shuffled by",
  "mix.app": "the device",
  "mix.hand": "the child",
  "mix.opponent": "another player",
  "knob.leastTrips": "Fewest trips needed, at least",
  "knob.mostTrips": "Fewest trips needed, at most",
  "knob.tripsOrTime": "What counts",
  "scored.trips": "fewest trips",
  "scored.time": "fastest time",
  "knob.squareExercise": "Exercise before running back",
  "knob.squareNothing": "none",
  "knob.squares": "Head to head",
  "squares.own": "a grid each",
  "squares.one": "one grid: you keep the rows you complete",
  "knob.swapTrip": "after each trip",
};

/** The rules as sentences, one for each field; between stars what can be changed. */
export const rules = {
  "rule.squareN": "There are *{value} types of item*, and {value} of each.",
  "rule.swapReach": "On each trip, swap *{value}*.",
  "rule.mixedBy": "The grid is shuffled by *{value}*.",
  "rule.leastTrips": "It takes at least *{value, plural, one {# trip} other {# trips}}*.",
  "rule.mostTrips": "It can be done in *{value, plural, one {# trip} other {# trips}}* or fewer.",
  "rule.tripsOrTime": "What counts: *{value}*.",
  "rule.squareExercise": "Exercise before running back: *{value}*.",
  "rule.squares": "Head to head: *{value}*.",
};

/** What only the printed sheet says. */
export const sheet = {
  "sheet.how.swapSquare":
    "Shuffle the grid. Run to it, swap two, run back: that is one trip. When the near row is all of one type, collect it. Use as few trips as you can.",
};

/** Its part of the page for teachers (docs/patterns.md). */
export const page =
  "Items of a few types lie shuffled in a grid. Run to it, swap two, run back: that is one trip. When a row is all of one type, it is collected. The device shuffles to the difficulty you want and knows the fewest trips. What counts is trips or time. Head to head: a grid each, or one grid. *Trains* running, turning, and thinking one swap ahead.";
