/** Sentences of this game alone; they come with it. */
export const words = {
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
};
